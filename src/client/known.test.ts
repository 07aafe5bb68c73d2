import { plannedJob } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { fold } from "@/core/job";
import { keepKnown, together, withKnown } from "./known";

const log = plannedJob("C").until("linerPull:tape-left-1").events;
const upTo = (n: number) => ({ events: log.slice(0, n), snapshots: {}, cursor: n });

describe("a job's log from one station to the next", () => {
  it("is never older than what the page has seen, whatever the server sends", () => {
    keepKnown("job-a", upTo(log.length));
    const late = withKnown("job-a", upTo(log.length - 4));
    expect(late.events.map((e) => e.id)).toEqual(log.map((e) => e.id));
    expect(late.cursor).toBe(log.length);
    expect(fold(late.events, {})).toEqual(fold(log, {}));
  });
  it("takes what others did meanwhile, and keeps the page's own acknowledged acts", () => {
    keepKnown("job-b", { events: [log[0]!, log[3]!], snapshots: {}, cursor: 1 });
    const sent = { events: log.slice(0, 3), snapshots: {}, cursor: 3 };
    expect(
      withKnown("job-b", sent)
        .events.map((e) => e.id)
        .sort(),
    ).toEqual(
      log
        .slice(0, 4)
        .map((e) => e.id)
        .sort(),
    );
    expect(withKnown("job-b", sent).cursor).toBe(3);
    // What is kept later by an older station of the same page takes nothing away.
    keepKnown("job-b", sent);
    keepKnown("job-b", { events: [log[0]!], snapshots: {}, cursor: 1 });
    expect(withKnown("job-b", { events: [], snapshots: {}, cursor: 0 }).events).toHaveLength(4);
  });
  it("of another job is left alone; together never repeats an event", () => {
    expect(withKnown("job-c", upTo(2))).toEqual(upTo(2));
    expect(together(upTo(5), upTo(5)).events).toHaveLength(5);
  });
});
