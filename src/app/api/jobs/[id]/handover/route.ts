import { guarded } from "@/server/guarded";
import { readSheet, sheetPdf } from "@/server/handover";
import { isJobId, problem } from "@/server/http";
import { nowMs } from "@/server/now";

export const dynamic = "force-dynamic";

export const GET = guarded(async (_req: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
  const { id } = await params;
  const sheet = isJobId(id) ? await readSheet(id) : null;
  if (!sheet) return problem(404, "There is no such job.");
  const pdf = await sheetPdf(sheet, new Date(nowMs()));
  return new Response(new Uint8Array(pdf), {
    headers: {
      "content-type": "application/pdf",
      "content-disposition": `inline; filename="hand-over-${sheet.number}.pdf"`,
      "cache-control": "no-store",
    },
  });
});
