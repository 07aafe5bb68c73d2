import { PAPERS, type Paper, printScale, screwSheetSvg } from "@/core/teardown";
import { guarded } from "@/server/guarded";
import { isJobId, problem } from "@/server/http";
import { nowMs } from "@/server/now";
import { qrModules, readScrewSheet, screwSheetPdf } from "@/server/screwSheet";

export const dynamic = "force-dynamic";

/** The screw sheet: `paper` a4 or letter, `format` pdf or svg (one `page`), `bar` what a ruler said of the 100 mm bar, `keep` groups left in place. */
export const GET = guarded(async (req: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
  const { id } = await params;
  const q = new URL(req.url).searchParams;
  const paper = q.get("paper") ?? "a4";
  if (!Object.hasOwn(PAPERS, paper)) return problem(400, `"${paper}" is no paper: a4 or letter.`);
  const bar = q.get("bar");
  const scale = bar === null ? 1 : printScale(Number(bar));
  if (scale === null) return problem(400, `The bar measured "${bar}" mm: 80 to 120 are possible. Measure it again.`);
  const host = req.headers.get("host") ?? "127.0.0.1";
  const sheet = isJobId(id)
    ? await readScrewSheet(id, paper as Paper, `http://${host}`, new Set(q.get("keep")?.split(",") ?? []))
    : null;
  if (!sheet) return problem(404, "There is no such job, or no build for its machine.");
  const named = (ext: string) => ({
    "content-disposition": `inline; filename="screws-${paper}.${ext}"`,
    "cache-control": "no-store",
  });
  if (q.get("format") === "svg") {
    const page = Number(q.get("page") ?? 0);
    if (!Number.isInteger(page) || page < 0 || page >= Math.max(1, sheet.pages.length))
      return problem(404, `There is no page ${q.get("page")}: ${sheet.pages.length} in all.`);
    return new Response(screwSheetSvg(sheet, page, qrModules(sheet.address), scale, qrModules), {
      headers: { "content-type": "image/svg+xml", ...named("svg") },
    });
  }
  const pdf = await screwSheetPdf(sheet, new Date(nowMs()), scale);
  return new Response(new Uint8Array(pdf), { headers: { "content-type": "application/pdf", ...named("pdf") } });
});
