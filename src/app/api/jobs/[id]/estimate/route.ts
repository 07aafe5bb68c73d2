import { daysSpread, doneHere } from "@/core/quote";
import { estimatePdf, readEstimate } from "@/server/estimate";
import { guarded } from "@/server/guarded";
import { isJobId, problem } from "@/server/http";
import { nowMs } from "@/server/now";
import { promiseOf } from "@/server/promise";

export const dynamic = "force-dynamic";

export const GET = guarded(async (_req: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
  const { id } = await params;
  const state = isJobId(id) ? await readEstimate(id) : null;
  if (!state) return problem(404, "No estimate was chosen in this job.");
  const q = state.quote!;
  const told = doneHere(q.option) ? await promiseOf(id, daysSpread(q.days)) : null;
  const pdf = await estimatePdf(state, new Date(nowMs()), told);
  return new Response(new Uint8Array(pdf), {
    headers: {
      "content-type": "application/pdf",
      "content-disposition": `inline; filename="estimate-${state.job!.number}.pdf"`,
      "cache-control": "no-store",
    },
  });
});
