import { format } from "date-fns";
import Link from "next/link";
import { notFound } from "next/navigation";
import { readSheet } from "@/server/handover";
import { isJobId } from "@/server/http";
import { nowMs } from "@/server/now";
import { ChangedMachine } from "@/ui/sheets/ChangedMachine";

export const dynamic = "force-dynamic";
export const metadata = { title: "Hand-over sheet, Helvane" };

export default async function Handover({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const sheet = isJobId(id) ? await readSheet(id) : null;
  if (!sheet) notFound();
  return (
    <main className="grow-page">
      <article className="desk">
        <p className="no-print flex gap-4">
          <Link className="link" href={`/jobs/${id}/close`}>
            Back to the job
          </Link>
          <a className="link" href={`/api/jobs/${id}/handover`}>
            As PDF
          </a>
          <a className="link" href={`/api/jobs/${id}/export`}>
            Whole job as a zip
          </a>
        </p>
        <h1 className="step">Hand-over {sheet.number}</h1>
        <p className="text-[20px]">
          {sheet.machine} for {sheet.customer}
          {sheet.handedTo && `, handed to ${sheet.handedTo}`}. {format(nowMs(), "EEE d MMM yyyy")}
        </p>
        {sheet.drawing && <ChangedMachine drawing={sheet.drawing} />}
        <div className="grid grid-cols-2 gap-x-8 gap-y-5">
          {sheet.sections.map((s) => (
            <section key={s.title}>
              <h2 className="sec border-b-[1.5px] border-ink">{s.title}</h2>
              <dl>
                {s.rows.map((r, i) => (
                  <div key={i} className="flex gap-3 border-b border-hair py-1 text-[16px]">
                    <dt className="w-1/2">{r.name}</dt>
                    <dd className="w-1/2 font-bold">{r.value}</dd>
                  </div>
                ))}
              </dl>
            </section>
          ))}
        </div>
        <section>
          <h2 className="sec border-b-[1.5px] border-ink">Please mind</h2>
          <ul className="list-disc pl-6 pt-2 text-[17px] leading-[23px]">
            {sheet.cautions.map((c) => (
              <li key={c}>{c}</li>
            ))}
          </ul>
        </section>
        <p className="q">The maker's service information and local codes come first.</p>
      </article>
    </main>
  );
}
