import { useBench } from "./context";
import { HELD_SAYS } from "./held";
import { OneNotTaken } from "./OneNotTaken";

/** Everything of this job that is only in this browser: what waits and why, and what the server did not take, for a person to settle. */
export function KeptHere() {
  const { log } = useBench();
  const { unsent, held, notTaken } = log;
  return (
    <>
      {unsent === 0 && notTaken.length === 0 && <p className="q">Everything recorded here is on the server.</p>}
      {unsent > 0 && (
        <p className="q">
          {unsent} {unsent === 1 ? "act waits" : "acts wait"} here and {unsent === 1 ? "is" : "are"} sent by{" "}
          {unsent === 1 ? "itself" : "themselves"}. {held ? HELD_SAYS[held.by] : "Being sent now."}
        </p>
      )}
      {held?.words && <p className="hint">The server said: {held.words}</p>}
      {held?.by === "locked" && (
        <p>
          <a className="btn" href="/unlock">
            Unlock this device
          </a>
        </p>
      )}
      {notTaken.length > 0 && (
        <>
          <h3>Not taken, and why</h3>
          <ul className="rows" data-list="notTaken">
            {notTaken.map((n) => (
              <OneNotTaken key={n.event.id} n={n} log={log} />
            ))}
          </ul>
        </>
      )}
    </>
  );
}
