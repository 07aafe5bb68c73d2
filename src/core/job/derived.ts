import { type Build, type BuildIndex, indexBuild, seenAtHome, worked } from "../build";
import {
  type Change,
  codeKey,
  compareFit,
  type FitRow,
  NOT_BY_EYE,
  type Overall,
  overallVerdict,
  type Panel as PanelData,
  unknownPanel,
} from "../panel";
import {
  type Check,
  type CheckTable,
  type Disturbed,
  EARLIER_CHECKS,
  judgeFaults,
  type Pass,
  type Policy,
  requiredChecks,
} from "../proof";
import { type Findings, findingsWithMarks, type TriageTable } from "../triage";
import { arrivalItems } from "./match/arrivalItems";
import { ARRIVAL_ITEMS } from "./payloadWords";
import type { ArrivalItem, JobState, Snapshots } from "./state";
import { seated } from "./subject";

/** A state together with the snapshots its events name. */
export interface JobView {
  state: JobState;
  snapshots: Snapshots;
}

const snapshot = <K extends Snapshots[string]["kind"]>(v: JobView, kind: K, hash: string | null | undefined) => {
  const s = hash ? v.snapshots[hash] : undefined;
  return s?.kind === kind ? (s.data as Extract<Snapshots[string], { kind: K }>["data"]) : null;
};

/**
 * The build of a job with what was found on it, looked up by id; null before there is a plan.
 * @example buildOf(view).build.id // "ostrel-kestrel-14"
 */
export const buildOf = (v: JobView): BuildIndex | null => {
  const b: Build | null = snapshot(v, "build", v.state.plan?.buildHash);
  return b ? indexBuild(asWorked(v, b)) : null;
};
/**
 * A build as this job works on it: with what was found, the supply and the way of trying a lamp that were chosen. A panel known
 * to be lit by a lamp makes it a lamp-lit machine, whatever its build says.
 * @example asWorked(view, build).isolation.testSupply // "mains"
 */
export function asWorked(v: JobView, build: Build): Build {
  const { plan, finds, mends } = v.state;
  const lit = [oldPanelOf(v), candidateOf(v)].some((p) => p?.backlight.value === "ccfl");
  return worked(build, { finds, mends, lit, warming: plan?.warming, supply: plan?.supply, lampTest: plan?.lamp?.test });
}
/** The machine the match was held against: the plan's build, else the one named when the candidate was chosen. */
const matchBuildOf = (v: JobView): Build | null => buildOf(v)?.build ?? snapshot(v, "build", v.state.match.chosen?.buildHash);
/** The policy faults of this job are judged by; null before one was tapped. @example policyOf(view) // null */
export const policyOf = (v: JobView): Policy | null => snapshot(v, "policy", v.state.prove.policyHash);
/** The panel that was chosen, as the job keeps it; null before. @example candidateOf(view).code // "GV140FHB-K31" */
export const candidateOf = (v: JobView): PanelData | null => snapshot(v, "panel", v.state.match.chosen?.panelHash);

/** How strong a reading of the old panel is: a label beats an EDID, an EDID a model list, anything a guess. */
const STRENGTH: Record<string, number> = { L: 3, E: 2, S: 1, G: 0 };

/**
 * The reading that says which panel is fitted: the strongest, the newest among equals; null before the first.
 * @example panelReading(s).source // "L"
 */
export function panelReading(state: JobState) {
  let best: JobState["identify"]["readings"][number] | null = null;
  for (const r of state.identify.readings) if (!best || STRENGTH[r.source]! >= STRENGTH[best.source]!) best = r;
  return best;
}

/**
 * The panel in the machine: its snapshot, or a record with everything unknown for a code not in the catalogue.
 * @example oldPanelOf(view).code // "GV140FHB-K31"
 */
export function oldPanelOf(v: JobView): PanelData | null {
  const r = panelReading(v.state);
  if (!r) return null;
  return snapshot(v, "panel", r.panelHash) ?? unknownPanel(r.code);
}

/** Both labels were read, old and new, and say the same code to its last character: it is the same part, whatever nobody recorded of it. */
function sameByLabel(v: JobView, candidate: string): boolean {
  const old = panelReading(v.state);
  const came = v.state.match.arrived;
  if (!old || !came || old.source !== "L") return false;
  return codeKey(old.code) === codeKey(came.codeRead) && codeKey(came.codeRead) === codeKey(candidate);
}

