import { appendEvents } from "@/server/append";
import { guarded } from "@/server/guarded";
import { isJobId, json, problem, readJson } from "@/server/http";
import { readEventsAfter } from "@/server/jobLog";
import { nowMs } from "@/server/now";
import { AppendRequest, type EventsReply } from "@/wire/jobs";

export const dynamic = "force-dynamic";
type Context = { params: Promise<{ id: string }> };

export const GET = guarded(async (req: Request, { params }: Context): Promise<Response> => {
  const { id } = await params;
  if (!isJobId(id)) return problem(400, `"${id}" is not a job id.`);
  const after = Number(new URL(req.url).searchParams.get("after") ?? 0);
  if (!Number.isInteger(after) || after < 0) return problem(400, "after: expected a cursor, a whole number from 0.");
  return json({ ...(await readEventsAfter(id, after)), nowMs: nowMs() } satisfies EventsReply);
});

export const POST = guarded(async (req: Request, { params }: Context): Promise<Response> => {
  const { id } = await params;
  if (!isJobId(id)) return problem(400, `"${id}" is not a job id.`);
  const body = await readJson(req, AppendRequest);
  if (!body.ok) return body.response;
  const reply = await appendEvents(id, body.value.events, nowMs(), body.value.aheadMs);
  const shape = reply.refused?.gate === "shape";
  return json(reply, shape ? 400 : reply.refused ? 409 : 200);
});
