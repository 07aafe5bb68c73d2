import type { Said } from "@/client/send";
import { Mark } from "../draw/Mark";

const MOST = 12;

/** The outcome of an act in a box of its own, read aloud when it appears. */
export function SaidBox({ said }: { said: Said | null }) {
  if (!said) return null;
  const details = said.details ?? [];
  return (
    <div className={said.ok ? "look" : "refusal"} role={said.ok ? "status" : "alert"}>
      <Mark kind={said.ok ? "same" : "stop"} size={26} />
      <div>
        <b>{said.words}</b>
        {said.link && (
          <>
            {" "}
            <a className="link" href={said.link}>
              Open it
            </a>
          </>
        )}
        {details.length > 0 && (
          <ul className="list-disc pl-5 text-[16px]">
            {details.slice(0, MOST).map((d, i) => (
              <li key={i}>
                <span className="mono">{d.where}</span>: {d.message}
              </li>
            ))}
          </ul>
        )}
        {details.length > MOST && <p>And {details.length - MOST} more.</p>}
      </div>
    </div>
  );
}
