import type { Sourced } from "../quantity";
import type { FactName } from "./factNames";
import type { Claim, OtherName } from "./schema";

/** What somebody says about a panel: some of its facts, each with its source. */
export interface PanelPatch {
  code: string;
  otherNames?: OtherName[];
  facts: Partial<Record<FactName, Sourced<unknown>>>;
  /** What the patch itself holds as disputed, from a record written elsewhere. */
  claims?: Claim[];
}
