import { readFileSync } from "node:fs";
import { advise, type Findings, judgeReading, NOTHING_KNOWN, type Outcome, posterior, TriageTable } from "@/core/triage";
import { BOARDS, simulatedMeter } from "@/standins/board";
import { quantile, say, timeMs } from "./stats";

const table = TriageTable.parse(JSON.parse(readFileSync("data/reference/triage.json", "utf8")));
const LED = { ...NOTHING_KNOWN, backlight: "led" as const };

/** A model of the largest size asked for: 40 faults, 200 findings, every pair. */
function largeModel(): TriageTable {
  let s = 1;
  const r = () => {
    s = (Math.imul(s, 1664525) + 1013904223) >>> 0;
    return s / 4294967296;
  };
  const faults = Array.from({ length: 40 }, (_, i) => ({
    id: `f${i}`,
    name: `Fault ${i}`,
    panel: i < 10,
    prior: 1 + r() * 20,
    advice: "x",
  }));
  return TriageTable.parse({
    ...table,
    // Drawn by chance: no row has a reason, and no look comes before an order.
    version: 2,
    beforeOrder: undefined,
    priorFactors: [],
    groups: [],
    meter: [],
    faults,
    findings: Array.from({ length: 200 }, (_, i) => ({
      id: `x${i}`,
      name: `Finding ${i}`,
      kind: i < 160 ? "sign" : "test",
      minutes: i < 160 ? 0 : 1 + Math.floor(r() * 10),
      strength: Object.fromEntries(faults.filter(() => r() < 0.15).map((f) => [f.id, 0.1 + r() * 0.8])),
      leak: 0.01 + r() * 0.05,
    })),
    decisions: table.decisions.map((d, i) => ({ ...d, fixes: d.fixes.length ? [`f${i}`, `f${i + 10}`] : [] })),
  });
}

/** What each finding shows on this board: the meter's spots are read, the rest follows from what is at fault. */
async function bench(seed: number): Promise<{ lead: string; minutes: number; tests: string[]; right: boolean; truth: string }> {
  const meter = simulatedMeter(seed);
  const b = meter.board;
  // A board that is good all over in a dark machine: the panel's own light is out.
  const truth = b.fuse === "open" || b.rail !== "good" || b.enable === "low" ? "boardBacklight" : "panelBacklight";
  const seen: Record<string, Outcome> = {
    torchImage: "yes",
    brightnessDead: "yes",
    lidMove: "no",
    externalWrong: "no",
    firmwareWrong: "yes",
    edidMissing: "no",
    reseatHelps: "no",
    magnetWakes: "no",
    touchOffHelps: "no",
    // The panel's own pattern stays dark whichever of the two is out; what differs is what another panel shows.
    panelPatternWrong: "yes",
    dimFlicker: "no",
    screenshotShows: "no",
    railBackUnplugged: "no",
    knownGoodCable: "no",
    knownGoodPanel: truth === "panelBacklight" ? "yes" : "no",
    plugVoltsMissing: truth === "panelBacklight" ? "no" : "yes",
  };
  const findings: Record<string, Outcome> = { dark: "yes" };
  let minutes = 0;
  let opened = false;
  const tests: string[] = [];
  for (let i = 0; i < 20; i++) {
    const a = advise(table, LED, findings as Findings, { opened, openMinutes: null });
    const next = a.next === "test" ? a.tests[0] : undefined;
    if (!next) {
      return { lead: a.lead.fault, minutes, tests, right: a.lead.fault === truth, truth };
    }
    minutes += next.minutes;
    opened ||= next.access === "opened";
    tests.push(next.test);
    const spot = table.meter.find((m) => m.finding === next.test);
    if (spot) {
      const read = await meter.read(spot, spot.mode === "dcVolts" ? "live" : "isolated");
      findings[next.test] = read.ok ? judgeReading(spot, read.value).outcome : "unclear";
    } else findings[next.test] = seen[next.test] ?? "no";
  }
  throw new Error("the advice never stopped");
}

export async function benchTriage(): Promise<void> {
  const f: Findings = { dark: "yes", torchImage: "yes", flicker: "no", cracks: "no" };
  const small = timeMs(() => advise(table, LED, f), 40, 10);
  say(
    "posterior, ledger, next test on the demo model, median",
    `${quantile(small, 0.5).toFixed(2)} ms`,
    "under 16 ms",
    quantile(small, 0.5) < 16,
  );
  const large = largeModel();
  const many: Findings = Object.fromEntries(Array.from({ length: 60 }, (_, i) => [`x${i}`, i % 3 ? "no" : "yes"]));
  posterior(large, NOTHING_KNOWN, many);
  const big = timeMs(() => advise(large, NOTHING_KNOWN, many), 15, 5);
  say(
    "the same with 40 faults, 200 findings, pairs, median",
    `${quantile(big, 0.5).toFixed(1)} ms`,
    "under 50 ms",
    quantile(big, 0.5) < 50,
  );
  const few: Findings = { x3: "yes", x60: "no" };
  const open = timeMs(() => advise(large, NOTHING_KNOWN, few), 15, 5);
  say(
    "the same with two findings, the widest look-ahead, median",
    `${quantile(open, 0.5).toFixed(1)} ms`,
    "under 50 ms",
    quantile(open, 0.5) < 50,
  );
  let right = 0;
  let minutes = 0;
  for (let seed = 0; seed < BOARDS.length; seed++) {
    const r = await bench(seed);
    right += r.right ? 1 : 0;
    minutes += r.minutes;
    console.log(
      `  board ${seed}, truth ${r.truth}: ${r.right ? "right" : "WRONG"}, ${r.lead} after ${Math.round(r.minutes)} min of ${r.tests.length} tests (${r.tests.join(", ")})`,
    );
  }
  say(
    "seeded boards judged rightly by the advice",
    `${right} of ${BOARDS.length}, ${Math.round(minutes / BOARDS.length)} min of tests each on average`,
  );
}
