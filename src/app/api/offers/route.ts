import { guarded } from "@/server/guarded";
import { json, problem, readJson } from "@/server/http";
import { nowIso, nowMs } from "@/server/now";
import { keepOffers, refreshOffers } from "@/server/sellers";
import { OffersByHand, type OffersReply } from "@/wire/sellers";

export const dynamic = "force-dynamic";

/** Asks every seller for prices, stock and days. */
export const POST = guarded(async (req: Request): Promise<Response> => {
  if (!/^application\/json\b/i.test(req.headers.get("content-type") ?? "")) return problem(415, "Send application/json.");
  return json({ answers: await refreshOffers(nowMs()) } satisfies OffersReply);
});

/** Keeps offers written down by hand, with the panels and sellers nobody has recorded yet. */
export const PUT = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, OffersByHand);
  if (!body.ok) return body.response;
  return json(await keepOffers(body.value.offers, nowIso()));
});
