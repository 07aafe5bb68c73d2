import { TABLES_OF_FIGURES, tableCsv } from "@/server/figureTables";
import { guarded } from "@/server/guarded";
import { problem } from "@/server/http";

export const dynamic = "force-dynamic";

/** A table the figures stand on, as CSV. */
export const GET = guarded(async (req: Request): Promise<Response> => {
  const asked = new URL(req.url).searchParams.get("of");
  const of = TABLES_OF_FIGURES.find((t) => t === asked);
  if (!of) return problem(400, `of: expected one of ${TABLES_OF_FIGURES.join(", ")}.`);
  return new Response(await tableCsv(of), {
    headers: {
      "content-type": "text/csv; charset=utf-8",
      "content-disposition": `attachment; filename="helvane-${of}.csv"`,
      "cache-control": "no-store",
    },
  });
});
