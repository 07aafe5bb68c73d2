import { type BuildIndex, screwMisfit } from "../build";
import { NOT_BY_EYE, promised } from "../panel";
import { counted, listed } from "../quantity";
import { cutList } from "../tape";
import { meterRefusal, modeWords } from "../triage";
import {
  buildOf,
  candidateOf,
  changesOf,
  type JobView,
  moneyWords,
  openMoneyStops,
  passStatus,
  sameCode,
  screwsOpen,
} from "./derived";
import type { JobEvent } from "./event";
import {
  type Answer,
  mayCloseUp,
  mayConnect,
  mayDisconnect,
  mayHandOver,
  mayOrder,
  mayPullLiners,
  maySeat,
  safetyClear,
} from "./gates";
import type { EventType } from "./payloads";
import { powerOf } from "./power";
import { mayPlanAnew } from "./replan";

/** Records that are never held back: they tell what happened, or resolve a stop. */
const ALWAYS: ReadonlySet<EventType> = new Set([
  "job.noted",
  "job.takenBack",
  "job.safetyRaised",
  "job.madeSafe",
  "job.handedOn",
  "job.breachResolved",
]);
const no = (gate: string, reason: string): Answer => ({ gate, reason });
const notHere = (what: string, id: string) => no("build", `This build has no ${what} "${id}".`);

function screwOut(v: JobView, b: BuildIndex, screw: string, loosen: boolean): Answer {
  const g = b.groupOfScrew.get(screw);
  if (!g) return notHere("screw", screw);
  const covered = g.under.filter((u) => v.state.parts[u] !== "out" && v.state.parts[u] !== "folded");
  if (covered.length)
    return no("covered", `${g.name} lie under ${listed(covered.map((u) => b.part.get(u)?.name.toLowerCase() ?? u))}.`);
  if (g.loosenOnly !== loosen)
    return no("screw", g.loosenOnly ? "This one is only loosened, not taken out." : "This one is taken out, not only loosened.");
  const s = v.state.screws[screw];
  if (s === "out" || s === "loosened") return no("screw", "It is recorded already.");
  return null;
}

function fastened(v: JobView, b: BuildIndex, partId: string): Answer {
  const p = b.part.get(partId)!;
  const blocked = p.blockedBy.filter((x) => v.state.parts[x] !== "out" && v.state.parts[x] !== "folded");
  if (blocked.length)
    return no("blocked", `${p.name} comes after ${listed(blocked.map((x) => b.part.get(x)?.name.toLowerCase() ?? x))}.`);
  for (const g of b.build.screwGroups) {
    if (g.holds !== partId) continue;
    const left = g.screws.filter((s) => !["out", "loosened", "missing", "staysOut"].includes(v.state.screws[s.id] ?? "in"));
    if (left.length)
      return no(
        "held",
        `${left.length} of ${g.screws.length} screws still hold it: ${listed(left.slice(0, 3).map((s) => s.where.toLowerCase()))}${left.length > 3 ? " and more" : ""}.`,
      );
  }
  const taped = b.build.tapes.filter((t) => t.holds === partId && !v.state.tapesOut[t.id]);
  if (taped.length) return no("held", `${listed(taped.map((t) => t.name))} still ${taped.length === 1 ? "holds" : "hold"} it.`);
  return null;
}

const nameOf = (b: BuildIndex, x: string): string =>
  (b.part.get(x)?.name ?? b.group.get(x)?.name ?? b.connector.get(x)?.name ?? b.tape.get(x)?.name ?? x).toLowerCase();

/** Whether something named in a build is out of the way: a part out or folded, screws out, a plug off, a tape gone. */
function isAway(v: JobView, b: BuildIndex, x: string): boolean {
  const s = v.state;
  const g = b.group.get(x);
  if (g) return g.screws.every((y) => s.screws[y.id] !== undefined && s.screws[y.id] !== "back");
  if (b.connector.has(x)) return s.connectors[x] === "off";
  if (b.tape.has(x)) return !!s.tapesOut[x];
  return s.parts[x] === "out" || s.parts[x] === "folded";
}