/**
 * Rows of the comparison with what the looks on arrival have settled. Null until both panels are named.
 * @example fitOf(view).overall.kind // "same"
 */
export function fitOf(v: JobView, build: Build | null = matchBuildOf(v)): { rows: FitRow[]; overall: Overall } | null {
  const old = oldPanelOf(v);
  const cand = candidateOf(v);
  if (!old || !cand) return null;
  const samePart = sameByLabel(v, cand.code);
  const rows = compareFit(old, cand, build).map((r): FitRow => {
    const look = v.state.match.looks[r.field];
    if (r.verdict !== "unknown") return r;
    // Where sources disagree, one of the two labels may be of another part: that is settled by a look.
    // A label on the panel inside says nothing of the lid round it.
    if (!look && samePart && !r.disputed && !r.round)
      return { ...r, verdict: "same", words: "same code", reason: `Both labels read ${cand.code}: the same part.` };
    if (!look) return r;
    if ((r.notByEye || NOT_BY_EYE.includes(r.field)) && look.source === "M") return r;
    return look.result === "agrees"
      ? { ...r, verdict: "same", words: "looked at, agrees", reason: look.note || "Looked at on arrival." }
      : { ...r, verdict: "stop", words: "looked at, differs", reason: look.note || "The part in hand differs.", ...r.round };
  });
  return { rows, overall: overallVerdict(rows) };
}

/** A change the fit asks for, by field, with whether it is made. */
export interface ChangeToMake extends Change {
  field: string;
  made: boolean;
}

/** What the chosen panel asks for beside a plain swap, in table order. @example changesOf(view).length // 0 */
export function changesOf(v: JobView): ChangeToMake[] {
  return (fitOf(v)?.rows ?? []).flatMap((r) =>
    r.verdict === "change" && r.change ? [{ ...r.change, field: r.field, made: !!v.state.changesMade[r.field] }] : [],
  );
}

/** Items of the arrival check nobody has answered, and those found wrong. @example arrivalStatus(s).open // [] */
export function arrivalStatus(s: JobState): { open: ArrivalItem[]; wrong: ArrivalItem[] } {
  // What is asked today of a part that was put in before it was asked is no question any more.
  const asked = seated(s) ? [] : arrivalItems(s.bought);
  return {
    open: asked.filter((i) => !s.match.arrival[i]),
    wrong: ARRIVAL_ITEMS.filter((i) => s.match.arrival[i]?.result === "wrong"),
  };
}

/** True once the panel that came was looked at, item by item, and nothing is wrong with it. @example panelIsHere(s) // true */
export function panelIsHere(s: JobState): boolean {
  const { open, wrong } = arrivalStatus(s);
  return s.match.arrived !== null && open.length === 0 && wrong.length === 0;
}

/**
 * Answers to the table's findings: what was recorded, and what the marks on the drawing say.
 * @example findingsOf(view, table, build).cracks // "yes"
 */
export function findingsOf(v: JobView, table: TriageTable, build: Build | null): Findings {
  return findingsWithMarks(table, v.state.triage.damage, build?.lid.opening ?? null, v.state.triage.findings);
}

/**
 * Screws still away from home: out and not accounted for, or loosened and not tightened.
 * @example screwsOpen(opened.state).out.length // 7
 */
export function screwsOpen(s: JobState): { out: string[]; loose: string[] } {
  const out: string[] = [];
  const loose: string[] = [];
  for (const [id, st] of Object.entries(s.screws)) {
    if (st === "out") out.push(id);
    if (st === "loosened") loose.push(id);
  }
  return { out, loose };
}

/** What this repair has touched. @example disturbedOf(opened).connectors // ["battery-plug", "display-plug"] */
export function disturbedOf(v: JobView): Disturbed {
  const b = buildOf(v);
  const groups = new Set<string>();
  if (b)
    for (const id of Object.keys(v.state.screws)) {
      const g = b.groupOfScrew.get(id);
      if (g) groups.add(g.id);
    }
  const s = v.state;
  const happened = s.triage.context.happened;
  // Its plug is at hand until its cover is on; what was seen there stays seen.
  const home = (b ? seenAtHome(b) : []).filter((c) => s.prove.open[c.serves] || c.under.every((p) => s.parts[p] === "out"));
  return {
    connectors: Object.keys(s.touched),
    groups: [...groups],
    parts: Object.keys(s.parts),
    live: Object.keys(s.live),
    late: [
      ...Object.keys(s.prove.late),
      // Still off with the new panel in: the open pass cannot look at what it serves.
      ...(s.subject === "placed" || s.subject === "fixed"
        ? Object.keys(s.connectors).filter((c) => s.connectors[c] === "off")
        : []),
    ],
    home: home.map((c) => c.id),
    replaced: s.subject === "placed" || s.subject === "fixed",
    oled: candidateOf(v)?.technology.value === "OLED",
    tape: Object.keys(s.bond.laid).length > 0,
    films: s.bond.backFilmOff,
    heat: s.heat.passes > 0,
    liquid: s.wet !== null || happened === "drop" || happened === "liquid",
  };
}

