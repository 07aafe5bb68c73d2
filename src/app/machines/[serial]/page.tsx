import { format } from "date-fns";
import Link from "next/link";
import { notFound } from "next/navigation";
import { machineLife } from "@/server/machineLife";
import { Desk } from "@/ui/shell/Desk";

export const dynamic = "force-dynamic";
export const metadata = { title: "A machine, Helvane" };
const day = (iso: string | null) => (iso ? format(new Date(iso), "EEE d MMM yyyy") : "no date");

export default async function MachinePage({ params }: { params: Promise<{ serial: string }> }) {
  const life = await machineLife(decodeURIComponent((await params).serial));
  if (!life) notFound();
  return (
    <Desk title={life.machine} ways={[["/closed", "Closed jobs"]]}>
      <p className="text-[20px]">
        Serial <span className="mono">{life.serial}</span>. {life.customers.join(", ")}.
        {life.build && (
          <>
            {" "}
            <Link className="link" href={`/builds/${life.build}`} prefetch={false}>
              How it comes apart
            </Link>
          </>
        )}
      </p>
      {life.visits.map((v) => (
        <section key={v.id} className="flex flex-col gap-2 border-t-[1.5px] border-ink pt-3">
          <h2 className="sec">
            <Link className="link mono" href={`/jobs/${v.id}/${v.station}`} prefetch={false}>
              {v.number}
            </Link>
            , came in {day(v.openedAtIso)}, {v.outcome ? `${v.outcome} ${day(v.closedAtIso)}` : `now in ${v.station}`}
          </h2>
          <dl className="facts-list">
            {v.facts.map((f) => (
              <div key={f.name}>
                <dt>{f.name}</dt>
                <dd>{f.value}</dd>
              </div>
            ))}
          </dl>
          {v.notes.length > 0 && (
            <>
              <h3 className="font-bold">For who opens it next</h3>
              <ul className="list-disc pl-6">
                {v.notes.map((n, i) => (
                  <li key={i}>{n}</li>
                ))}
              </ul>
            </>
          )}
        </section>
      ))}
    </Desk>
  );
}
