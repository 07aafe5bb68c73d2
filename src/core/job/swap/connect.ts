import { hangs, hiddenBySeat, triedWhole } from "../../build";
import { NOT_BY_EYE } from "../../panel";
import { listed } from "../../quantity";
import { type Answer, no } from "../answer";
import { arrivalStatus, buildOf, candidateOf, fitOf, type JobView, passStatus } from "../derived";
import { ARRIVAL_WORDS } from "../match/arrivalWords";
import { lookedAt } from "../open/takeOut";
import { isolatedFor, mayFeed } from "../power";
import { breachClear, safetyClear } from "../stops";
import { seated } from "../subject";
import { LOOK_WORDS, looseLooks } from "./looks";

/**
 * May this connector be taken off? Isolated first, unless the build names it as a power point or as ahead of isolation.
 * @example mayDisconnect(view, "battery-plug").reason // "Battery plug lies under base cover."
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
    return lookedAt(v, b, c.id);
  }
  return (c.aheadOfIsolation ? null : isolatedFor(v, gate)) ?? lookedAt(v, b, c.id);
}

/**
 * May this connector be put on? Isolated, unless it is a power point; the new panel's own go through `mayConnectPanel`.
 * @example mayConnect(view, "display-plug").reason // "Display plug is on already."
 */
export function mayConnect(v: JobView, connector: string): Answer {
  const gate = "mayConnect";
  const stop = safetyClear(v, gate);
  if (stop) return stop;
  const b = buildOf(v);
  const c = b?.connector.get(connector);
  if (!b || !c) return no(gate, b ? `This build has no connector "${connector}".` : "No plan yet: connectors are unknown.");
  if (v.state.connectors[connector] !== "off") return no(gate, `${c.name} is on already.`);
  if (c.joins[0] === b.subject.id && v.state.subject !== "in") return mayConnectPanel(v, connector);
  if (c.powerPoint) {
    if (v.state.bench.mains !== "out") return no(gate, "Take the mains out before the battery plug goes home.");
    const half = mayFeed(v);
    if (half) return half;
    const gone = b.build.connectors.filter((x) => !x.powerPoint && v.state.connectors[x.id] === "off");
    // For a start in between it goes on with leads still off: nothing is touched until it is open again.
    const between = v.state.subject === "out" || (v.state.subject !== "in" && !passStatus(v, "open").complete);
    if (gone.length && !between)
      return no(gate, `The battery plug goes home last: ${listed(gone.map((x) => x.name.toLowerCase()))} still off.`);
    return null;
  }
  return c.aheadOfIsolation ? null : isolatedFor(v, gate);
}

/**
 * May the new panel be connected? Every field that can destroy board or panel must be known and equal, or looked at on the
 * part in hand; the machine isolated; what moves over moved; no open breach.
 * @example mayConnectPanel(opened, "battery-plug") // { gate: "mayConnectPanel", reason: "Move over first: earth foil." }
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
  const onHinges = hangs(b.build) && seated(v.state) && c !== undefined && !hiddenBySeat(b.build, c);
  if (v.state.subject !== "out" && !onHinges)
    return no(
      gate,
      v.state.subject === "in" ? "The old panel is still in." : "The panel is seated: this connector cannot be reached now.",
    );
  const move = b.build.parts.filter((p) => p.transplant && !v.state.transplanted[p.id]);
  if (move.length) return no(gate, `Move over first: ${listed(move.map((p) => p.name.toLowerCase()))}.`);
  const iso = isolatedFor(v, gate);
  if (iso) return iso;
  return c ? null : no(gate, `This build has no connector "${connector}".`);
}

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

/**
 * The loose test as it stands: null when it holds, or where a lamp forbids one; else what is missing.
 * @example looseTestMissing(view) // "No loose test yet: power the new panel before anything is stuck."
 */
export function looseTestMissing(v: JobView): string | null {
  const t = v.state.looseTest;
  const b = buildOf(v);
  if (b && triedWhole(b.build)) return null;
  if (!t) return "No loose test yet: power the new panel before anything is stuck.";
  if (t.voidedBy) return `${b?.connector.get(t.voidedBy)?.name ?? "A connector"} was touched after the loose test. Test again.`;
  if (!t.picture) return "The loose test showed no picture. Find out why, then test again.";
  const asked = looseLooks(v);
  const dead = asked.filter((l) => t.looks[l] === false);
  if (dead.length)
    return `In the loose test ${listed(dead.map((l) => LOOK_WORDS[l]))} did not work. Find out why, then try it again.`;
  const open = asked.filter((l) => t.looks[l] === undefined);
  if (open.length) return `Try ${listed(open.map((l) => LOOK_WORDS[l]))} in the loose test: later nobody gets at it so well.`;
  return null;
}
