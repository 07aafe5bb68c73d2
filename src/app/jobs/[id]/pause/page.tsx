import { format } from "date-fns";
import Link from "next/link";
import { notFound } from "next/navigation";
import { readPauseCard } from "@/server/handover";
import { isJobId } from "@/server/http";
import { nowMs } from "@/server/now";

export const dynamic = "force-dynamic";
export const metadata = { title: "Pause card, Helvane" };

export default async function Pause({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const card = isJobId(id) ? await readPauseCard(id) : null;
  if (!card) notFound();
  return (
    <main className="grow-page">
      <article className="desk">
        <p className="no-print flex gap-4">
          <Link className="link" href={`/jobs/${id}/${card.station}`}>
            Back to the job
          </Link>
          <span className="q">Print it and lay it on the machine.</span>
        </p>
        <h1 className="step">Do not close: {card.number}</h1>
        <p className="text-[20px] leading-[25px]">
          {card.machine} for {card.customer}. Left {format(nowMs(), "EEE d MMM yyyy, HH:mm")}.
          {card.restart && (
            <>
              {" "}
              <b>Goes on with: {card.restart}.</b>
            </>
          )}
        </p>
        <div className="grid grid-cols-2 gap-x-8 gap-y-5">
          {card.sections.map((s) => (
            <section key={s.title}>
              <h2 className="sec border-b-[1.5px] border-ink">{s.title}</h2>
              <ul className="list-disc pl-5 text-[17px] leading-[22px]">
                {s.lines.map((l) => (
                  <li key={l} className="py-0.5">
                    {l}
                  </li>
                ))}
              </ul>
            </section>
          ))}
        </div>
        <p className="q">Isolate before any connector. The maker's service information and local codes come first.</p>
      </article>
    </main>
  );
}
