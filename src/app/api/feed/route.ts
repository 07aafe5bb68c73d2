import { guarded } from "@/server/guarded";
import { json, readJson } from "@/server/http";
import { tellFeed } from "@/server/sellers";
import { FeedRequest } from "@/wire/sellers";

export const dynamic = "force-dynamic";

/** Tells the simulated sellers how to behave. */
export const PUT = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, FeedRequest);
  if (!body.ok) return body.response;
  await tellFeed(body.value.failure);
  return json({ ok: true });
});
