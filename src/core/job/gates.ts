import { CONNECTOR_MOTION } from "../build";
import { NOT_BY_EYE } from "../panel";
import { counted, listed } from "../quantity";
import { cutList } from "../tape";
import {
  arrivalStatus,
  buildOf,
  candidateOf,
  changesOf,
  fitOf,
  hazardWords,
  type JobView,
  moneyWords,
  openBreaches,
  openHazards,
  openMoneyStops,
  passStatus,
  screwsOpen,
} from "./derived";
import { powerOf } from "./power";

import type { ArrivalItem } from "./state";

/** Why a gate stays shut. `gate` is its name; `reason` one or two sentences for the screen. */
export interface Refusal {
  gate: string;
  reason: string;
}
/** null = go. */
export type Answer = Refusal | null;

const no = (gate: string, reason: string): Refusal => ({ gate, reason });

/** Safety stops first: nothing but making safe or handing on passes them. */
export function safetyClear(v: JobView, gate = "safety"): Answer {
  const h = openHazards(v.state)[0];
  if (!h) return null;
  const { name, say } = hazardWords(h);
  return no(gate, `${name}. ${say} Record how it was made safe, or hand the machine to a trained person.`);
}

function breachClear(v: JobView, gate: string): Answer {
  const b = openBreaches(v.state)[0];
  return b ? no(gate, `A breach is not resolved: ${b.reason}`) : null;
}

const isolatedWords = (v: JobView) => {
  const { missing } = powerOf(v);
  return `Not isolated. Still to do: ${listed(missing)}.`;
};

function isolatedFor(v: JobView, gate: string): Answer {
  return powerOf(v).isolated ? null : no(gate, isolatedWords(v));
}

/**
 * May this connector be taken off? Isolated first, unless the build names it as a power point or as ahead of isolation.
 * @example mayDisconnect(view, "display-plug")?.reason // "Not isolated. Still to do: shut down …"
 */
export function mayDisconnect(v: JobView, connector: string): Answer {
  const gate = "mayDisconnect";
  const stop = safetyClear(v, gate);
  if (stop) return stop;
  const b = buildOf(v);
  const c = b?.connector.get(connector);
  if (!b || !c)
    return no(gate, b ? `This build has no connector "${connector}".` : "No plan yet: the machine's power points are unknown.");
  if (v.state.connectors[connector] === "off") return no(gate, `${c.name} is off already.`);
  const covered = c.under.filter((u) => v.state.parts[u] !== "out" && v.state.parts[u] !== "folded");
  if (covered.length)
    return no(gate, `${c.name} lies under ${listed(covered.map((u) => b.part.get(u)?.name.toLowerCase() ?? u))}.`);
  if (c.powerPoint) {
    if (v.state.bench.mains !== "out") return no(gate, "Take the mains out before the battery plug.");
    if (!v.state.bench.shutDown) return no(gate, "Shut down before the battery plug.");
    return null;
  }
  return c.aheadOfIsolation ? null : isolatedFor(v, gate);
}

/** May this connector be put on? Isolated, unless it is a power point; the new panel's own go through `mayConnectPanel`. */
export function mayConnect(v: JobView, connector: string): Answer {
  const gate = "mayConnect";
  const stop = safetyClear(v, gate);
  if (stop) return stop;
  const b = buildOf(v);
  const c = b?.connector.get(connector);
  if (!b || !c) return no(gate, b ? `This build has no connector "${connector}".` : "No plan yet: connectors are unknown.");
  if (v.state.connectors[connector] !== "off") return no(gate, `${c.name} is on already.`);
  if (c.joins[0] === b.panel.id && v.state.panel !== "old") return mayConnectPanel(v, connector);
  if (c.powerPoint) {
    if (v.state.bench.mains !== "out") return no(gate, "Take the mains out before the battery plug goes home.");
    const gone = b.build.connectors.filter((x) => !x.powerPoint && v.state.connectors[x.id] === "off");
    if (gone.length && v.state.panel !== "out")
      return no(gate, `The battery plug goes home last: ${listed(gone.map((x) => x.name.toLowerCase()))} still off.`);
    return null;
  }
  return c.aheadOfIsolation ? null : isolatedFor(v, gate);
}

