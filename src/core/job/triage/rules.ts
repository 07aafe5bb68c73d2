import { listed } from "../../quantity";
import { judgeReading, meterRefusal, modeWords, type TriageTable } from "../../triage";
import { no } from "../answer";
import { placeOf } from "../clock";
import type { JobEvent } from "../event";
import type { Payload } from "../payloads";
import { endIsolation, packCut, powerOf } from "../power";
import type { RulesOf } from "../rule";
import type { JobState, Snapshots } from "../state";
import type { triagePayloads } from "./payloads";

/** Note of the stop that an answer to "is there cover" raises by itself. */
const COVER_NOTE = "Cover was reported at intake";

const spotOf = (
  snapshots: Snapshots,
  p: { tableHash: string; point: string; mode: string },
): TriageTable["meter"][number] | undefined => {
  const table = snapshots[p.tableHash];
  return table?.kind === "triage" ? table.data.meter.find((m) => m.point === p.point && m.mode === p.mode) : undefined;
};

/** Liquid is told of: nothing powers the machine from here on. Told and corrected, it was never there. */
function liquidTold(s: JobState, place: string): void {
  const told = s.triage.context.happened === "liquid" || s.triage.findings.liquidMarks === "yes";
  if (told) s.wet ??= { since: place, cleared: null };
  else if (s.wet && !s.wet.cleared && !s.hazards.liquidPowerOn) s.wet = null;
}

/** A test that is done on a machine that runs. */
const runsIt = (p: Payload<"triage.testDone">, { snapshots }: { snapshots: Snapshots }): boolean => {
  if (p.outcome === "notDone") return false;
  const table = snapshots[p.tableHash];
  const f = table?.kind === "triage" ? table.data.findings.find((x) => x.id === p.finding) : undefined;
  return !f || f.runs === true || (f.power !== "isolated" && f.runs !== false);
};

/** A finding has its answer, whether it was seen or tested. */
const answered = (s: JobState, p: Payload<"triage.signSeen" | "triage.testDone">, { e }: { e: JobEvent }): void => {
  s.triage.findings[p.finding] = p.outcome;
  s.triage.tableHash = p.tableHash;
  if (p.finding === "liquidMarks") liquidTold(s, placeOf(e));
};

export const triageRules = {
  "triage.signSeen": {
    name: "a sign seen",
    on: "desk",
    relies: { tableHash: "triage" },
    apply: answered,
  },
  "triage.testDone": {
    name: "a test done",
    on: "desk",
    powers: runsIt,
    relies: { tableHash: "triage" },
    apply: answered,
  },
  "triage.damageMarked": {
    name: "damage marked",
    on: "desk",
    // Version 1 knew no direction: its lines were drawn from top to bottom.
    lift: [(p) => ({ ...p, direction: p.kind === "lines" ? "vertical" : null, movesWithLid: false })],
    apply: (s, p, { e }) => {
      s.triage.damage.push({ ...p, eventId: e.id });
    },
  },
  "triage.contextSet": {
    name: "what is known of the machine",
    on: "desk",
    apply: (s, p, { e }) => {
      s.triage.context = p;
      liquidTold(s, placeOf(e));
      // Cover that may pay is a stop by itself, until it is used or waived with a reason.
      if (p.cover === "yes") s.moneyStops.warranty ??= { note: COVER_NOTE, waived: null };
      // Corrected to no: the stop that only the answer had raised goes with it; one raised by hand stays.
      else if (p.cover === "no" && s.moneyStops.warranty?.note === COVER_NOTE && s.moneyStops.warranty.waived === null)
        delete s.moneyStops.warranty;
    },
  },
  "triage.meterRead": {
    name: "a meter reading",
    on: "desk",
    powers: (p) => p.mode === "dcVolts",
    relies: { tableHash: "triage" },
    may: (p, v) => {
      if (!spotOf(v.snapshots, p)) return no("meter", `The table has no ${modeWords(p.mode).toLowerCase()} at "${p.point}".`);
      const refused = meterRefusal(p.mode, powerOf(v).state);
      return refused ? no("meter", refused) : null;
    },
    apply: (s, p, { e, snapshots }) => {
      const spot = spotOf(snapshots, p);
      const judged = spot ? judgeReading(spot, p.value) : null;
      s.triage.readings.push({
        ...p,
        eventId: e.id,
        clock: placeOf(e),
        finding: spot?.finding ?? null,
        words: judged?.words ?? "",
      });
      if (spot && judged) {
        s.triage.findings[spot.finding] = judged.outcome;
        s.triage.tableHash = p.tableHash;
      }
      // Volts are there to be read only on a live machine: the reading says it is.
      if (p.mode === "dcVolts") {
        s.bench.shutDown = false;
        s.bench.running = true;
        endIsolation(s, placeOf(e));
      }
    },
  },
  "triage.conditionNoted": {
    name: "the condition noted",
    on: "desk",
    apply: (s, p, { e }) => {
      s.triage.condition.push({ ...p, eventId: e.id });
    },
  },
  "triage.intakeAgreed": {
    name: "what was agreed at intake",
    on: "desk",
    apply: (s, p) => {
      s.triage.intake = p;
    },
  },
  "triage.moneyStopRaised": {
    name: "a money stop",
    on: "desk",
    apply: (s, p) => {
      s.moneyStops[p.stop] = { note: p.note, waived: null };
    },
  },
  "triage.moneyStopWaived": {
    name: "a money stop waived",
    on: "desk",
    may: (p, { s }) => (s.moneyStops[p.stop] ? null : no("money", "That stop was never raised.")),
    apply: (s, p) => {
      const m = s.moneyStops[p.stop];
      if (m) m.waived = p.reason;
    },
  },
  "triage.liquidCleared": {
    name: "liquid cleared",
    on: "desk",
    may: (_, { s, b }) => {
      if (!s.wet) return no("liquid", "No liquid was told of.");
      if (s.wet.cleared) return no("liquid", "That is recorded.");
      if (s.bench.mains !== "out") return no("liquid", "Take the mains out first, and record it.");
      if (b && !packCut(s, b))
        return no(
          "liquid",
          b.build.isolation.by === "batteryOffMode"
            ? "The pack is still on: enter battery-off mode, or take it off, and record it."
            : `The pack is still on: open ${listed(b.powerPoints.filter((c) => s.connectors[c.id] !== "off").map((c) => c.name.toLowerCase()))} first, and record it.`,
        );
      return null;
    },
    apply: (s, p, { e }) => {
      s.wet = { since: s.wet?.since ?? placeOf(e), cleared: { how: p.how, clock: placeOf(e) } };
    },
  },
  "triage.concluded": {
    name: "the verdict of Triage",
    on: "desk",
    relies: { tableHash: "triage" },
    apply: (s, p) => {
      s.triage.concluded = p;
      s.triage.tableHash = p.tableHash;
    },
  },
} satisfies RulesOf<typeof triagePayloads>;