function partOut(v: JobView, b: BuildIndex, partId: string): Answer {
  const p = b.part.get(partId);
  if (!p) return notHere("part", partId);
  if (!p.out) return no("part", `${p.name} does not come out in this build.`);
  if (v.state.parts[partId] === "out" || (p.role === "panel" && v.state.panel !== "old"))
    return no("part", `${p.name} is out already.`);
  const held = fastened(v, b, partId);
  if (held) return held;
  if (p.fold && v.state.parts[partId] !== "folded")
    return no("blocked", `Fold ${p.name.toLowerCase()} over first: its cable is behind it.`);
  for (const e of p.either ?? []) {
    const met = e.options.some(
      (o) => o.free.every((x) => isAway(v, b, x)) && (o.instead ? v.state.tethered[o.id] : o.free.length > 0),
    );
    if (!met)
      return no(
        "held",
        `${e.why}: ${e.options.map((o) => o.instead?.verb.toLowerCase() ?? `free ${listed(o.free.map((x) => nameOf(b, x)))}`).join(", or ")}.`,
      );
  }
  const on = b.build.connectors.filter((c) => c.joins[0] === partId && v.state.connectors[c.id] !== "off");
  return on.length ? no("held", `${listed(on.map((c) => c.name))} still ${on.length === 1 ? "ties" : "tie"} it.`) : null;
}

function screwBack(v: JobView, b: BuildIndex, screw: string, type?: string): Answer {
  const g = b.groupOfScrew.get(screw);
  if (!g) return notHere("screw", screw);
  if (v.state.screws[screw] !== "out") {
    const where = g.screws.find((x) => x.id === screw)!.where;
    return no(
      "screw",
      v.state.screws[screw] === undefined
        ? `${where}: no screw was taken out there. One left over has a home elsewhere, or is extra.`
        : `${where} is accounted for already. One left over has a home elsewhere, or is extra.`,
    );
  }
  const misfit = type === undefined ? null : screwMisfit(b, screw, type);
  if (misfit) return no("screw", misfit);
  const held = b.part.get(g.holds);
  const home = held?.role === "panel" ? v.state.panel === "seated" : v.state.parts[g.holds] !== "out";
  if (!home) return no("part", `Put ${held?.name.toLowerCase() ?? g.holds} back first.`);
  const covered = g.under.filter((u) => v.state.parts[u] === "back");
  return covered.length
    ? no("covered", `It lies under ${listed(covered.map((u) => b.part.get(u)?.name.toLowerCase() ?? u))}, which is back on.`)
    : null;
}

/** Acts on the machine: need a plan, no open safety or money stop. */
const HANDS: ReadonlySet<string> = new Set(["open", "swap", "bond", "close", "prove"]);

/**
 * The one gate every event passes: null to go, else which gate is shut and why. Pure: asked on the fold of everything
 * before the event in canonical order.
 * @example eventGate(view, event)?.reason // "Not isolated. Still to do: take the mains out."
 */
export function eventGate(v: JobView, e: JobEvent): Answer {
  const s = v.state;
  if (e.type === "job.opened") return s.job ? no("job", "This job is open already.") : null;
  if (!s.job) return no("job", "The job was never opened.");
  if (s.closed && e.type !== "job.noted" && e.type !== "job.takenBack")
    return no("job", "This job is closed. Take the closing back first.");
  if (ALWAYS.has(e.type)) {
    if (e.type === "job.madeSafe" && !s.hazards[e.payload.hazard]) return no("safety", "That was never raised.");
    if (e.type === "job.breachResolved" && !s.breaches.some((b) => b.eventId === e.payload.eventId))
      return no("breach", "There is no such breach.");
    return null;
  }
  const safety = e.type === "bench.shutDown" || e.type === "bench.mainsOut" ? null : safetyClear(v);
  if (safety && !(e.type === "job.closed" && e.payload.outcome === "handedOn" && s.handedOn)) return safety;
  const station = e.type.slice(0, e.type.indexOf("."));
  if (HANDS.has(station)) {
    const money = openMoneyStops(s)[0];
    if (money) return no("money", `${moneyWords(money).name}: ${moneyWords(money).say}`);
  }
  const b = buildOf(v);
  if (HANDS.has(station) && !b) return no("plan", "No plan yet: read the machine's build in Plan first.");
  return station === "triage" ||
    station === "identify" ||
    station === "match" ||
    station === "plan" ||
    station === "job" ||
    station === "quote" ||
    station === "bench"
    ? deskGate(v, e)
    : handGate(v, e, b!);
}

