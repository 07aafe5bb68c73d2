import { type BuildIndex, hangs, isMend, lateLeads, seenAtHome } from "../../build";
import { listed } from "../../quantity";
import { type Answer, no, notHere } from "../answer";
import { msOf, placeOf } from "../clock";
import { buildOf, changesOf, type JobView, passStatus } from "../derived";
import { cureHolds, mayUnclamp } from "../mended";
import { homeAgain, reseat, touch, voidPasses } from "../passes";
import type { Payload } from "../payloads";
import { endIsolation, isolatedFor, stopWithoutSupply, wake } from "../power";
import type { RulesOf } from "../rule";
import { freshBond } from "../state";
import { seated } from "../subject";
import { mayConnect, mayDisconnect } from "./connect";
import { LOOK_WORDS, looseLooks } from "./looks";
import type { swapPayloads } from "./payloads";

function mayTestLoose(v: JobView, b: BuildIndex, p: Payload<"swap.looseTested">): Answer {
  const s = v.state;
  const gate = "looseTest";
  const off = b.subjectConnectors.filter((c) => s.connectors[c.id] === "off");
  // A whole lid is tried on its hinges: it is held there, and its leads come last.
  if (s.subject !== "out" && !(hangs(b.build) && seated(s)))
    return no(gate, s.subject === "in" ? "The old panel is still in." : "The panel is seated: a loose test comes before.");
  if (off.length || !Object.keys(s.connectors).some((c) => b.subjectConnectors.some((x) => x.id === c)))
    return no(gate, `${listed(off.map((c) => c.name))} still off.`);
  const dark = b.build.connectors.filter((c) => (c.serves === "picture" || c.serves === "power") && s.connectors[c.id] === "off");
  if (dark.length) return no(gate, `No picture can come: ${listed(dark.map((c) => c.name.toLowerCase()))} off.`);
  if (p.supply !== "battery" && s.bench.mains !== "in") return no(gate, "No supply: put the mains in first.");
  if (p.supply === "mains") return null;
  const open = b.powerPoints.filter((c) => s.connectors[c.id] === "off");
  return open.length ? no(gate, `No battery to test on: ${listed(open.map((c) => c.name.toLowerCase()))} off.`) : null;
}

