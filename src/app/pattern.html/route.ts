import { patternFile } from "@/server/patternFile";

export const dynamic = "force-dynamic";

export function GET(): Response {
  return new Response(patternFile(), {
    headers: {
      "content-type": "text/html; charset=utf-8",
      "content-disposition": 'attachment; filename="helvane-patterns.html"',
      "cache-control": "no-store",
    },
  });
}
