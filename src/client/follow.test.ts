import { describe, expect, it } from "vitest";
import { Follower, type Grown, NotFollowed } from "./follow";
import type { HeldBy } from "./outbox";

/** Tabs of one browser over a server whose answers are given by hand. */
function browser() {
  const ears: { tab: string; hear: (g: Grown) => void }[] = [];
  let holder: string | null = null;
  const timers = new Set<() => void>();
  const asked: { tab: string; after: number | null; answer: (a: { cursor: number; jobs: string[] } | Error) => void }[] = [];
  const rest = async () => {
    for (let i = 0; i < 20; i++) await Promise.resolve();
  };
  const tick = async () => {
    for (const t of [...timers]) t();
    await rest();
  };
  const tab = (name: string) => {
    const follower = new Follower({
      elected: async () => {
        holder ??= name;
        return holder === name;
      },
      wait: (after, stop) =>
        new Promise((done, fail) => {
          const one = {
            tab: name,
            after,
            answer: (a: { cursor: number; jobs: string[] } | Error) => (a instanceof Error ? fail(a) : done(a)),
          };
          asked.push(one);
          stop.addEventListener("abort", () => {
            if (asked.includes(one)) asked.splice(asked.indexOf(one), 1);
            fail(new Error("aborted"));
          });
        }),
      tabs: {
        tell: (g) => {
          for (const e of ears) if (e.tab !== name) e.hear(g);
        },
        hear: (hear) => void ears.push({ tab: name, hear }),
      },
      later: (_, then) => {
        const once = () => {
          timers.delete(once);
          then();
        };
        timers.add(once);
        return () => timers.delete(once);
      },
    });
    const heard: [HeldBy | null, boolean][] = [];
    const end = follower.follow("job-1", (held, mine) => heard.push([held, mine]));
    return { heard, end };
  };
  const answer = async (a: { cursor: number; jobs: string[] } | Error) => {
    asked.shift()!.answer(a);
    await rest();
  };
  return { tab, tick, rest, asked, answer, give: (name: string | null) => (holder = name) };
}

describe("following the shop", () => {
  it("is one stream for all tabs, and every tab hears what is of its job", async () => {
    const b = browser();
    const one = b.tab("one");
    const two = b.tab("two");
    await b.rest();
    expect(b.asked.map((a) => [a.tab, a.after])).toEqual([["one", null]]);
    await b.answer({ cursor: 7, jobs: [] });
    // The first answer may hide what grew before: everybody looks.
    expect([one.heard, two.heard]).toEqual([[[null, true]], [[null, true]]]);
    expect(b.asked.map((a) => [a.tab, a.after])).toEqual([["one", 7]]);
    await b.answer({ cursor: 9, jobs: ["job-2"] });
    await b.answer({ cursor: 10, jobs: ["job-1"] });
    expect(two.heard.slice(1)).toEqual([
      [null, false],
      [null, true],
    ]);
    // Nothing grew within the time of one asking: nobody is woken.
    await b.answer({ cursor: 10, jobs: [] });
    expect(two.heard).toHaveLength(3);
  });
  it("says once that nothing is heard and why, asks again, and has everybody look when it is back", async () => {
    const b = browser();
    const one = b.tab("one");
    await b.rest();
    await b.answer({ cursor: 7, jobs: [] });
    await b.answer(new Error("cut"));
    await b.tick();
    await b.answer(new Error("cut"));
    await b.tick();
    await b.answer(new NotFollowed("locked"));
    await b.tick();
    expect(one.heard.slice(1)).toEqual([
      ["away", false],
      ["locked", false],
    ]);
    await b.answer({ cursor: 12, jobs: [] });
    expect(one.heard.at(-1)).toEqual([null, true]);
  });
  it("goes over to another tab when the one that listens is gone or slow, and never runs twice", async () => {
    const b = browser();
    const one = b.tab("one");
    b.tab("two");
    await b.rest();
    await b.answer({ cursor: 7, jobs: [] });
    b.give("two");
    await b.tick();
    await b.tick();
    expect(b.asked.map((a) => a.tab)).toEqual(["two"]);
    await b.answer({ cursor: 8, jobs: [] });
    expect(one.heard.at(-1)).toEqual([null, true]);
    one.end();
    expect(b.asked.map((a) => a.tab)).toEqual(["two"]);
  });
  it("ends with the last that follows", async () => {
    const b = browser();
    const one = b.tab("one");
    await b.rest();
    one.end();
    await b.tick();
    expect(b.asked).toEqual([]);
  });
});
