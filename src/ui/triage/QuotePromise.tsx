import { daysSpread, doneHere, type QuoteOption } from "@/core/quote";
import { PromiseHint } from "../job/PromiseHint";

/** When a way would be done if it were agreed now; nothing for what is not done at this bench. */
export function QuotePromise({ jobId, option: o }: { jobId: string; option: QuoteOption | undefined }) {
  return o && !o.whyNot && doneHere(o.id) ? <PromiseHint jobId={jobId} lead={daysSpread(o.days)} /> : null;
}
