import { allJobs } from "@/server/find";
import { guarded } from "@/server/guarded";
import { problem } from "@/server/http";

export const dynamic = "force-dynamic";

/** A job by its number: leads on to the station it stands at. */
export const GET = guarded(async (_req: Request, { params }: { params: Promise<{ number: string }> }): Promise<Response> => {
  const { number } = await params;
  const job = (await allJobs()).find((j) => j.number === number);
  if (!job) return problem(404, `There is no job ${number.slice(0, 20)}.`);
  return new Response(null, { status: 302, headers: { location: `/jobs/${job.id}/${job.closed ? "close" : job.station}` } });
});
