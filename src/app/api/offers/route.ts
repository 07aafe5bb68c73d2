import { guarded } from "@/server/guarded";
import { json, problem } from "@/server/http";
import { nowMs } from "@/server/now";
import { refreshOffers } from "@/server/sellers";
import type { OffersReply } from "@/wire/sellers";

export const dynamic = "force-dynamic";

/** Asks every seller for prices, stock and days. */
export const POST = guarded(async (req: Request): Promise<Response> => {
  if (!/^application\/json\b/i.test(req.headers.get("content-type") ?? "")) return problem(415, "Send application/json.");
  return json({ answers: await refreshOffers(nowMs()) } satisfies OffersReply);
});
