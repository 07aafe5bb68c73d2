import { setTimeout as rest } from "node:timers/promises";
import { TestBench } from "@tests/bench";
import { panelCsv } from "@tests/panelTableRows";
import { quantile, say } from "./stats";

const ISO = "2026-06-01T00:00:00.000Z";
const GAP_MS = 8;

/** Appends of a bench at work while a table of 10,000 panels is read in the same server, beside the same appends alone. */
export async function benchImport(): Promise<void> {
  const { appendOne } = await import("@/server/append");
  const { startPanelImport, panelImport } = await import("@/server/panelImport");
  const b = new TestBench("device-z", "00000000-0000-7000-8000-000000000077");
  const opened = b.make({
    type: "job.opened",
    payload: {
      number: "H-77",
      customer: "Bench",
      words: "",
      machineModel: "Ostrel Kestrel 14",
      serial: "",
      promiseAt: null,
      happened: "",
    },
  });
  await appendOne(opened, Date.parse(ISO));
  const append = async (): Promise<number> => {
    const e = b.make({ type: "job.noted", payload: { text: "still working" } });
    const at = performance.now();
    const done = await appendOne(e, Date.parse(ISO));
    if (!done.ok) throw new Error(`${e.type}: ${done.reason}`);
    return performance.now() - at;
  };
  const idle: number[] = [];
  for (let i = 0; i < 150; i++) {
    idle.push(await append());
    await rest(GAP_MS);
  }
  const { id, done } = await startPanelImport(
    { name: "ten-thousand.csv", format: "csv", bytes: Buffer.from(panelCsv(10_000, 77)) },
    ISO,
  );
  let over = false;
  void done.then(() => {
    over = true;
  });
  const busy: number[] = [];
  const began = performance.now();
  while (!over) {
    busy.push(await append());
    await rest(GAP_MS);
  }
  await done;
  const seconds = (performance.now() - began) / 1000;
  const record = await panelImport(id);
  if (record?.rows !== 10_000) throw new Error(`read ${record?.rows} rows`);
  const p95 = quantile(busy, 0.95);
  say("10,000 panel rows tried, with the bench at work", `${seconds.toFixed(1)} s, ${busy.length} appends meanwhile`);
  say(
    "one append meanwhile, p95, beside idle p95",
    `${p95.toFixed(1)} ms, idle ${quantile(idle, 0.95).toFixed(1)} ms`,
    "under 100 ms",
    p95 < 100,
  );
}
