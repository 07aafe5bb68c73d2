import { exportPanels } from "@/server/panels";

export const dynamic = "force-dynamic";

export function GET(req: Request): Response {
  const format = new URL(req.url).searchParams.get("format") === "json" ? "json" : "csv";
  const lines = exportPanels(format);
  const body = new ReadableStream<Uint8Array>({
    async pull(c) {
      const next = await lines.next();
      if (next.done) c.close();
      else c.enqueue(new TextEncoder().encode(next.value));
    },
  });
  return new Response(body, {
    headers: {
      "content-type": format === "csv" ? "text/csv; charset=utf-8" : "application/json",
      "content-disposition": `attachment; filename="panels.${format}"`,
      "cache-control": "no-store",
    },
  });
}
