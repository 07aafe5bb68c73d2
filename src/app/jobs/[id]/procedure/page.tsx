import Link from "next/link";
import { notFound } from "next/navigation";
import { procedureCard } from "@/core/procedure";
import { isJobId } from "@/server/http";
import { readReference } from "@/server/reference";

export const dynamic = "force-dynamic";
export const metadata = { title: "Procedure card, Helvane" };

/** A maker's procedure to print and lay beside the machine: `h` says which, by its content. */
export default async function ProcedureCardPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { id } = await params;
  const { h } = await searchParams;
  const found = isJobId(id) ? (await readReference()).procedures.find((p) => p.hash === h) : undefined;
  if (!found) notFound();
  const p = found.data;
  return (
    <main className="grow-page">
      <article className="desk">
        <p className="no-print flex gap-4">
          <Link className="link" href={`/jobs/${id}/prove`}>
            Back to the job
          </Link>
          <span className="q">Print it and lay it beside the machine.</span>
        </p>
        <h1 className="step">
          {p.maker}: {p.id.replace(`${p.maker.toLowerCase()}-`, "").replaceAll("-", " ")}
        </h1>
        <ol className="rows">
          {procedureCard(p).map((r) => (
            <li key={r.number} style={{ alignItems: "flex-start" }}>
              <b className="mono" style={{ minWidth: 34, fontSize: 24 }}>
                {r.number}
              </b>
              <span className="grow">
                <b className="text-[21px] leading-[26px]">{r.act}</b>
                {r.says.map((x) => (
                  <span key={x} className="block text-[17px] leading-[22px]">
                    {x}
                  </span>
                ))}
              </span>
              <span className="open-sq" role="img" aria-label="to do" />
            </li>
          ))}
        </ol>
        <p className="q">
          {p.source}. Times are counted by Helvane as well, with sound for the last seconds, and kept with the job.
        </p>
      </article>
    </main>
  );
}
