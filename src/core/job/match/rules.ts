import { NOT_BY_EYE, promised } from "../../panel";
import { listed } from "../../quantity";
import { type Answer, no } from "../answer";
import { placeOf } from "../clock";
import { buildOf, candidateOf, fitOf, type JobView, sameCode } from "../derived";
import type { Payload } from "../payloads";
import type { RulesOf } from "../rule";
import { freshBond, type JobState } from "../state";
import { seated } from "../subject";
import { mayOrder } from "./order";
import type { matchPayloads } from "./payloads";

function mayReturn(v: JobView, p: Payload<"match.returned">): Answer {
  const s = v.state;
  if (!s.match.order) return no("match", "Nothing is on order.");
  if (seated(s)) return no("match", "The new panel is seated. Lift it out first.");
  const b = buildOf(v);
  const on = s.subject === "out" ? (b?.subjectConnectors.filter((c) => s.connectors[c.id] === "on") ?? []) : [];
  if (on.length) return no("match", `Take it off first: ${listed(on.map((c) => c.name.toLowerCase()))}.`);
  const left = Object.keys(s.transplanted).filter((x) => !p.kept.includes(x));
  if (left.length)
    return no(
      "match",
      `Moved over to it: ${listed(left.map((x) => b?.part.get(x)?.name.toLowerCase() ?? x))}. Take it off first and say so.`,
    );
  if (p.reason === "neverCame") return s.match.arrived ? no("match", "It was checked in: say what is wrong with it.") : null;
  return p.reason === "other" && !p.note ? no("match", "Say why it goes back.") : null;
}

/** The part in hand goes back: nothing that was seen on it, moved to it or tested with it speaks for the next one. */
function giveBack(s: JobState, p: Payload<"match.returned">, clock: string): void {
  const order = s.match.order;
  s.match.returns.push({ ...p, seller: order?.seller ?? "", code: s.match.chosen?.code ?? "", clock });
  s.match.order = null;
  s.match.arrived = null;
  s.match.arrival = {};
  for (const [field, look] of Object.entries(s.match.looks)) if (look.source !== "D") delete s.match.looks[field];
  s.changesMade = {};
  s.transplanted = {};
  s.looseTest = null;
  if (s.subject === "out") s.bond = freshBond();
}

export const matchRules = {
  "match.chosen": {
    name: "a panel chosen",
    on: "desk",
    relies: { panelHash: "panel", buildHash: "build" },
    may: (_, { s }) => (s.match.order ? no("match", "A panel is on order. Take the order back before choosing another.") : null),
    apply: (s, p, { snapshots }) => {
      const build = p.buildHash ? snapshots[p.buildHash] : undefined;
      if (build?.kind === "build") s.bought = build.data.subject.kind;
      if (s.match.chosen?.panelHash !== p.panelHash) {
        s.match.asked = {};
        s.match.looks = {};
        s.match.arrived = null;
        s.match.arrival = {};
        s.changesMade = {};
      }
      s.match.chosen = p;
    },
  },
  "match.asked": {
    name: "the customer's answer",
    on: "desk",
    apply: (s, p) => {
      s.match.asked[p.field] = { answer: p.answer, by: p.by };
    },
  },
  "match.ordered": {
    name: "an order",
    on: "desk",
    spends: true,
    relies: { panelHash: "panel" },
    may: (p, v) =>
      v.s.match.chosen?.panelHash === p.panelHash
        ? mayOrder(v, p.acceptedUnknowns)
        : no("mayOrder", "The order names another panel than the one chosen."),
    apply: (s, p, { e }) => {
      s.match.order = { ...p, clock: placeOf(e) };
      s.match.arrived = null;
      s.match.arrival = {};
    },
  },
  "match.arrived": {
    name: "the panel's arrival",
    on: "desk",
    may: (p, v) => {
      if (!v.s.match.order) return no("match", "Nothing is on order.");
      const code = candidateOf(v)?.code ?? "";
      return sameCode(code, p.codeRead)
        ? null
        : no(
            "match",
            `The label reads ${p.codeRead}; ordered was ${code}. Keep its films on, record the code as wrong below and return it.`,
          );
    },
    apply: (s, p, { e }) => {
      s.match.arrived = { ...p, clock: placeOf(e) };
      // The label was read and is the one ordered: that is this item of the check.
      s.match.arrival.code = { result: "good", note: p.codeRead };
    },
  },
  "match.arrivalChecked": {
    name: "a look at the panel that came",
    on: "desk",
    may: ({ item, result, note }, v) => {
      const { s } = v;
      if (!s.match.order) return no("match", "Nothing is on order.");
      if (item === "hinges" || item === "leads") {
        if (result === "absent") return no("match", `A whole lid has ${item}: good or wrong.`);
        return result === "wrong" && !note ? no("match", "Say what is wrong with it: it goes back with the lid.") : null;
      }
      const always = item === "cracks" || item === "code" || item === "connector";
      if (result === "absent" && always)
        return no("match", `${item === "cracks" ? "Cracks are" : `The ${item} is`} looked at on every panel: good or wrong.`);
      if (item === "code" && result === "good" && !s.match.arrived)
        return no("match", "Read the code off the label that came: it is compared with the one ordered.");
      const cand = candidateOf(v);
      if (result === "absent" && !always && cand && promised(cand, item))
        return no("match", `Its record says ${item} come with it: none is not right. Record it as wrong, or correct the record.`);
      return result === "wrong" && !note ? no("match", "Say what is wrong with it: it goes back with the panel.") : null;
    },
    apply: (s, { item, ...rest }) => {
      s.match.arrival[item] = rest;
    },
  },
  "match.returned": {
    name: "a panel sent back",
    on: "desk",
    may: (p, v) => mayReturn(v, p),
    apply: (s, p, { e }) => giveBack(s, p, placeOf(e)),
  },
  "match.looked": {
    name: "a look at a field",
    on: "desk",
    may: (p, v) => {
      const { s } = v;
      const notByEye = NOT_BY_EYE.includes(p.field) || fitOf(v)?.rows.some((r) => r.field === p.field && r.notByEye);
      if (notByEye && p.source === "M")
        return no("match", "A supply is not settled by eye: name a datasheet, label or maker's source.");
      if (notByEye && !p.note)
        return no("match", "Name the datasheet, label or maker's source that says so: it is kept with the job.");
      if (!s.match.arrived && p.source !== "D") return no("match", "Look at the part in hand: it has not arrived.");
      return s.match.chosen ? null : no("match", "Pick a candidate first.");
    },
    apply: (s, { field, ...look }) => {
      s.match.looks[field] = look;
    },
  },
} satisfies RulesOf<typeof matchPayloads>;
