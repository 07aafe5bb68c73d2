import { guarded } from "@/server/guarded";
import { json, problem, readJson } from "@/server/http";
import { askAfterOrder } from "@/server/orderDesk";
import { tellFeed } from "@/server/sellers";
import { FeedRequest, OrderAsk } from "@/wire/sellers";

export const dynamic = "force-dynamic";

/** Tells the simulated sellers how to behave. */
export const PUT = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, FeedRequest);
  if (!body.ok) return body.response;
  await tellFeed(body.value.failure);
  return json({ ok: true });
});

/** Asks a seller what became of an order of the shop. Nothing is recorded: whoever asked decides what of it counts. */
export const POST = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, OrderAsk);
  if (!body.ok) return body.response;
  const r = await askAfterOrder(body.value.order);
  return r.ok ? json(r.answer) : problem(r.status, r.problem);
});