export const swapRules = {
  "swap.cableDisconnected": {
    name: "a connector taken off",
    on: "machine",
    may: (p, v) => mayDisconnect(v, p.connector),
    apply: (s, p, { b }) => {
      s.connectors[p.connector] = "off";
      touch(s, p.connector, b?.connector.get(p.connector), "off");
      // Seen on this plug before it went under its cover: put on anew, it is looked at anew.
      if (b && seenAtHome(b).some((c) => c.id === p.connector)) delete s.prove.open.battery;
      stopWithoutSupply(s, b);
    },
  },
  "swap.cableConnected": {
    name: "a connector put on",
    on: "machine",
    powers: (p, v) => buildOf(v)?.connector.get(p.connector)?.powerPoint ?? false,
    may: (p, v) => mayConnect(v, p.connector),
    apply: (s, p, { e, b }) => {
      const c = b?.connector.get(p.connector);
      s.connectors[p.connector] = "on";
      homeAgain(s);
      touch(s, p.connector, c, b && lateLeads(b.build).has(p.connector) ? "onLate" : "on");
      reseat(s, p.connector);
      if (!c?.powerPoint) return;
      endIsolation(s, placeOf(e));
      if (b?.build.isolation.startsWhenAttached) wake(s);
    },
  },
  "swap.changeMade": {
    name: "a change made",
    on: "machine",
    may: (p, v) => {
      const { s } = v;
      const c = changesOf(v).find((x) => x.field === p.field);
      if (!c) return no("change", `This panel asks for no change of "${p.field}".`);
      if (c.made) return no("change", "That is done.");
      if (c.at === "swap")
        return s.subject === "out" ? null : no("change", "It is done with the new panel loose beside the lid.");
      return passStatus(v, "open").complete && seated(s) && (s.bench.mains === "in" || s.bench.running)
        ? null
        : no("change", "It comes after power and picture are proven, with the machine running.");
    },
    apply: (s, p) => {
      s.changesMade[p.field] = true;
    },
  },
  "swap.panelLifted": {
    name: "the new panel lifted out again",
    on: "machine",
    may: (_, v) => {
      const { s, b } = v;
      if (!seated(s)) return no("part", "No new panel is seated.");
      const over = b.subject.blockedBy.filter((x) => s.parts[x] !== "out" && s.parts[x] !== "folded");
      if (over.length) return no("blocked", `First off: ${listed(over.map((x) => b.part.get(x)?.name.toLowerCase() ?? x))}.`);
      return isolatedFor(v, "part");
    },
    apply: (s, { forgot }, { b }) => {
      s.subject = "out";
      if (b) s.parts[b.subject.id] = "out";
      s.bond = freshBond();
      if (forgot?.what === "part") delete s.transplanted[forgot.id];
      const lead = forgot?.what === "lead" ? b?.connector.get(forgot.id) : undefined;
      if (!lead) return;
      // Not home, whatever was recorded: the plan reaches it, and whatever was proven over it is proven anew.
      s.connectors[lead.id] = "off";
      touch(s, lead.id, lead, "off");
      s.after.reached = [...new Set([...s.after.reached, lead.id])];
      voidPasses(s, "panel");
    },
  },
  "swap.oldBack": {
    name: "the old one put back",
    on: "machine",
    may: (_, v) => {
      const { s, b } = v;
      const leaned = s.subject === "in" && s.parts[b.subject.id] === "folded";
      if (s.subject !== "out" && !leaned)
        return no("part", s.subject === "in" ? "The old one is in." : "A new one is in: lift it out first.");
      if (s.plan?.aim !== "close") return no("part", "Say first that the machine is closed again without a new one.");
      const on = leaned ? [] : b.subjectConnectors.filter((c) => s.connectors[c.id] === "on");
      if (on.length) return no("part", `The new one hangs on ${listed(on.map((c) => c.name.toLowerCase()))}: take it off first.`);
      return cureHolds(v, { seat: true }) ?? isolatedFor(v, "part");
    },
    apply: (s, _, { b }) => {
      s.subject = "in";
      if (b) delete s.parts[b.subject.id];
      // Nothing of it speaks for a new one: that begins anew.
      s.transplanted = {};
      s.looseTest = null;
      s.changesMade = {};
      s.bond = freshBond();
    },
  },
  "swap.transplanted": {
    name: "a part moved over",
    on: "machine",
    may: (p, { s, b }) => {
      const part = b.part.get(p.part);
      if (!part?.transplant) return part ? no("part", `${part.name} does not move over.`) : notHere("part", p.part);
      return s.subject === "out" ? null : no("part", "The old panel is still in.");
    },
    apply: (s, p) => {
      s.transplanted[p.part] = true;
    },
  },
  "swap.backActDone": {
    name: "an act of the way back",
    on: "machine",
    may: (p, v) => {
      const { s, b } = v;
      if (!b.build.backActs?.some((a) => a.id === p.act)) return notHere("act", p.act);
      if (s.backActs[p.act]) return no("act", "That is done.");
      if (isMend(p.act)) return mayUnclamp(v, p.act, msOf(placeOf(v.e)));
      return s.subject === "in" ? no("act", "The old panel is still in.") : null;
    },
    apply: (s, p) => {
      s.backActs[p.act] = true;
    },
  },
  "swap.looseTested": {
    name: "the loose test",
    on: "machine",
    powers: true,
    may: (p, v) => mayTestLoose(v, v.b, p),
    apply: (s, p, { e, b }) => {
      s.looseTest = {
        eventId: e.id,
        clock: placeOf(e),
        supply: p.supply,
        picture: p.picture,
        voidedBy: null,
        looks: {},
        connectorsOn: b ? b.build.connectors.filter((c) => s.connectors[c.id] !== "off").map((c) => c.id) : [],
      };
      wake(s);
      s.bench.batteryOff = false;
      endIsolation(s, placeOf(e));
    },
  },
  "swap.looseSeen": {
    name: "a look of the loose test",
    on: "machine",
    powers: true,
    may: (p, v) => {
      const { s } = v;
      if (!s.looseTest?.picture || s.looseTest.voidedBy) return no("looseTest", "Picture first: start it with its leads on.");
      if (!looseLooks(v).includes(p.look)) return no("looseTest", `This test has nothing to show of ${LOOK_WORDS[p.look]}.`);
      if (s.bench.mains !== "in" && s.bench.shutDown) return no("looseTest", "Power is off: start the machine first.");
      return s.looseTest.looks[p.look] === true ? no("looseTest", `${LOOK_WORDS[p.look]} was tried and works.`) : null;
    },
    apply: (s, p, { e }) => {
      if (s.looseTest) s.looseTest.looks[p.look] = p.works;
      wake(s);
      endIsolation(s, placeOf(e));
    },
  },
} satisfies RulesOf<typeof swapPayloads>;
