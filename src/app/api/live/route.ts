import { guarded } from "@/server/guarded";
import { json, problem } from "@/server/http";
import { answeredNow, gatherMs, grownSince, live, restMs } from "@/server/live";
import { nowMs } from "@/server/now";
import { heardOf } from "@/server/presence";
import type { LiveReply } from "@/wire/jobs";

export const dynamic = "force-dynamic";

/** Answers as soon as any job has grown past the cursor, at the latest after 20 s: how a browser follows other devices. */
export const GET = guarded(async (req: Request): Promise<Response> => {
  const ask = new URL(req.url).searchParams;
  const device = ask.get("device");
  if (device !== null && !/^[A-Za-z0-9-]{4,64}$/.test(device))
    return problem(400, "device: 4 to 64 letters, digits and hyphens.");
  if (device) heardOf(device, nowMs());
  const after = ask.get("after") === null ? null : Number(ask.get("after"));
  if (after !== null && (!Number.isInteger(after) || after < 0))
    return problem(400, "after: expected a cursor, a whole number from 0.");
  const say = async () => {
    answeredNow(device);
    return json({ ...(await grownSince(after)), nowMs: nowMs() } satisfies LiveReply);
  };
  if (after === null) return say();
  if ((await grownSince(after)).cursor > after) {
    const rest = restMs(device);
    if (rest > 0) await new Promise((done) => setTimeout(done, rest));
    return say();
  }
  await new Promise<void>((done) => {
    const end = () => {
      clearTimeout(timer);
      live().off("job", heard);
      done();
    };
    // What several hands do in one moment is told in one answer.
    const heard = () => {
      live().off("job", heard);
      setTimeout(end, gatherMs());
    };
    const timer = setTimeout(end, 20_000);
    live().on("job", heard);
    req.signal.addEventListener("abort", end);
  });
  if (device) heardOf(device, nowMs());
  return say();
});
