import { guarded } from "@/server/guarded";
import { json, problem, readBytes } from "@/server/http";
import { storePhoto } from "@/server/photo";

export const dynamic = "force-dynamic";

export const POST = guarded(async (req: Request): Promise<Response> => {
  if (!/^image\/(jpeg|png|webp)\b/i.test(req.headers.get("content-type") ?? ""))
    return problem(415, "Send a JPEG, PNG or WebP picture.");
  const body = await readBytes(req, 12_000_000);
  if (!body.ok) return body.response;
  const photo = await storePhoto(body.value);
  return photo ? json(photo) : problem(400, "The file is not a picture that can be read. Nothing was saved.");
});