/** The table of checks this job is held to: the one its plan was made with. @example checkTableOf(view).version // 1 */
export const checkTableOf = (v: JobView): CheckTable => snapshot(v, "checks", v.state.plan?.checksHash) ?? EARLIER_CHECKS;

/**
 * The checks this repair needs so far, in the order of work.
 * @example checksOf(view).map((c) => c.id) // ["picture", "solid", "evenness", "seamsLook", "screwCount", "start"]
 */
export const checksOf = (v: JobView): Check[] => {
  const b = buildOf(v);
  if (!b) return [];
  const table = checkTableOf(v);
  const asked = requiredChecks(b.build, disturbedOf(v), table);
  // What nobody asked for and somebody looked at all the same counts as well.
  const more = table.checks.filter(
    (r) => v.state.prove[r.pass][r.id] && !asked.some((c) => c.pass === r.pass && c.id.replace(/-.*/, "") === r.id),
  );
  return [
    ...asked,
    ...more.map((r) => ({
      id: r.id,
      name: r.name,
      how: r.how,
      pass: r.pass,
      because: "Looked at, though nothing asked for it",
      minutes: r.minutes,
      answer: r.answer,
      deferrable: r.deferrable ?? false,
    })),
  ];
};

/** Checks in a sentence: the first three, and how many more. @example checkWords([]) // "" */
export function checkWords(checks: readonly Check[]): string {
  // A name that begins with an abbreviation keeps it.
  const small = (n: string) => (/^[A-Z]{2}/.test(n) ? n : `${n[0]!.toLowerCase()}${n.slice(1)}`);
  const names = checks.slice(0, 3).map((c) => small(c.name));
  return checks.length > 4 ? `${names.join("; ")} and ${checks.length - 3} more` : checks.map((c) => small(c.name)).join("; ");
}

export interface PassStatus {
  complete: boolean;
  untested: Check[];
  failed: Check[];
  /** Still to be looked at once its lead is home, before that is covered: no part of the pass itself. */
  atHome: Check[];
  tooManyFaults: boolean;
}

/**
 * How one pass of Prove stands: complete only when every required check passed and faults are within policy or accepted.
 * @example passStatus(view, "open").untested.length // 3
 */
export function passStatus(v: JobView, pass: Pass): PassStatus {
  const checks = checksOf(v).filter((c) => c.pass === pass);
  const done = v.state.prove[pass];
  const open = checks.filter((c) => !done[c.id] || done[c.id]!.result === "unclear");
  const untested = open.filter((c) => !c.home);
  const failed = checks.filter((c) => done[c.id]?.result === "fail");
  const policy = policyOf(v);
  const pixels = candidateOf(v)?.pixels.value ?? oldPanelOf(v)?.pixels.value ?? null;
  const faults = v.state.prove.faults;
  const tooManyFaults =
    faults.length > 0 &&
    !v.state.prove.accepted &&
    (!policy ||
      judgeFaults(
        policy,
        pixels,
        faults.map((f) => f.class),
      ).some((r) => !r.ok));
  return {
    complete: checks.length > 0 && untested.length === 0 && failed.length === 0 && !(pass === "open" && tooManyFaults),
    untested,
    failed,
    atHome: open.filter((c) => c.home),
    tooManyFaults,
  };
}

/**
 * Same letters and digits, whatever the case, spaces and hyphens.
 * @example sameCode("gv140 fhb-k31", "GV140FHB-K31") // true
 */
export const sameCode = (a: string, b: string): boolean =>
  a.toUpperCase().replace(/[^A-Z0-9]/g, "") === b.toUpperCase().replace(/[^A-Z0-9]/g, "");
