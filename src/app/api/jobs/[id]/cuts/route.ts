import { cutSheetSvg, PAPERS, type Paper, printScale } from "@/core/teardown";
import { cutSheetPdf, readCutSheet } from "@/server/cutSheet";
import { guarded } from "@/server/guarded";
import { isJobId, problem } from "@/server/http";
import { nowMs } from "@/server/now";

export const dynamic = "force-dynamic";

/** The tape to cut at true size: `paper` a4 or letter, `format` pdf or svg (one `page`), `bar` what a ruler said of the 100 mm bar. */
export const GET = guarded(async (req: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
  const { id } = await params;
  const q = new URL(req.url).searchParams;
  const paper = q.get("paper") ?? "a4";
  if (!Object.hasOwn(PAPERS, paper)) return problem(400, `"${paper}" is no paper: a4 or letter.`);
  const bar = q.get("bar");
  const scale = bar === null ? 1 : printScale(Number(bar));
  if (scale === null) return problem(400, `The bar measured "${bar}" mm: 80 to 120 are possible. Measure it again.`);
  const sheet = isJobId(id) ? await readCutSheet(id, paper as Paper) : null;
  if (!sheet) return problem(404, "There is no such job, it is not planned, or no tape is cut for it.");
  const named = (ext: string) => ({
    "content-disposition": `inline; filename="tape-${paper}.${ext}"`,
    "cache-control": "no-store",
  });
  if (q.get("format") === "svg") {
    const page = Number(q.get("page") ?? 0);
    if (!Number.isInteger(page) || page < 0 || page >= sheet.pages.length)
      return problem(404, `There is no page ${q.get("page")}: ${sheet.pages.length} in all.`);
    return new Response(cutSheetSvg(sheet, page, scale), { headers: { "content-type": "image/svg+xml", ...named("svg") } });
  }
  const pdf = await cutSheetPdf(sheet, new Date(nowMs()), scale);
  return new Response(new Uint8Array(pdf), { headers: { "content-type": "application/pdf", ...named("pdf") } });
});