function deskGate(v: JobView, e: JobEvent): Answer {
  const s = v.state;
  const snap = (hash: string, kind: string) =>
    v.snapshots[hash]?.kind === kind ? null : no("snapshot", `The ${kind} this event relies on is not with the job.`);
  switch (e.type) {
    case "triage.signSeen":
    case "triage.testDone":
    case "triage.concluded":
      return snap(e.payload.tableHash, "triage");
    case "triage.meterRead": {
      const missing = snap(e.payload.tableHash, "triage");
      if (missing) return missing;
      const table = v.snapshots[e.payload.tableHash]!;
      const known =
        table.kind === "triage" && table.data.meter.some((m) => m.point === e.payload.point && m.mode === e.payload.mode);
      if (!known) return no("meter", `The table has no ${modeWords(e.payload.mode).toLowerCase()} at "${e.payload.point}".`);
      const refused = meterRefusal(e.payload.mode, powerOf(v).state);
      return refused ? no("meter", refused) : null;
    }
    case "quote.chosen":
      return e.payload.p80Minor < e.payload.expectedMinor * 0.5
        ? no("quote", "The bad case is under half the expected price.")
        : null;
    case "triage.moneyStopWaived":
      return s.moneyStops[e.payload.stop] ? null : no("money", "That stop was never raised.");
    case "match.chosen":
      if (s.match.order) return no("match", "A panel is on order. Take the order back before choosing another.");
      return snap(e.payload.panelHash, "panel");
    case "match.ordered":
      if (s.match.chosen?.panelHash !== e.payload.panelHash)
        return no("mayOrder", "The order names another panel than the one chosen.");
      return mayOrder(v, e.payload.acceptedUnknowns);
    case "match.arrived": {
      if (!s.match.order) return no("match", "Nothing is on order.");
      const code = candidateOf(v)?.code ?? "";
      return sameCode(code, e.payload.codeRead)
        ? null
        : no(
            "match",
            `The label reads ${e.payload.codeRead}; ordered was ${code}. Keep its films on, record the code as wrong below and return it.`,
          );
    }
    case "match.arrivalChecked": {
      const { item, result, note } = e.payload;
      if (!s.match.order) return no("match", "Nothing is on order.");
      if (result === "absent" && (item === "cracks" || item === "code" || item === "connector"))
        return no("match", `${item === "cracks" ? "Cracks are" : `The ${item} is`} looked at on every panel: good or wrong.`);
      if (item === "code" && result === "good" && !s.match.arrived)
        return no("match", "Read the code off the label that came: it is compared with the one ordered.");
      const cand = candidateOf(v);
      if (result === "absent" && item !== "cracks" && item !== "code" && item !== "connector" && cand && promised(cand, item))
        return no("match", `Its record says ${item} come with it: none is not right. Record it as wrong, or correct the record.`);
      return result === "wrong" && !note ? no("match", "Say what is wrong with it: it goes back with the panel.") : null;
    }
    case "match.returned": {
      if (!s.match.order) return no("match", "Nothing is on order.");
      if (s.panel === "seated") return no("match", "The new panel is seated. Lift it out first.");
      const b = buildOf(v);
      const on = s.panel === "out" ? (b?.panelConnectors.filter((c) => s.connectors[c.id] === "on") ?? []) : [];
      if (on.length) return no("match", `Take it off first: ${listed(on.map((c) => c.name.toLowerCase()))}.`);
      const left = Object.keys(s.transplanted).filter((p) => !e.payload.kept.includes(p));
      if (left.length)
        return no(
          "match",
          `Moved over to it: ${listed(left.map((p) => b?.part.get(p)?.name.toLowerCase() ?? p))}. Take it off first and say so.`,
        );
      if (e.payload.reason === "neverCame")
        return s.match.arrived ? no("match", "It was checked in: say what is wrong with it.") : null;
      return e.payload.reason === "other" && !e.payload.note ? no("match", "Say why it goes back.") : null;
    }
    case "match.looked":
      if (NOT_BY_EYE.includes(e.payload.field) && e.payload.source === "M")
        return no("match", "A supply voltage is not settled by eye: name a datasheet, label or maker's source.");
      if (NOT_BY_EYE.includes(e.payload.field) && !e.payload.note)
        return no("match", "Name the datasheet, label or maker's source that says so: it is kept with the job.");
      if (!s.match.arrived && e.payload.source !== "D") return no("match", "Look at the part in hand: it has not arrived.");
      return s.match.chosen ? null : no("match", "Pick a candidate first.");
    case "plan.made":
      return s.plan ? no("plan", "There is a plan already. Change it with a new build.") : snap(e.payload.buildHash, "build");
    case "plan.rebuilt":
      return s.plan
        ? (snap(e.payload.buildHash, "build") ?? mayPlanAnew(v, e.payload.buildHash))
        : no("plan", "There is no plan yet.");
    case "bench.batteryOff": {
      const b = buildOf(v);
      if (b?.build.isolation.by !== "batteryOffMode")
        return no("bench", "This build has no battery-off mode that is enough: open its power points.");
      if (s.bench.mains !== "out") return no("bench", "Take the mains out first: it wakes the battery.");
      return s.bench.shutDown ? null : no("bench", "Shut down first.");
    }
    case "bench.drained": {
      const rest = powerOf(v).missing.filter((m) => !m.startsWith("hold the power key"));
      if (rest.length) return no("bench", `Hold the power key after the rest: ${listed(rest)}.`);
      const least = buildOf(v)?.build.isolation.drainS[0] ?? 5;
      return e.payload.seconds >= least ? null : no("bench", `Hold it ${least} s at least.`);
    }
    case "bench.mainsIn":
    case "bench.started":
      return s.panel === "out" && s.looseTest === null && Object.values(s.connectors).includes("off") && panelCablesOff(v)
        ? no("bench", "The new panel's connectors are not on: no mains yet.")
        : null;
    case "job.closed": {
      if (e.payload.outcome === "handedOver")
        return s.close.handedOver ? null : (mayHandOver(v) ?? no("mayHandOver", "Hand the machine over first."));
      return leftOpen(v);
    }
    default:
      return null;
  }
}

