import { patternFile } from "@/server/patternFile";

export const dynamic = "force-dynamic";

/** The file for a stick; `w` and `h`, in mm, are the glass its touch test is drawn on. */
export function GET(req: Request): Response {
  const q = new URL(req.url).searchParams;
  const [w, h] = [Number(q.get("w")), Number(q.get("h"))];
  const can = (n: number) => n >= 50 && n <= 600;
  const file = patternFile(can(w) && can(h) ? { widthMm: w, heightMm: h } : undefined);
  if (file === null) return new Response("The application was not built: run it by its start command.", { status: 503 });
  return new Response(file, {
    headers: {
      "content-type": "text/html; charset=utf-8",
      "content-disposition": 'attachment; filename="helvane-patterns.html"',
      "cache-control": "no-store",
    },
  });
}
