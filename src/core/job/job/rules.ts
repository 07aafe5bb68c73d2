import { counted, listed } from "../../quantity";
import { type Answer, no } from "../answer";
import { placeOf } from "../clock";
import { mayHandOver } from "../close/handOver";
import { buildOf, type JobView } from "../derived";
import type { RulesOf } from "../rule";
import { stillAway } from "../stillAway";
import type { jobPayloads } from "./payloads";

/** A job is not closed over an open machine, whatever its outcome. */
function leftOpen(v: JobView): Answer {
  const s = v.state;
  const b = buildOf(v);
  const { screws: out, loose, parts } = stillAway(v);
  const cables = Object.keys(s.connectors).filter((c) => s.connectors[c] === "off");
  const left = [
    out.length ? `${counted(out.length, "screw")} out` : "",
    loose.length ? `${counted(loose.length, "screw")} loosened` : "",
    s.subject === "out" ? "the panel out" : "",
    ...parts.map((p) => `${b?.part.get(p)?.name.toLowerCase() ?? p} off`),
    ...cables.map((c) => `${b?.connector.get(c)?.name.toLowerCase() ?? c} off`),
  ].filter(Boolean);
  return left.length ? no("job", `The machine is open: ${listed(left)}.`) : null;
}

export const jobRules = {
  "job.opened": {
    name: "the job opened",
    on: "desk",
    beforeOpening: true,
    noAct: true,
    stays: "A job stays opened. Close it instead.",
    may: (_, { s }) => (s.job ? no("job", "This job is open already.") : null),
    apply: (s, p, { e }) => {
      s.job = p;
      s.openedClock = placeOf(e);
    },
  },
  "job.promised": {
    name: "a promise",
    on: "desk",
    apply: (s, p) => {
      if (s.job) s.job = { ...s.job, promiseAt: p.promiseAt };
    },
  },
  "job.tookFirst": {
    name: "a place in the queue",
    on: "desk",
    may: (p, { s }) =>
      (s.job?.first ?? false) === p.first ? no("job", p.first ? "It is taken first already." : "It was not taken first.") : null,
    apply: (s, { first }) => {
      if (!s.job) return;
      const { first: _, ...rest } = s.job;
      s.job = first ? { ...rest, first } : rest;
    },
  },
  "job.edited": {
    name: "the job's words put right",
    on: "desk",
    always: true,
    may: (p, { s }) =>
      p.machineModel === undefined || p.machineModel === s.job?.machineModel
        ? null
        : s.plan
          ? no("job", `The way is planned for ${s.job?.machineModel}. Take the plan back before the machine is changed.`)
          : s.match.chosen
            ? no(
                "job",
                `${s.match.chosen.code} was chosen for ${s.job?.machineModel}. Take that back before the machine is changed.`,
              )
            : null,
    apply: (s, p) => {
      if (s.job) s.job = { ...s.job, ...p };
    },
  },
  "job.putOff": {
    name: "the job put off",
    on: "desk",
    always: true,
    apply: (s, p) => {
      s.putOff = p;
    },
  },
  "job.takenUp": {
    name: "the job taken up again",
    on: "desk",
    always: true,
    may: (_, { s }) => (s.putOff ? null : no("job", "This job was not put off.")),
    apply: (s) => {
      s.putOff = null;
    },
  },
  "job.reopened": {
    name: "the job opened again",
    on: "desk",
    always: true,
    afterClosing: true,
    may: (_, { s }) => (s.closed ? null : no("job", "This job is open.")),
    apply: (s, p, { e }) => {
      s.closed = null;
      s.close = { ...s.close, handedOver: null };
      s.notes.push({ eventId: e.id, clock: placeOf(e), who: e.who, text: `Opened again: ${p.why}`, photo: null });
    },
  },
  "job.noted": {
    name: "a note",
    inStock: true,
    on: "desk",
    always: true,
    afterClosing: true,
    apply: (s, p, { e }) => {
      s.notes.push({ eventId: e.id, clock: placeOf(e), who: e.who, text: p.text, photo: p.photo ?? null });
    },
  },
  "job.actDiscarded": {
    name: "an act let go",
    inStock: true,
    on: "desk",
    always: true,
    afterClosing: true,
    stays: "What was let go stays in the log. Record it anew.",
    apply: (s, p, { e }) => {
      s.notes.push({ eventId: e.id, clock: placeOf(e), who: e.who, text: `Let go: ${p.words}`, photo: null });
    },
  },
  "job.redacted": {
    name: "personal words removed",
    on: "desk",
    always: true,
    afterClosing: true,
    noAct: true,
    stays: "What was removed is gone for good.",
    may: (_, { s }) => (s.closed ? null : no("job", "Words of a job are removed once it is closed.")),
    apply: (s, p, { e }) => {
      s.notes.push({
        eventId: e.id,
        clock: placeOf(e),
        who: e.who,
        text: `Personal words removed from ${p.events} entries.`,
        photo: null,
      });
    },
  },
  "job.mishapNoted": {
    name: "a mishap",
    on: "desk",
    apply: (s, p) => {
      s.mishaps.push(p);
    },
  },
  "job.takenBack": {
    name: "an entry taken back",
    on: "desk",
    always: true,
    afterClosing: true,
    noAct: true,
    stays: "What was taken back stays so. Record it anew.",
    apply: () => undefined,
  },
  "job.safetyRaised": {
    name: "a safety stop",
    on: "desk",
    always: true,
    stays: "A safety stop is not taken back. Record how it was made safe.",
    apply: (s, p, { e }) => {
      if (p.hazard === "liquidPowerOn") s.wet ??= { since: placeOf(e), cleared: null };
      s.hazards[p.hazard] = { note: p.note, madeSafe: null };
    },
  },
  "job.madeSafe": {
    name: "how it was made safe",
    on: "desk",
    always: true,
    may: (p, { s }) => (s.hazards[p.hazard] ? null : no("safety", "That was never raised.")),
    apply: (s, p) => {
      const h = s.hazards[p.hazard];
      if (h) h.madeSafe = { by: p.by, how: p.how };
    },
  },
  "job.handedOn": {
    name: "the machine handed on",
    on: "desk",
    always: true,
    apply: (s, p) => {
      s.handedOn = p.to;
    },
  },
  "job.breachResolved": {
    name: "a breach resolved",
    on: "desk",
    always: true,
    may: (p, { s }) => (s.breaches.some((b) => b.eventId === p.eventId) ? null : no("breach", "There is no such breach.")),
    apply: (s, p) => {
      const x = s.breaches.find((y) => y.eventId === p.eventId);
      if (x) x.resolved = p.how;
    },
  },
  "job.closed": {
    name: "the job closed",
    on: "desk",
    throughStop: (p, s) => p.outcome === "handedOn" && s.handedOn !== null,
    may: (p, v) => {
      if (p.outcome !== "handedOver") return leftOpen(v);
      return v.s.close.handedOver ? null : (mayHandOver(v) ?? no("mayHandOver", "Hand the machine over first."));
    },
    apply: (s, p, { e }) => {
      s.closed = p;
      s.closedClock = placeOf(e);
      s.putOff = null;
    },
  },
} satisfies RulesOf<typeof jobPayloads>;
