import { connection } from "@/data/connection";
import { problem } from "@/server/http";

export const dynamic = "force-dynamic";

export async function GET(_req: Request, { params }: { params: Promise<{ hash: string }> }): Promise<Response> {
  const { hash } = await params;
  const b = /^[0-9a-f]{64}$/.test(hash)
    ? await connection().db.selectFrom("blobs").select(["mime", "bytes"]).where("hash", "=", hash).executeTakeFirst()
    : undefined;
  if (!b) return problem(404, "There is no such photo.");
  return new Response(new Uint8Array(b.bytes), {
    headers: {
      "content-type": b.mime,
      "cache-control": "private, max-age=31536000, immutable",
      "x-content-type-options": "nosniff",
    },
  });
}
