/** What the simulated phone can be told to photograph: the lit screen in its two aims, and the step strip. */
export type PhoneView = "leftHigh" | "rightLow" | "strip";

/** What a page asks of the worker that stands in for a phone. */
export interface PhoneAsk {
  job: string;
  view: PhoneView;
  widthMm: number;
  heightMm: number;
}
export interface PhonePhoto {
  blob: Blob;
  /** Least over most of its nine points, as it truly is. */
  truth: number;
}
