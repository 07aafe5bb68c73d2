import { plannedJob, TestBench } from "@tests/bench";
import { ISO, serverDb } from "@tests/serverDb";
import { describe, expect, it } from "vitest";
import { POST } from "@/app/api/drills/route";
import { PUT } from "@/app/api/tools/route";
import { PUT as WEIGHTS } from "@/app/api/weights/route";
import { kitOf, PLAN_WEIGHTS } from "@/core/teardown";
import { connection } from "@/data/connection";
import { insertEvent } from "@/data/eventStore";
import { readDrills } from "./drills";
import { importBuild, readReference } from "./reference";
import { remember } from "./remember";
import { pastOrders } from "./sellers";
import { readWeights } from "./weights";

serverDb("shop");
const ask = (method: string, body: unknown) =>
  new Request("http://127.0.0.1/api", {
    method,
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body),
  });

describe("what the shop has", () => {
  it("is saved over the version that was read, and kits are told from it", async () => {
    const { tools } = await readReference();
    const want = [{ name: "6-lobe T3", for: "x" }];
    expect(kitOf(want, tools!.data)[0]!.state).toBe("substitute");
    const res = await PUT(
      ask("PUT", { have: [...tools!.data.have, "6-lobe T3"], substitutes: tools!.data.substitutes, version: tools!.version }),
    );
    expect(res.status).toBe(200);
    expect(kitOf(want, (await readReference()).tools!.data)[0]!.state).toBe("have");
    // Somebody else had read the old version: nothing of theirs is written, nothing of ours lost.
    const late = await PUT(ask("PUT", { have: [], substitutes: [], version: tools!.version }));
    expect(late.status).toBe(409);
    expect((await late.json()).problem).toMatch(/changed meanwhile/);
    expect((await readReference()).tools!.data.have).toContain("6-lobe T3");
  });
  it("names what is wrong with it and where", async () => {
    const res = await PUT(ask("PUT", { have: ["", "Pick"], substitutes: [], version: 1 }));
    expect(res.status).toBe(400);
    expect(JSON.stringify(await res.json())).toMatch(/have/);
  });
});

describe("rehearsals", () => {
  const post = (over: object) => POST(ask("POST", { build: "ostrel-kestrel-14", who: "Bench 1", ...over }));
  it("are kept by build and by who rehearsed, slips and runs", async () => {
    await post({ slip: "power" });
    await post({ slip: "power" });
    await post({ who: "Bench 2", slip: "held" });
    expect(await (await post({ score: 80 })).json()).toEqual({ runs: 1, best: 80, slips: { power: 2 } });
    expect(await readDrills("ostrel-kestrel-14")).toEqual({
      "Bench 1": { runs: 1, best: 80, slips: { power: 2 } },
      "Bench 2": { runs: 0, best: null, slips: { held: 1 } },
    });
    expect(await readDrills("marrick-holm-15")).toEqual({});
  });
  it("two at once are both counted", async () => {
    await Promise.all(Array.from({ length: 8 }, () => post({ who: "Bench 3", slip: "force" })));
    expect((await readDrills("ostrel-kestrel-14"))["Bench 3"]!.slips.force).toBe(8);
  });
  it("of no build, or with a slip nobody knows, are refused", async () => {
    expect((await post({ build: "no-such" })).status).toBe(404);
    expect((await post({ slip: "sneeze" })).status).toBe(400);
    expect((await post({ score: 101 })).status).toBe(400);
  });
});

describe("what is remembered", () => {
  it("is worked out once as long as its stamp stays, and anew when it changes", async () => {
    let worked = 0;
    let stamp = "1";
    const ask1 = () =>
      remember(
        "test",
        async () => stamp,
        async () => {
          worked += 1;
          return { n: worked };
        },
      );
    expect([await ask1(), await ask1(), await ask1()]).toEqual([{ n: 1 }, { n: 1 }, { n: 1 }]);
    stamp = "2";
    expect(await ask1()).toEqual({ n: 2 });
    stamp = "1";
    expect(await ask1()).toEqual({ n: 3 });
  });
  it("knows the shop's orders as soon as they are recorded", async () => {
    expect(await pastOrders()).toEqual([]);
    const b = plannedJob("C", new TestBench("device-q", "00000000-0000-7000-8000-000000000071"));
    const at = b.events.findIndex((e) => e.type === "match.ordered");
    const order = b.events[at]!;
    await insertEvent(connection().db, order, ISO, {});
    expect(await pastOrders()).toHaveLength(1);
    const arrived = b.events.find((e) => e.type === "match.arrived")!;
    await insertEvent(connection().db, arrived, ISO, {});
    expect((await pastOrders())[0]!.tookDays).not.toBeNull();
    await insertEvent(connection().db, b.make({ type: "job.takenBack", payload: { eventId: order.id } }), ISO, {});
    expect(await pastOrders()).toEqual([]);
  });
});

describe("what a plan weighs", () => {
  const put = (body: unknown) => WEIGHTS(ask("PUT", body));
  it("is the shop's own once set, and what Helvane ships with when asked back", async () => {
    expect(await readWeights()).toEqual(PLAN_WEIGHTS);
    const own = { ...PLAN_WEIGHTS, turn: 12, glue: 0 };
    expect(await (await put(own)).json()).toEqual(own);
    expect(await readWeights()).toEqual(own);
    await put({ shipped: true });
    expect(await readWeights()).toEqual(PLAN_WEIGHTS);
  });
  it("refuses less than nothing, and what is missing, by name", async () => {
    const below = await put({ ...PLAN_WEIGHTS, turn: -1 });
    expect(below.status).toBe(400);
    expect((await put({ turn: 1 })).status).toBe(400);
    expect((await put({ ...PLAN_WEIGHTS, minorPerMinute: 0 })).status).toBe(400);
    expect(await readWeights()).toEqual(PLAN_WEIGHTS);
  });
});

describe("a build that cannot be planned", () => {
  it("is not saved, and what waits for what is said by name", async () => {
    const known = (await readReference()).builds.find((b) => b.id === "ostrel-kestrel-14")!;
    const b = structuredClone(known.data);
    // The battery plug lies under the wireless card, whose leads wait for isolation.
    b.connectors.find((c) => c.powerPoint)!.under = ["wireless-card"];
    const done = await importBuild(JSON.stringify(b), known.version, ISO);
    if (done.ok) throw new Error("saved");
    expect(done.problems[0]!.where).toBe("plan");
    expect(done.problems[0]!.message).toMatch(/These wait for each other: .*battery plug.*which waits for/i);
    expect((await readReference()).builds.find((x) => x.id === b.id)!.version).toBe(known.version);
  });
});