/**
 * May the new panel be connected? Every field that can destroy board or panel must be known and equal, or looked at on the
 * part in hand; the machine isolated; what moves over moved; no open breach.
 */
export function mayConnectPanel(v: JobView, connector: string): Answer {
  const gate = "mayConnectPanel";
  const stop = safetyClear(v, gate) ?? breachClear(v, gate);
  if (stop) return stop;
  const b = buildOf(v);
  if (!b) return no(gate, "No plan yet: connectors are unknown.");
  const c = b.connector.get(connector);
  const cand = candidateOf(v);
  if (!cand) return no(gate, "No new panel is chosen. Match it first.");
  if (!v.state.match.arrived) return no(gate, `${cand.code} has not been checked in: read its label on arrival.`);
  const fit = fitOf(v);
  if (!fit) return no(gate, "The old panel is not identified, so nothing can be compared.");
  const stops = fit.rows.filter((r) => r.verdict === "stop");
  if (stops.length)
    return no(gate, `Do not connect ${cand.code}: ${listed(stops.map((r) => `${r.name.toLowerCase()} ${r.words}`))}.`);
  const unknown = fit.rows.filter((r) => r.destroying && r.verdict === "unknown");
  if (unknown.length)
    return no(
      gate,
      `Do not connect ${cand.code}: ${listed(unknown.map((r) => r.name.toLowerCase()))} not known. Look at the part in hand and log it in Match${unknown.some((r) => NOT_BY_EYE.includes(r.field)) ? "; a supply voltage needs a datasheet, label or maker's source" : ""}.`,
    );
  const arrival = arrivalShut(v, gate);
  if (arrival) return arrival;
  const refused = Object.entries(v.state.match.asked).find(([, a]) => a.answer === "refused");
  if (refused) return no(gate, `The customer refused a difference in ${refused[0]}. Choose another panel.`);
  if (v.state.panel !== "out")
    return no(
      gate,
      v.state.panel === "old" ? "The old panel is still in." : "The panel is seated: this connector cannot be reached now.",
    );
  const move = b.build.parts.filter((p) => p.transplant && !v.state.transplanted[p.id]);
  if (move.length) return no(gate, `Move over first: ${listed(move.map((p) => p.name.toLowerCase()))}.`);
  const iso = isolatedFor(v, gate);
  if (iso) return iso;
  return c ? null : no(gate, `This build has no connector "${connector}".`);
}

export const ARRIVAL_WORDS: Record<ArrivalItem, string> = {
  cracks: "cracks",
  code: "code",
  connector: "connector",
  tabs: "tabs",
  films: "films",
  tape: "tape",
  brackets: "brackets",
  sensor: "sensor",
};

/** A panel is not connected before the part in hand was looked at, item by item, and found right. */
function arrivalShut(v: JobView, gate: string): Answer {
  const { open, wrong } = arrivalStatus(v.state);
  const bad = wrong[0];
  if (bad)
    return no(
      gate,
      `Arrival check: ${ARRIVAL_WORDS[bad]} wrong${v.state.match.arrival[bad]?.note ? ` (${v.state.match.arrival[bad].note})` : ""}. Return the panel in Match, or correct the check.`,
    );
  return open.length
    ? no(gate, `The arrival check is not finished: look at ${listed(open.map((i) => ARRIVAL_WORDS[i]))} in Match.`)
    : null;
}

/** The loose test as it stands: null when it holds, else what is missing. */
export function looseTestMissing(v: JobView): string | null {
  const t = v.state.looseTest;
  if (!t) return "No loose test yet: power the new panel before anything is stuck.";
  if (t.voidedBy)
    return `${buildOf(v)?.connector.get(t.voidedBy)?.name ?? "A connector"} was touched after the loose test. Test again.`;
  if (!t.picture) return "The loose test showed no picture. Find out why, then test again.";
  return null;
}

