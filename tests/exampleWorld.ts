import { readFileSync } from "node:fs";
import { z } from "zod";
import { FamilyTable, indexBuild, type KeptFind } from "@/core/build";
import { CauseTable } from "@/core/causes";
import { decodeEdid } from "@/core/edid";
import { lidModel, type PlanHeatOptions } from "@/core/heat";
import { Together } from "@/core/heat/together";
import type { JobEvent } from "@/core/job";
import { panelEdid } from "@/core/panel";
import { DEFAULT_HOURS, type PromiseInput } from "@/core/promise";
import { measureEvenness } from "@/core/proof";
import { panelMap } from "@/core/proof/evenness/panelMap";
import { NO_LOG, type QuoteInput, QuotePolicy } from "@/core/quote";
import { drillOf, makePlan, screwSheet } from "@/core/teardown";
import { wayInAsk } from "@/core/teardown/wayIn/source";
import { NOTHING_KNOWN } from "@/core/triage";
import { modelOf } from "@/core/triage/hypotheses";
import { builds, hashes, panels, plannedJob, policy, snapshots, triageTable } from "./bench";
import { photoOf } from "./panelPhoto";

/** A panel whose light is even, measured from two small photos. */
function evenPanel() {
  const panel = { widthMm: 310, heightMm: 174 };
  const shot = { width: 900, height: 700, at: [0, 0, 620] as [number, number, number], focalPx: 860, noise: 0.004 };
  const said = measureEvenness(
    [photoOf(panel, { ...shot, aim: [62, 48], seed: 1 }), photoOf(panel, { ...shot, aim: [-58, -46], seed: 2 })],
    panel,
  );
  if (!said.ok) throw new Error(said.words);
  return said;
}

const read = (file: string): unknown => JSON.parse(readFileSync(`data/${file}.json`, "utf8"));
const build = builds["ostrel-kestrel-14"]!;
const b = indexBuild(build);
const job = plannedJob("C");
const view = job.view;
const opened = plannedJob("C").follow((s) => s.subject === "out").view;
const made = makePlan(build);
if (!made.ok) throw new Error(made.problem);
const panel = panels["gv140fhb-k31"]!;
const edid = panelEdid(panel);
if (!edid.ok) throw new Error(edid.problem);
const find: KeptFind = {
  kind: "hiddenScrew",
  holds: "base-cover",
  view: "base",
  xMm: 40,
  yMm: 60,
  words: "Under the label",
  screwType: null,
  connector: "friction",
  eventId: "01900000-0000-7000-8000-000000000042",
};
const event = { ...job.make({ type: "open.screwOut", payload: { screw: "no-such" } }) } as JobEvent;
const heatLid = lidModel(build, { cover: "al", cellMm: 8 });
const world = {
  z,
  build,
  b,
  view,
  s: view.state,
  opened,
  atStep: { ...view, s: view.state, b },
  events: job.events,
  event,
  snapshots,
  hashes,
  plan: made.plan,
  sheet: screwSheet(build, made.plan.out, "a4", "H-2417", "http://127.0.0.1"),
  drill: drillOf(build)!,
  ask: wayInAsk(b, made.plan.out, []),
  find,
  photoOfPlace: { view: "lid", xMm: 10, yMm: 10, words: "Hinge", hash: "0".repeat(64), widthPx: 640, heightPx: 480 },
  panel,
  old: panel,
  candidate: panels["gv140fhb-k36"]!,
  disputed: { ...panel, claims: [{ fact: "contacts", value: 40, source: "D", from: "list.csv" }] },
  spec: { field: "contacts", name: "Contacts", words: String, look: "Count the contacts" },
  grammar: read("reference/codeGrammar"),
  families: FamilyTable.parse(read("reference/families")),
  table: triageTable,
  model: modelOf(triageTable, NOTHING_KNOWN),
  policy,
  crack: { kind: "crack", xMm: 40, yMm: 60, sizeMm: 22, direction: null, movesWithLid: false },
  edidBytes: edid.bytes,
  timing: decodeEdid(edid.bytes).detailedTimings[0]!,
  edpInput: {
    mode: { pixelClockKHz: 138_500, refreshHz: 60 },
    clockFrom: "edid",
    bitsPerPixel: 24,
    lowestClockKHz: 130_000,
    lowerModes: [],
    board: { lanes: 2, ratesGbps: [2.7], compression: "no" },
    cable: { lanes: 2, maxRateGbps: 2.7 },
    panel: { lanes: 2, ratesGbps: [2.7], compression: "no" },
  },
  quoteInput: {
    policy: QuotePolicy.parse(read("reference/quote")),
    family: "C",
    machineModel: build.machineModel,
    plan: made.plan.minutes,
    panelNew: null,
    panelUsed: null,
    cover: "no",
    replacementMinor: null,
    log: NO_LOG,
  } satisfies QuoteInput,
  evenPanel: evenPanel(),
  flatMap: panelMap(
    { width: 4, height: 4, rgba: new Uint8ClampedArray(64).fill(128) },
    [
      [0, 0],
      [4, 0],
      [4, 4],
      [0, 4],
    ],
    { widthMm: 4, heightMm: 4 },
    { cellMm: 1, response: 1, k1: 0 },
  )!,
  DEFAULT_HOURS,
  promiseInput: {
    nowMin: 600,
    windows: [[540, 1020]],
    handover: [[600, 1020]],
    deliveries: { atMin: 660, days: [0] },
    benches: 1,
    order: null,
    ahead: { p50: 0, p80: 0 },
    hands: { p50: 60, p80: 60 },
    waitMin: 0,
  } satisfies PromiseInput,
  causeTable: CauseTable.parse(read("reference/causes")),
  heatLid,
  heatNet: heatLid.inner.face("back").net,
  heatTogether: new Together(heatLid, "back", 1, { likely: 1, upper: 1.15 }),
  heatOptions: {
    softC: 55,
    ceilingsC: { film: 60 },
    means: { by: "mat", setC: [60], widthMm: 300, heightMm: 200 },
  } satisfies PlanHeatOptions,
  NOTHING_OWN: { figures: {}, tools: {} },
  heatSpot: {
    do: "jet",
    edge: "top",
    fromMm: 150,
    toMm: 150,
    insetMm: 90,
    tool: "heatGun",
    nozzleC: 150,
    standOffMm: 60,
    seconds: 30,
  },
  surface: { fillStyle: "", fillRect: () => undefined },
  now: "2026-06-01T08:00:00.000Z",
};

/** What the examples in core's documentation may name: one machine, one job, two panels, the shipped tables. */
export const exampleWorld = (): typeof world => world;
