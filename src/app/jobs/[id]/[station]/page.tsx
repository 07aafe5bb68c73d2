import { notFound } from "next/navigation";
import { isJobId } from "@/server/http";
import { readJobPage } from "@/server/jobPage";
import { clockIsFixed, nowMs } from "@/server/now";
import { JobWorkspace } from "@/ui/job/JobWorkspace";
import { STATION_PATHS, type StationPath } from "@/ui/shell/JobStrip";

export const dynamic = "force-dynamic";

export default async function JobPage({ params }: { params: Promise<{ id: string; station: string }> }) {
  const { id, station } = await params;
  if (!isJobId(id) || !(STATION_PATHS as readonly string[]).includes(station)) notFound();
  const page = await readJobPage(id, station);
  if (!page) notFound();
  return (
    <JobWorkspace
      key={`${id}-${station}`}
      jobId={id}
      station={station as StationPath}
      {...page}
      nowMs={nowMs()}
      clockFixed={clockIsFixed()}
    />
  );
}
