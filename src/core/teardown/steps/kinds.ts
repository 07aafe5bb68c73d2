/**
 * Every kind of step. Each file of this folder adds the kind it is about, so that a kind the table in `index.ts` lacks does not
 * compile.
 */
// biome-ignore lint/suspicious/noEmptyInterface: filled by the files of this folder
export interface StepKinds {}
export type StepKind = keyof StepKinds;
