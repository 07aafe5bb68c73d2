import { guarded } from "@/server/guarded";
import { problem } from "@/server/http";
import { readPhoto } from "@/server/photo";

export const dynamic = "force-dynamic";

export const GET = guarded(async (_req: Request, { params }: { params: Promise<{ hash: string }> }): Promise<Response> => {
  const b = await readPhoto((await params).hash);
  if (!b) return problem(404, "There is no such photo.");
  return new Response(b.bytes as Uint8Array<ArrayBuffer>, {
    headers: {
      "content-type": b.mime,
      "cache-control": "private, max-age=31536000, immutable",
      "x-content-type-options": "nosniff",
    },
  });
});
