import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { type Build, parseBuild } from "@/core/build";
import { CauseTable } from "@/core/causes";
import type { Act } from "@/core/job";
import {
  ARRIVAL_ITEMS,
  apply,
  buildOf,
  compareEvents,
  eventGate,
  fold,
  type JobEvent,
  type JobState,
  type JobView,
  newestVersion,
  nextClock,
  type Snapshot,
} from "@/core/job";
import type { Panel } from "@/core/panel";
import { Procedure } from "@/core/procedure";
import { SHIPPED_CHECKS } from "@/core/proof";
import type { Step } from "@/core/teardown";
import { nextAct, progressOf } from "@/core/teardown";
import { TriageTable } from "@/core/triage";
import { contentHash } from "@/data/referenceStore";

const root = process.cwd();
const json = (file: string) => JSON.parse(readFileSync(join(root, "data", file), "utf8"));
const sha = contentHash;

export const builds = Object.fromEntries(
  readdirSync(join(root, "data/demo/builds")).map((file) => {
    const id = file.replace(/\.json$/, "");
    const r = parseBuild(readFileSync(join(root, "data/demo/builds", file), "utf8"));
    if (!r.ok) throw new Error(JSON.stringify(r.problems));
    return [id, r.build];
  }),
);
export const panels: Record<string, Panel> = Object.fromEntries(
  (json("demo/panels.json").panels as Panel[]).map((p) => [p.id, p]),
);
export const triageTable: TriageTable = TriageTable.parse(json("reference/triage.json"));
export const policy = json("reference/policy.json");
export const causeTable = CauseTable.parse(json("reference/causes.json"));
export const procedure = Procedure.parse(json("demo/procedures/pellow-lid-then-panel.json"));

export interface RefHashes {
  build: Record<string, string>;
  panel: Record<string, string>;
  triage: string;
  policy: string;
  checks: string;
  causes: string;
  procedure: string;
}
export const hashes: RefHashes = {
  build: {},
  panel: {},
  triage: sha(triageTable),
  policy: sha(policy),
  checks: sha(SHIPPED_CHECKS),
  causes: sha(causeTable),
  procedure: sha(procedure),
};
export const snapshots: Record<string, Snapshot> = {
  [hashes.triage]: { kind: "triage", data: triageTable },
  [hashes.policy]: { kind: "policy", data: policy },
  [hashes.checks]: { kind: "checks", data: SHIPPED_CHECKS },
  [hashes.causes]: { kind: "causes", data: causeTable },
  [hashes.procedure]: { kind: "procedure", data: procedure },
};
for (const [id, data] of Object.entries(builds)) {
  hashes.build[id] = sha(data);
  snapshots[sha(data)] = { kind: "build", data };
}
for (const [id, data] of Object.entries(panels)) {
  hashes.panel[id] = sha(data);
  snapshots[sha(data)] = { kind: "panel", data };
}

/** A panel invented to fit a build without a question: for jobs that are about the taking apart. */
function fittingPanel(build: Build): Panel {
  const { lid } = build;
  const d = <T>(value: T) => ({ value, source: "D" as const });
  const like = panels["gv140fhb-k31"]!;
  return {
    ...like,
    id: `fits-${build.id}`,
    code: `GV${Math.round(lid.opening.widthMm)}FIT-T01`,
    outline: d({ widthMm: lid.pocket.widthMm - 1, heightMm: lid.pocket.heightMm - 1 }),
    active: d({ widthMm: lid.opening.widthMm, heightMm: lid.opening.heightMm }),
    activeAt: d({ xMm: lid.opening.xMm - lid.panelAt.xMm, yMm: lid.opening.yMm - lid.panelAt.yMm }),
    thicknessMm: d(lid.pocketDepthMm - 0.2),
  };
}
const fitting: Record<string, Panel> = {};
/** Makes a panel known that fits this build. */
export function fitPanelTo(build: Build): string {
  const data = fittingPanel(build);
  fitting[data.id] = data;
  hashes.panel[data.id] = sha(data);
  snapshots[sha(data)] = { kind: "panel", data };
  return data.id;
}
for (const build of Object.values(builds)) fitPanelTo(build);

/** What a hand does at a step when all goes well: the plate's act, or the answer the step asks for. */
export function handAct(view: JobView, now: Step): Act {
  if (now.kind === "looseTest")
    return (
      nextAct(view, now) ?? {
        type: "swap.looseTested",
        payload: { supply: buildOf(view)!.build.isolation.testSupply, picture: true, note: "" },
      }
    );
  if (now.kind === "look") return { type: "open.looked", payload: { of: now.target, as: "described", words: "" } };
  if (now.kind === "angle") return { type: "close.angleChecked", payload: { degrees: 120 } };
  if (now.kind === "handOver") return { type: "close.handedOver", payload: { to: "Reading Room" } };
  const act = nextAct(view, now);
  if (!act) throw new Error(`nothing to do at ${now.id}`);
  return act;
}

