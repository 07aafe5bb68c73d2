import { applyFinds, type Connector, indexBuild } from "../build";
import type { Pass } from "../proof";
import { judgeReading } from "../triage";
import type { JobEvent } from "./event";
import type { Payload } from "./payloads";
import { stopWithoutSupply } from "./power";
import { freshBond, type JobState, type Snapshots } from "./state";

/** Note of the stop that an answer to "is there cover" raises by itself. */
const COVER_NOTE = "Cover was reported at intake";

/** A connector was touched: the loose test and both passes of Prove no longer speak for it. */
function touch(s: JobState, connector: string, c: Connector | undefined): void {
  s.touched[connector] = true;
  if (c?.powerPoint) return;
  if (s.looseTest && !s.looseTest.voidedBy) s.looseTest.voidedBy = connector;
  // What a lead serves that only the closed pass looks at leaves the open pass standing; one nobody knows does not.
  voidPasses(s, connector, c && CLOSED_ONLY.has(c.serves) ? ["closed"] : ["open", "closed"]);
}
const CLOSED_ONLY: ReadonlySet<string> = new Set(["wireless", "battery", "lidSensor", "keyboard", "speaker"]);

function voidPasses(s: JobState, by: string, passes: readonly Pass[] = ["open", "closed"]): void {
  for (const pass of passes) {
    if (Object.keys(s.prove[pass]).length === 0) continue;
    s.prove[pass] = {};
    s.prove.voided[pass] = by;
  }
}

function wake(s: JobState): void {
  s.bench.shutDown = false;
  s.bench.running = true;
}

function endIsolation(s: JobState, clock: string): void {
  s.bench.drained = false;
  s.bench.since = clock;
}

/** The part in hand goes back: nothing that was seen on it, moved to it or tested with it speaks for the next one. */
function giveBack(s: JobState, r: Payload<"match.returned">, clock: string): void {
  const order = s.match.order;
  s.match.returns.push({ ...r, seller: order?.seller ?? "", code: s.match.chosen?.code ?? "", clock });
  s.match.order = null;
  s.match.arrived = null;
  s.match.arrival = {};
  for (const [field, look] of Object.entries(s.match.looks)) if (look.source !== "D") delete s.match.looks[field];
  s.changesMade = {};
  s.transplanted = {};
  s.looseTest = null;
  if (s.panel === "out") s.bond = freshBond();
}

/**
 * Applies one event to a state in place. Told only what happened, never whether it was allowed: gates are asked
 * beforehand, and an act that came late has happened all the same.
 */
