import Link from "next/link";
import type { JobCard } from "@/wire/jobCard";
import { Mark } from "../draw/Mark";
import { MiniLid } from "./MiniLid";
import { dueWords, edgeNote } from "./shelf";

/** How many tools the first lid names; the plan names all. */
const FETCHED = 3;

/** One lid on its shelf; the next job stands larger, with what to fetch. */
export function JobLink({ card: c, hero, nowMs }: { card: JobCard; hero: boolean; nowMs: number }) {
  const note = edgeNote(c, nowMs);
  return (
    <Link href={`/jobs/${c.id}/${c.station}`} prefetch={false} className={`jobcard${hero ? " hero" : ""}`} data-job={c.number}>
      <span className="lid">
        <MiniLid card={c} ratio={hero ? 5 : 12} />
      </span>
      <span className="words">
        <b className="num">{c.number}</b>
        <b className="machine">{c.machine}</b>
        <span className="cust block">{c.customer}</span>
        <span className="why block">
          {c.reason}
          {hero &&
            c.tools.length > 0 &&
            ` Fetch: ${c.tools.slice(0, FETCHED).join(", ")}${c.tools.length > FETCHED ? ` and ${c.tools.length - FETCHED} more` : ""}.`}
        </span>
      </span>
      <span className="edge">
        <b>
          <span>{dueWords(c.promiseAt, nowMs)}</span>
          {hero && (
            <span>
              Open <kbd>Enter</kbd>
            </span>
          )}
        </b>
        <span>
          {note.bad && <Mark kind="stop" size={14} label="promise breaks" />}
          {note.words}
        </span>
      </span>
    </Link>
  );
}
