import { serverDb } from "@tests/serverDb";
import { beforeAll, describe, expect, it } from "vitest";
import { codeKey, compareFit } from "@/core/panel";
import { connection } from "@/data/connection";
import { demoEvents, demoHashes, demoSnapshots } from "@/data/demoScenario";
import { catalogueEntries, panelsById } from "@/data/panelStore";
import { plantLogs } from "@/data/plantLogs";
import type { JobCard } from "@/wire/jobCard";
import { benchCards } from "./jobList";
import { otherPanels } from "./otherPanels";
import { readReference } from "./reference";

serverDb("other-panels");
const NOW = Date.parse("2026-06-01T08:00:00.000Z");
let waiting: JobCard[] = [];
beforeAll(async () => {
  const snapshots = demoSnapshots("data");
  plantLogs(connection(), demoEvents("data", demoHashes("data"), NOW), snapshots, new Date(NOW).toISOString());
  const { open } = await benchCards();
  waiting = open.filter((c) => c.order).map((c) => ({ ...c, promiseAt: new Date(NOW).toISOString() }));
});
const panelOf = async (code: string) => {
  const { db } = connection();
  const e = (await catalogueEntries(db)).find((x) => codeKey(x.code) === codeKey(code))!;
  return (await panelsById(db, [e.id]))[0]!;
};

describe("another panel where the one ordered may come too late", () => {
  it("is offered, in stock, of another code, and fits: nothing that stops, takes a change, or is not known and can destroy", async () => {
    const ref = await readReference();
    expect(waiting.length).toBeGreaterThan(0);
    const found = await otherPanels(waiting, ref);
    expect(Object.keys(found).length).toBeGreaterThan(0);
    for (const c of waiting) {
      const o = found[c.id];
      if (!o) continue;
      const [old, other] = [await panelOf(c.oldCode!), await panelOf(o.code)];
      expect(codeKey(o.code)).not.toBe(codeKey(c.newCode!));
      expect(ref.offers.some((x) => x.panel === other.id && x.seller === o.seller && x.stock !== 0)).toBe(true);
      const machine = ref.machines.find((m) => m.model === c.machine);
      const build = ref.builds.find((b) => b.id === machine?.build)?.data ?? null;
      const rows = compareFit(old.data, other.data, build);
      expect(rows.filter((r) => r.verdict === "stop" || r.verdict === "change")).toEqual([]);
      expect(rows.filter((r) => r.destroying && r.verdict === "unknown")).toEqual([]);
      expect(o.asks).toBe(rows.some((r) => r.verdict === "ask"));
    }
  });
  it("none where nobody has it, where the promise is far off, or where the old one was never read", async () => {
    const ref = await readReference();
    expect(await otherPanels(waiting, { ...ref, offers: ref.offers.map((o) => ({ ...o, stock: 0 })) })).toEqual({});
    const later = waiting.map((c) => ({ ...c, promiseAt: new Date(NOW + 400 * 86_400_000).toISOString() }));
    expect(await otherPanels(later, ref)).toEqual({});
    expect(
      await otherPanels(
        waiting.map((c) => ({ ...c, oldCode: null })),
        ref,
      ),
    ).toEqual({});
  });
});