/** May liners be pulled (or an untaped panel be seated)? A valid loose test, isolated again, all of the panel's cables home. */
export function mayPullLiners(v: JobView): Answer {
  const gate = "mayPullLiners";
  const stop = safetyClear(v, gate) ?? breachClear(v, gate);
  if (stop) return stop;
  const b = buildOf(v);
  if (!b) return no(gate, "No plan yet.");
  const loose = looseTestMissing(v);
  if (loose) return no(gate, loose);
  const off = b.build.connectors.filter(
    (c) => v.state.connectors[c.id] === "off" && !c.powerPoint && (c.joins[0] === b.panel.id || !c.reachableWhenSeated),
  );
  if (off.length)
    return no(gate, `Put ${listed(off.map((c) => c.name.toLowerCase()))} on first: out of reach once the panel is seated.`);
  const iso = isolatedFor(v, gate);
  if (iso) return iso;
  const pieces = cutList(b.build);
  const unmade = changesOf(v).filter((c) => c.at === "swap" && !c.made);
  if (unmade.length) return no(gate, `Not done yet: ${listed(unmade.map((c) => c.act.toLowerCase()))}.`);
  const unlaid = pieces.filter((p) => !v.state.bond.laid[p.id]);
  if (unlaid.length) return no(gate, `${counted(unlaid.length, "strip")} of tape not laid yet.`);
  if (pieces.length && !v.state.bond.rehearsed)
    return no(gate, "Rehearse the lowering once with the liners on: tape grips at once.");
  return null;
}

/** May the panel be lowered for good? */
export function maySeat(v: JobView): Answer {
  const gate = "maySeat";
  const base = mayPullLiners(v);
  if (base) return { ...base, gate };
  const b = buildOf(v)!;
  if (v.state.panel !== "out") return no(gate, "The panel is seated already.");
  const on = cutList(b.build).filter((p) => !v.state.bond.linersPulled[p.id]);
  if (on.length) return no(gate, `${counted(on.length, "liner")} still on.`);
  if (!v.state.bond.backFilmOff) return no(gate, "The back film is still on.");
  return null;
}

const isCloseUp = (role: string) => role === "bezel" || role === "baseCover";

/** May bezel or base cover go on? The open pass proven, off and settled, and nothing left out under it. */
export function mayCloseUp(v: JobView, part: string): Answer {
  const gate = "mayCloseUp";
  const stop = safetyClear(v, gate) ?? breachClear(v, gate);
  if (stop) return stop;
  const b = buildOf(v);
  const p = b?.part.get(part);
  if (!b || !p) return no(gate, b ? `This build has no part "${part}".` : "No plan yet.");
  if (isCloseUp(p.role)) {
    const covers = p.role === "bezel" ? v.state.panel !== "old" : true;
    if (covers) {
      if (v.state.panel === "out") return no(gate, "The new panel is not seated.");
      const st = passStatus(v, "open");
      if (v.state.panel === "seated" && !st.complete) {
        const why = st.failed.length
          ? `failed: ${listed(st.failed.map((c) => c.name.toLowerCase()))}`
          : st.tooManyFaults
            ? "more pixel faults than the policy accepts"
            : `not tested: ${listed(st.untested.map((c) => c.name.toLowerCase()))}`;
        return no(gate, `The open pass of Prove is not complete. ${why[0]!.toUpperCase()}${why.slice(1)}.`);
      }
    }
    if (v.state.bench.mains !== "out" || !v.state.bench.shutDown)
      return no(gate, "Shut down and take the mains out before closing up.");
    if (p.role === "bezel" && v.state.panel === "seated" && !v.state.bond.frontFilmOff)
      return no(gate, "The front film is still on.");
  }
  const under = b.build.screwGroups.filter((g) => g.under.includes(part));
  for (const g of under) {
    const left = g.screws.filter((s) => v.state.screws[s.id] === "out" || v.state.screws[s.id] === "loosened");
    if (left.length)
      return no(
        gate,
        `${counted(left.length, "screw")} of ${g.name.toLowerCase()} ${left.length === 1 ? "is" : "are"} not back: ${listed(left.map((s) => s.where.toLowerCase()))}.`,
      );
  }
  const off = b.build.connectors.filter((c) => c.under.includes(part) && v.state.connectors[c.id] === "off");
  if (off.length) return no(gate, `${listed(off.map((c) => c.name))} ${off.length === 1 ? "is" : "are"} still off under it.`);
  const inner = b.build.parts.filter((q) => q.blockedBy.includes(part) && v.state.parts[q.id] === "out" && q.role !== "panel");
  if (inner.length) return no(gate, `${listed(inner.map((q) => q.name))} goes in first.`);
  return p.backNeedsIsolation ? isolatedFor(v, gate) : null;
}