/** A job is not closed over an open machine, whatever its outcome. */
function leftOpen(v: JobView): Answer {
  const s = v.state;
  const b = buildOf(v);
  const { out, loose } = screwsOpen(s);
  const parts = Object.keys(s.parts).filter((p) => s.parts[p] !== "back");
  const cables = Object.keys(s.connectors).filter((c) => s.connectors[c] === "off");
  const left = [
    out.length ? `${counted(out.length, "screw")} out` : "",
    loose.length ? `${counted(loose.length, "screw")} loosened` : "",
    s.panel === "out" ? "the panel out" : "",
    ...parts.filter((p) => p !== b?.panel.id).map((p) => `${b?.part.get(p)?.name.toLowerCase() ?? p} off`),
    ...cables.map((c) => `${b?.connector.get(c)?.name.toLowerCase() ?? c} off`),
  ].filter(Boolean);
  return left.length ? no("job", `The machine is open: ${listed(left)}.`) : null;
}

function panelCablesOff(v: JobView): boolean {
  const b = buildOf(v);
  return b ? b.panelConnectors.some((c) => v.state.connectors[c.id] === "off") : false;
}

function handGate(v: JobView, e: JobEvent, b: BuildIndex): Answer {
  const s = v.state;
  const first = (list: readonly string[], f: (id: string) => Answer): Answer => {
    for (const id of list) {
      const a = f(id);
      if (a) return a;
    }
    return null;
  };
  switch (e.type) {
    case "open.screwOut":
      return screwOut(v, b, e.payload.screw, false);
    case "open.screwLoosened":
      return screwOut(v, b, e.payload.screw, true);
    case "open.screwsOutTogether":
      return first(e.payload.screws, (x) =>
        b.groupOfScrew.get(x)?.id === e.payload.group
          ? screwOut(v, b, x, false)
          : no("screw", `Screw ${x} is not of group ${e.payload.group}.`),
      );
    case "open.tapeOut": {
      const t = b.tape.get(e.payload.tape);
      if (!t) return notHere("tape", e.payload.tape);
      const covered = t.under.filter((u) => s.parts[u] !== "out" && s.parts[u] !== "folded");
      if (covered.length)
        return no("covered", `${t.name} lies under ${listed(covered.map((u) => b.part.get(u)?.name.toLowerCase() ?? u))}.`);
      return s.tapesOut[t.id] ? no("tape", `${t.name} is out already.`) : null;
    }
    case "open.tethered":
      return b.build.parts.some((p) => p.either?.some((x) => x.options.some((o) => o.id === e.payload.option && o.instead)))
        ? null
        : notHere("way", e.payload.option);
    case "open.found":
      if (!b.part.has(e.payload.holds)) return notHere("part", e.payload.holds);
      return e.payload.screwType && !b.screwType.has(e.payload.screwType) ? notHere("screw type", e.payload.screwType) : null;
    case "open.partFolded": {
      const p = b.part.get(e.payload.part);
      if (!p?.fold) return p ? no("part", `${p.name} does not fold over in this build.`) : notHere("part", e.payload.part);
      return s.parts[p.id] ? no("part", `${p.name} is folded or out already.`) : fastened(v, b, p.id);
    }
    case "open.partOut":
      return partOut(v, b, e.payload.part);
    case "swap.cableDisconnected":
      return mayDisconnect(v, e.payload.connector);
    case "swap.cableConnected":
      return mayConnect(v, e.payload.connector);
    case "swap.changeMade": {
      const c = changesOf(v).find((x) => x.field === e.payload.field);
      if (!c) return no("change", `This panel asks for no change of "${e.payload.field}".`);
      if (c.made) return no("change", "That is done.");
      if (c.at === "swap") return s.panel === "out" ? null : no("change", "It is done with the new panel loose beside the lid.");
      return passStatus(v, "open").complete && s.panel === "seated" && (s.bench.mains === "in" || s.bench.running)
        ? null
        : no("change", "It comes after power and picture are proven, with the machine running.");
    }
    case "swap.panelLifted": {
      if (s.panel !== "seated") return no("part", "No new panel is seated.");
      const over = b.panel.blockedBy.filter((x) => s.parts[x] !== "out" && s.parts[x] !== "folded");
      if (over.length) return no("blocked", `First off: ${listed(over.map((x) => b.part.get(x)?.name.toLowerCase() ?? x))}.`);
      const iso = powerOf(v);
      return iso.isolated ? null : no("part", `Not isolated. Still to do: ${listed(iso.missing)}.`);
    }
    case "swap.transplanted": {
      const p = b.part.get(e.payload.part);
      if (!p?.transplant) return p ? no("part", `${p.name} does not move over.`) : notHere("part", e.payload.part);
      return s.panel === "out" ? null : no("part", "The old panel is still in.");
    }
    case "swap.looseTested": {
      const off = b.panelConnectors.filter((c) => s.connectors[c.id] === "off");
      if (s.panel !== "out")
        return no(
          "looseTest",
          s.panel === "old" ? "The old panel is still in." : "The panel is seated: a loose test comes before.",
        );
      if (off.length || !Object.keys(s.connectors).some((c) => b.panelConnectors.some((p) => p.id === c)))
        return no("looseTest", `${listed(off.map((c) => c.name))} still off.`);
      if (e.payload.supply !== "battery" && s.bench.mains !== "in") return no("looseTest", "No supply: put the mains in first.");
      if (e.payload.supply !== "mains") {
        const open = b.powerPoints.filter((c) => s.connectors[c.id] === "off");
        if (open.length) return no("looseTest", `No battery to test on: ${listed(open.map((c) => c.name.toLowerCase()))} off.`);
      }
      return null;
    }
    case "bond.tapeLaid":
      if (!cutList(b.build).some((p) => p.id === e.payload.piece)) return notHere("tape piece", e.payload.piece);
      return s.panel === "out" ? null : no("bond", "The old panel is still in, or the new one is seated.");
    case "bond.linerPulled":
      if (!cutList(b.build).some((p) => p.id === e.payload.piece)) return notHere("tape piece", e.payload.piece);
      return s.bond.linersPulled[e.payload.piece] ? no("bond", "That liner is off.") : mayPullLiners(v);
    case "bond.rehearsed":
    case "bond.dusted":
      return s.panel === "out" ? null : no("bond", "There is no loose panel to lower.");
    case "bond.filmOff":
      if (e.payload.film === "front")
        return s.panel === "seated" ? null : no("film", "The front film stays on until the panel is seated.");
      return s.bond.dusted
        ? (mayPullLiners(v) as Answer)
        : no("film", "Blow the dust off first: the back film comes off in the last seconds.");
    case "bond.panelSeated":
      return maySeat(v);
    case "bond.pressed":
      return s.panel === "seated" ? null : no("bond", "The panel is not seated.");
    case "prove.checkDone": {
      if (s.panel !== "seated") return no("prove", "The new panel is not seated.");
      if (s.bench.mains !== "in" && s.bench.shutDown) return no("prove", "Power is off: start the machine first.");
      if (e.payload.pass === "closed") {
        const away = b.build.parts.filter((p) => (p.role === "bezel" || p.role === "baseCover") && s.parts[p.id] === "out");
        if (away.length)
          return no(
            "prove",
            `The closed pass comes after closing up: ${listed(away.map((p) => p.name.toLowerCase()))} still off.`,
          );
        if (!passStatus(v, "open").complete) return no("prove", "The open pass is not complete.");
      }
      return null;
    }
    case "prove.faultTapped":
      return v.snapshots[e.payload.policyHash]?.kind === "policy"
        ? null
        : no("snapshot", "The policy this event relies on is not with the job.");
    case "close.partBack": {
      const p = b.part.get(e.payload.part);
      if (!p) return notHere("part", e.payload.part);
      if (s.parts[p.id] !== "out") return no("part", `${p.name} is not out.`);
      if (p.role === "panel") return no("part", "The panel is seated at Bond.");
      return mayCloseUp(v, p.id);
    }
    case "close.screwBack":
      return screwBack(v, b, e.payload.screw, e.payload.type);
    case "close.screwsBackTogether":
      return first(e.payload.screws, (x) =>
        b.groupOfScrew.get(x)?.id === e.payload.group
          ? screwBack(v, b, x)
          : no("screw", `Screw ${x} is not of group ${e.payload.group}.`),
      );
    case "close.screwTightened":
      return s.screws[e.payload.screw] === "loosened" ? null : no("screw", "That one was not loosened, or is tight again.");
    case "close.screwAccounted":
      return s.screws[e.payload.screw] === "out" ? null : no("screw", "That one is not out.");
    case "close.seamChecked":
    case "close.angleChecked": {
      const away = b.build.parts.filter((p) => s.parts[p.id] === "out" && p.role !== "panel");
      return away.length ? no("close", `${listed(away.map((p) => p.name))} not back yet.`) : null;
    }
    case "close.handedOver":
      return s.close.handedOver ? no("close", "It is handed over.") : mayHandOver(v);
    default:
      return null;
  }
}
