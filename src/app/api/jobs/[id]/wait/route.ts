import { isJobId, json, problem } from "@/server/http";
import { cursorOf } from "@/server/jobLog";
import { live } from "@/server/live";

export const dynamic = "force-dynamic";

/** Answers as soon as the job has grown past the cursor, at the latest after 20 s: how a page follows other devices. */
export async function GET(req: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  if (!isJobId(id)) return problem(400, `"${id}" is not a job id.`);
  const after = Number(new URL(req.url).searchParams.get("after") ?? 0);
  const now = await cursorOf(id);
  if (now > after) return json({ cursor: now });
  await new Promise<void>((done) => {
    const end = () => {
      clearTimeout(timer);
      live().off("job", hear);
      done();
    };
    const hear = (job: string) => {
      if (job === id) end();
    };
    const timer = setTimeout(end, 20_000);
    live().on("job", hear);
    req.signal.addEventListener("abort", end);
  });
  return json({ cursor: await cursorOf(id) });
}