/** May the machine go back to its owner? Both passes, every screw accounted for, seams and angle checked, no breach. */
export function mayHandOver(v: JobView): Answer {
  const gate = "mayHandOver";
  const stop = safetyClear(v, gate) ?? breachClear(v, gate);
  if (stop) return stop;
  const b = buildOf(v);
  if (!b || v.state.panel !== "seated") return no(gate, "No new panel is seated.");
  const { out, loose } = screwsOpen(v.state);
  const words = (id: string) => {
    const g = b.groupOfScrew.get(id);
    return g ? `${g.name.toLowerCase()}, ${g.screws.find((s) => s.id === id)?.where.toLowerCase()}` : id;
  };
  if (out.length)
    return no(
      gate,
      `${counted(out.length, "screw")} still out: ${listed(out.slice(0, 4).map(words))}${out.length > 4 ? " and more" : ""}.`,
    );
  if (loose.length)
    return no(
      gate,
      `${counted(loose.length, "screw")} only loosened, not tightened again: ${listed(loose.slice(0, 4).map(words))}.`,
    );
  const away = b.build.parts.filter(
    (p) => (v.state.parts[p.id] === "out" || v.state.parts[p.id] === "folded") && p.role !== "panel",
  );
  if (away.length) return no(gate, `${listed(away.map((p) => p.name))} not back.`);
  const off = b.build.connectors.filter((c) => v.state.connectors[c.id] === "off");
  if (off.length)
    return no(
      gate,
      `${listed(off.map((c) => c.name))} still off. Home when: ${CONNECTOR_MOTION[off[0]!.kind].homeWhen.toLowerCase()}.`,
    );
  for (const pass of ["open", "closed"] as const) {
    const st = passStatus(v, pass);
    if (!st.complete)
      return no(
        gate,
        `The ${pass} pass of Prove is not complete: ${st.failed.length ? `${listed(st.failed.map((c) => c.name.toLowerCase()))} failed` : st.untested.length ? `${listed(st.untested.map((c) => c.name.toLowerCase()))} not tested` : "more pixel faults than the policy accepts"}.`,
      );
  }
  const unmade = changesOf(v).filter((c) => !c.made);
  if (unmade.length) return no(gate, `Not done yet: ${listed(unmade.map((c) => c.act.toLowerCase()))}.`);
  const seams = (["left", "right", "top", "bottom"] as const).filter((e) => !v.state.close.seams[e]);
  if (seams.length) return no(gate, `Look at the ${listed(seams)} seam first.`);
  if (v.state.close.angleDeg === null) return no(gate, "Check the lid angle first.");
  return null;
}

/** May this candidate be ordered? Never a *stop*; unknown destroying fields accepted by name; differences asked; money stops settled. */
export function mayOrder(v: JobView, acceptedUnknowns: readonly string[]): Answer {
  const gate = "mayOrder";
  const stop = safetyClear(v, gate);
  if (stop) return stop;
  const money = openMoneyStops(v.state)[0];
  if (money) return no(gate, `${moneyWords(money).name}: ${moneyWords(money).say}`);
  const cand = candidateOf(v);
  if (!cand) return no(gate, "Pick a candidate first.");
  if (v.state.match.order) return no(gate, `${v.state.match.order.seller} has the order already.`);
  const fit = fitOf(v);
  if (!fit) return no(gate, "Identify the old panel first: there is nothing to compare with.");
  if (fit.overall.kind === "stop") return no(gate, `${cand.code} must not be ordered. ${fit.overall.words}`);
  const missing = fit.rows.filter((r) => r.destroying && r.verdict === "unknown" && !acceptedUnknowns.includes(r.field));
  if (missing.length)
    return no(
      gate,
      `${listed(missing.map((r) => r.name))} not known. Accept each by name, to be looked at on arrival, before ordering.`,
    );
  const ask = fit.rows.filter((r) => r.verdict === "ask" && v.state.match.asked[r.field]?.answer !== "accepted");
  if (ask.length) return no(gate, `Ask the customer first: ${listed(ask.map((r) => `${r.name.toLowerCase()} ${r.words}`))}.`);
  return null;
}
