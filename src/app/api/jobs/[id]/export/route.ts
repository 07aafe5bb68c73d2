import { guarded } from "@/server/guarded";
import { isJobId, problem } from "@/server/http";
import { exportJob } from "@/server/transfer";

export const dynamic = "force-dynamic";

export const GET = guarded(async (_req: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
  const { id } = await params;
  const zip = isJobId(id) ? await exportJob(id) : null;
  if (!zip) return problem(404, "There is no such job.");
  return new Response(Buffer.from(zip), {
    headers: {
      "content-type": "application/zip",
      "content-disposition": `attachment; filename="helvane-job-${id.slice(0, 8)}.zip"`,
      "cache-control": "no-store",
    },
  });
});
