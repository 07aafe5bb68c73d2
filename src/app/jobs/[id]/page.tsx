import { notFound, redirect } from "next/navigation";
import { allJobs } from "@/server/find";
import { isJobId } from "@/server/http";

export const dynamic = "force-dynamic";

/** A job without a station: where its work stands. */
export default async function Job({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const job = isJobId(id) ? (await allJobs()).find((j) => j.id === id) : undefined;
  if (!job) notFound();
  redirect(`/jobs/${id}/${job.station}`);
}
