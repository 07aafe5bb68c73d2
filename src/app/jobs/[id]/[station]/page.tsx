import type { Metadata } from "next";
import { cookies } from "next/headers";
import { notFound } from "next/navigation";
import { allJobs } from "@/server/find";
import { isJobId } from "@/server/http";
import { readJobPage } from "@/server/jobPage";
import { clockIsFixed, nowMs } from "@/server/now";
import { JobWorkspace } from "@/ui/job/JobWorkspace";
import { STATION_PATHS, type StationPath, stationTitle } from "@/ui/shell/JobStrip";

export const dynamic = "force-dynamic";

export async function generateMetadata({ params }: { params: Promise<{ id: string; station: string }> }): Promise<Metadata> {
  const { id, station } = await params;
  const job = isJobId(id) ? (await allJobs()).find((j) => j.id === id) : undefined;
  return { title: job ? stationTitle(job.number, station) : "Helvane" };
}

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
      tour={process.env.HELVANE_SEED === "year" && !(await cookies()).has("helvane-tour")}
    />
  );
}