export function apply(s: JobState, snapshots: Snapshots, e: JobEvent): void {
  const build = s.plan ? snapshots[s.plan.buildHash] : undefined;
  const b = build?.kind === "build" ? indexBuild(applyFinds(build.data, s.finds)) : null;
  const p = e.payload;
  switch (e.type) {
    case "job.opened":
      s.job = e.payload;
      s.openedClock = e.clock;
      break;
    case "job.promised":
      if (s.job) s.job = { ...s.job, promiseAt: e.payload.promiseAt };
      break;
    case "job.noted":
      s.notes.push({ eventId: e.id, clock: e.clock, who: e.who, text: e.payload.text, photo: e.payload.photo ?? null });
      break;
    case "job.takenBack":
      break;
    case "job.safetyRaised":
      s.hazards[e.payload.hazard] = { note: e.payload.note, madeSafe: null };
      break;
    case "job.madeSafe": {
      const h = s.hazards[e.payload.hazard];
      if (h) h.madeSafe = { by: e.payload.by, how: e.payload.how };
      break;
    }
    case "job.handedOn":
      s.handedOn = e.payload.to;
      break;
    case "job.breachResolved": {
      const x = s.breaches.find((y) => y.eventId === e.payload.eventId);
      if (x) x.resolved = e.payload.how;
      break;
    }
    case "job.closed":
      s.closed = e.payload;
      break;

    case "triage.signSeen":
    case "triage.testDone":
      s.triage.findings[e.payload.finding] = e.payload.outcome;
      s.triage.tableHash = e.payload.tableHash;
      break;
    case "triage.damageMarked":
      s.triage.damage.push({ ...e.payload, eventId: e.id });
      break;
    case "triage.contextSet":
      s.triage.context = e.payload;
      // Cover that may pay is a stop by itself, until it is used or waived with a reason.
      if (e.payload.cover === "yes") s.moneyStops.warranty ??= { note: COVER_NOTE, waived: null };
      // Corrected to no: the stop that only the answer had raised goes with it; one raised by hand stays.
      else if (e.payload.cover === "no" && s.moneyStops.warranty?.note === COVER_NOTE && s.moneyStops.warranty.waived === null)
        delete s.moneyStops.warranty;
      break;
    case "triage.meterRead": {
      const table = snapshots[e.payload.tableHash];
      const spot =
        table?.kind === "triage"
          ? table.data.meter.find((m) => m.point === e.payload.point && m.mode === e.payload.mode)
          : undefined;
      const judged = spot ? judgeReading(spot, e.payload.value) : null;
      s.triage.readings.push({
        ...e.payload,
        eventId: e.id,
        clock: e.clock,
        finding: spot?.finding ?? null,
        words: judged?.words ?? "",
      });
      if (spot && judged) {
        s.triage.findings[spot.finding] = judged.outcome;
        s.triage.tableHash = e.payload.tableHash;
      }
      // Volts are there to be read only on a live machine: the reading says it is.
      if (e.payload.mode === "dcVolts") {
        s.bench.shutDown = false;
        s.bench.running = true;
        endIsolation(s, e.clock);
      }
      break;
    }
    case "triage.conditionNoted":
      s.triage.condition.push({ ...e.payload, eventId: e.id });
      break;
    case "triage.intakeAgreed":
      s.triage.intake = e.payload;
      break;
    case "quote.chosen":
      s.quote = { ...e.payload, clock: e.clock };
      break;
    case "job.mishapNoted":
      s.mishaps.push(e.payload);
      break;
    case "triage.moneyStopRaised":
      s.moneyStops[e.payload.stop] = { note: e.payload.note, waived: null };
      break;
    case "triage.moneyStopWaived": {
      const m = s.moneyStops[e.payload.stop];
      if (m) m.waived = e.payload.reason;
      break;
    }
    case "triage.concluded":
      s.triage.concluded = e.payload;
      s.triage.tableHash = e.payload.tableHash;
      break;

    case "identify.panelRead":
      s.identify.readings.push({ ...e.payload, eventId: e.id });
      break;

    case "match.chosen":
      if (s.match.chosen?.panelHash !== e.payload.panelHash) {
        s.match.asked = {};
        s.match.looks = {};
        s.match.arrived = null;
        s.match.arrival = {};
        s.changesMade = {};
      }
      s.match.chosen = e.payload;
      break;
    case "match.asked":
      s.match.asked[e.payload.field] = { answer: e.payload.answer, by: e.payload.by };
      break;
    case "match.ordered":
      s.match.order = { ...e.payload, clock: e.clock };
      s.match.arrived = null;
      s.match.arrival = {};
      break;
    case "match.arrived":
      s.match.arrived = { ...e.payload, clock: e.clock };
      // The label was read and is the one ordered: that is this item of the check.
      s.match.arrival.code = { result: "good", note: e.payload.codeRead };
      break;
    case "match.arrivalChecked": {
      const { item, ...rest } = e.payload;
      s.match.arrival[item] = rest;
      break;
    }
    case "match.returned":
      giveBack(s, e.payload, e.clock);
      break;
    case "match.looked": {
      const { field, ...look } = e.payload;
      s.match.looks[field] = look;
      break;
    }

    case "plan.made":
      s.plan = e.payload;
      break;
    case "plan.rebuilt":
      if (s.plan) s.plan = { ...s.plan, buildHash: e.payload.buildHash };
      break;

    case "bench.shutDown":
      s.bench.shutDown = true;
      s.bench.running = false;
      break;
    case "bench.mainsOut":
      s.bench.mains = "out";
      stopWithoutSupply(s, b);
      break;
    case "bench.mainsIn":
      s.bench.mains = "in";
      s.bench.batteryOff = false;
      if (b?.build.isolation.startsWhenAttached) wake(s);
      endIsolation(s, e.clock);
      break;
    case "bench.batteryOff":
      s.bench.batteryOff = true;
      s.bench.since = e.clock;
      break;
    case "bench.drained": {
      const pointsOpen = b
        ? b.build.isolation.by === "batteryOffMode"
          ? s.bench.batteryOff
          : b.powerPoints.every((c) => s.connectors[c.id] === "off")
        : false;
      if (s.bench.shutDown && s.bench.mains === "out" && pointsOpen && e.payload.seconds >= (b?.build.isolation.drainS[0] ?? 5)) {
        s.bench.drained = true;
        s.bench.since = e.clock;
      }
      break;
    }
    case "bench.started":
      wake(s);
      s.bench.batteryOff = false;
      endIsolation(s, e.clock);
      break;

    case "open.screwOut":
      s.screws[e.payload.screw] = "out";
      break;
    case "open.screwsOutTogether":
      for (const x of e.payload.screws) s.screws[x] = "out";
      s.countedTogether.push(e.payload.group);
      break;
    case "open.screwLoosened":
      s.screws[e.payload.screw] = "loosened";
      break;
    case "open.tapeOut":
      s.tapesOut[e.payload.tape] = true;
      break;
    case "open.tethered":
      s.tethered[e.payload.option] = true;
      break;
    case "open.found": {
      const { photo: _, ...find } = e.payload;
      s.finds.push({ ...find, eventId: e.id });
      break;
    }
    case "open.stuck":
      s.stuck.push({ ...e.payload, eventId: e.id });
      break;
    case "open.partFolded":
      s.parts[e.payload.part] = "folded";
      break;
    case "open.partOut":
      s.parts[e.payload.part] = "out";
      if (b?.panel.id === e.payload.part) s.panel = "out";
      else if (s.panel === "seated") voidPasses(s, e.payload.part);
      break;

    case "swap.cableDisconnected": {
      s.connectors[e.payload.connector] = "off";
      touch(s, e.payload.connector, b?.connector.get(e.payload.connector));
      stopWithoutSupply(s, b);
      break;
    }
    case "swap.cableConnected": {
      const c = b?.connector.get(e.payload.connector);
      s.connectors[e.payload.connector] = "on";
      touch(s, e.payload.connector, c);
      if (c?.powerPoint) {
        endIsolation(s, e.clock);
        if (b?.build.isolation.startsWhenAttached) wake(s);
      }
      break;
    }
    case "swap.changeMade":
      s.changesMade[e.payload.field] = true;
      break;
    case "swap.panelLifted":
      s.panel = "out";
      if (b) s.parts[b.panel.id] = "out";
      s.bond = freshBond();
      voidPasses(s, "panel");
      break;
    case "swap.transplanted":
      s.transplanted[e.payload.part] = true;
      break;
    case "swap.looseTested":
      s.looseTest = {
        eventId: e.id,
        clock: e.clock,
        supply: e.payload.supply,
        picture: e.payload.picture,
        voidedBy: null,
        connectorsOn: b ? b.build.connectors.filter((c) => s.connectors[c.id] !== "off").map((c) => c.id) : [],
      };
      wake(s);
      s.bench.batteryOff = false;
      endIsolation(s, e.clock);
      break;

    case "bond.tapeLaid":
      s.bond.laid[e.payload.piece] = true;
      break;
    case "bond.rehearsed":
      s.bond.rehearsed = true;
      break;
    case "bond.linerPulled":
      s.bond.linersPulled[e.payload.piece] = true;
      break;
    case "bond.dusted":
      s.bond.dusted = true;
      break;
    case "bond.filmOff":
      if (e.payload.film === "back") s.bond.backFilmOff = true;
      else s.bond.frontFilmOff = true;
      break;
    case "bond.panelSeated":
      s.panel = "seated";
      if (b) delete s.parts[b.panel.id];
      break;
    case "bond.pressed":
      s.bond.pressed = true;
      s.bond.pressedClock = e.clock;
      break;

    case "prove.checkDone":
      s.prove[e.payload.pass][e.payload.check] = { result: e.payload.result, note: e.payload.note };
      // Looked at on a machine that runs: it is shut down again before a hand goes in, whatever was recorded before.
      wake(s);
      endIsolation(s, e.clock);
      break;
    case "prove.faultTapped":
      s.prove.faults.push({ eventId: e.id, class: e.payload.class, xMm: e.payload.xMm, yMm: e.payload.yMm });
      s.prove.policyHash = e.payload.policyHash;
      s.prove.accepted = null;
      break;
    case "prove.faultsAccepted":
      s.prove.accepted = e.payload;
      break;

    case "close.partBack":
      s.parts[e.payload.part] = "back";
      break;
    case "close.screwBack":
      s.screws[e.payload.screw] = "back";
      break;
    case "close.screwsBackTogether":
      for (const x of e.payload.screws) s.screws[x] = "back";
      break;
    case "close.screwTightened":
      s.screws[e.payload.screw] = "tightened";
      break;
    case "close.screwAccounted":
      s.screws[e.payload.screw] = e.payload.as;
      s.screwNotes[e.payload.screw] = e.payload.reason;
      break;
    case "close.screwExtra":
      s.extraScrews.push(e.payload);
      break;
    case "close.seamChecked":
      s.close.seams[e.payload.edge] = true;
      break;
    case "close.angleChecked":
      s.close.angleDeg = e.payload.degrees;
      break;
    case "close.handedOver":
      s.close.handedOver = { to: e.payload.to, clock: e.clock };
      break;
    default: {
      const never: never = e;
      throw new Error(`no rule for ${JSON.stringify(never)} ${String(p)}`);
    }
  }
  s.last = { clock: e.clock, id: e.id };
  s.counted += 1;
}