/** A bench for tests: records acts as one device would, with the gate asked or, on demand, not. */
export class TestBench {
  events: JobEvent[] = [];
  clock: string | null = null;
  n = 0;
  ms = 1_770_000_000_000;
  constructor(
    readonly device = "device-a",
    readonly jobId = "00000000-0000-7000-8000-000000000001",
  ) {}

  private told: { events: JobEvent[]; ids: string; state: JobState } | null = null;
  /** The fold of the log. One event more at its end is applied to the fold before it: a whole job is walked in a moment. */
  get state(): JobState {
    const { told, events } = this;
    const ids = events.map((e) => e.id).join();
    if (told?.events === events && told.ids === ids) return told.state;
    const last = events.at(-1);
    const before = events.slice(0, -1);
    const onto =
      last &&
      told?.events === events &&
      told.ids === before.map((e) => e.id).join() &&
      last.type !== "job.takenBack" &&
      before.every((e) => compareEvents(e, last) < 0);
    let state: JobState;
    if (onto) {
      state = structuredClone(told.state);
      const shut = eventGate({ state, snapshots }, last);
      apply(state, snapshots, last);
      if (shut) state.breaches.push({ eventId: last.id, gate: shut.gate, reason: shut.reason, resolved: null });
    } else state = fold(events, snapshots);
    this.told = { events, ids, state };
    return state;
  }
  get view() {
    return { state: this.state, snapshots };
  }
  make(act: Act): JobEvent {
    this.ms += 30_000;
    this.n += 1;
    this.clock = nextClock(this.clock, this.ms);
    const tail = `${this.device
      .charCodeAt(this.device.length - 1)
      .toString(16)
      .padStart(4, "0")}${String(this.n).padStart(8, "0")}`;
    return {
      id: `01900000-0000-7000-8000-${tail}`,
      jobId: this.jobId,
      v: newestVersion(act.type),
      who: "Bench 1",
      device: this.device,
      clock: this.clock,
      seen: 0,
      ...act,
    } as JobEvent;
  }
  /** Records one act through its gate; throws the reason when it is shut. */
  do(type: Act["type"], payload: unknown = {}): JobEvent {
    const e = this.make({ type, payload } as Act);
    const shut = eventGate(this.view, e);
    if (shut) throw new Error(`${type}: ${shut.reason}`);
    this.events.push(e);
    return e;
  }
  /** Why this act would be refused now, or null. */
  why(type: Act["type"], payload: unknown = {}): string | null {
    const before = { n: this.n, ms: this.ms, clock: this.clock };
    const shut = eventGate(this.view, this.make({ type, payload } as Act));
    Object.assign(this, before);
    return shut?.reason ?? null;
  }
  /** Follows the plan until a step of this id is the one to do. */
  until(stop: string | null): this {
    return this.follow((_, now) => now === stop);
  }
  /** Follows the plan until this holds, or to its end. */
  follow(done: (state: JobState, step: string) => boolean): this {
    for (let i = 0; i < 400; i++) {
      const now = progressOf(this.view)?.now;
      if (!now || done(this.state, now.id)) return this;
      const act = handAct(this.view, now);
      this.do(act.type, act.payload);
    }
    throw new Error("never came there");
  }
}

/** A job opened, found to be the panel, matched, ordered, arrived and planned. */
export function plannedJob(family: "B" | "C" = "C", b = new TestBench()): TestBench {
  return family === "C" ? jobOn("ostrel-kestrel-14", "gv140fhb-k31", b) : jobOn("tollund-cairn-11-cb", "tq116wha-r02", b);
}
/** A planned job on a machine of the demo, with the same panel going back in. */
export function jobOn(build: string, panel = `fits-${build}`, b = new TestBench()): TestBench {
  const code = (panels[panel] ?? fitting[panel]!).code;
  b.do("job.opened", {
    number: "H-1",
    customer: "Reading Room",
    words: "",
    machineModel: builds[build]!.machineModel,
    serial: "",
    promiseAt: null,
    happened: "",
  });
  b.do("triage.signSeen", { finding: "cracks", outcome: "yes", tableHash: hashes.triage });
  b.do("triage.concluded", { verdict: "panel", fault: "panelCell", probability: 0.9, tableHash: hashes.triage });
  b.do("identify.panelRead", { way: "label", text: code, code, panelHash: hashes.panel[panel], source: "L" });
  b.do("match.chosen", { panelHash: hashes.panel[panel], code, buildHash: hashes.build[build] });
  b.do("match.ordered", {
    panelHash: hashes.panel[panel],
    seller: "Brightwater Panels",
    priceMinor: 8420,
    currency: "EUR",
    dueDays: 6,
    acceptedUnknowns: [],
    confirmed: true,
  });
  b.do("match.arrived", { codeRead: code });
  for (const item of ARRIVAL_ITEMS) if (item !== "code") b.do("match.arrivalChecked", { item, result: "good", note: "" });
  b.do("plan.made", { buildHash: hashes.build[build], goal: "subjectOut", checksHash: hashes.checks });
  return b;
}
