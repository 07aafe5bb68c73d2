import { createHash } from "node:crypto";
import { applyFinds, type Build } from "@/core/build";
import { eventGate, type JobEvent, type JobState, type JobView, passStatus, pauseCard, seated } from "@/core/job";
import { everyAct } from "./randomActs";

/**
 * What is held against the golden runs: said in words that do not change when the house is moved, so that a difference is a
 * difference in what a user sees. Where a run needs a lot of text, a short hash of it stands in its line.
 */
export const short = (x: unknown): string =>
  createHash("sha256")
    .update(typeof x === "string" ? x : JSON.stringify(x))
    .digest("hex")
    .slice(0, 10);

/** The panel's place as a word of today: old, out, seated. */
export const panelWord = (s: JobState): string => (seated(s) ? "seated" : s.subject === "in" ? "old" : "out");

const sorted = (o: Record<string, unknown>) => Object.fromEntries(Object.entries(o).sort(([a], [b]) => (a < b ? -1 : 1)));

/** What a state says of the machine. */
export const said = (s: JobState): unknown => ({
  screws: sorted(s.screws),
  notes: sorted(s.screwNotes),
  parts: sorted(s.parts),
  connectors: sorted(s.connectors),
  touched: sorted(s.touched),
  tapesOut: sorted(s.tapesOut),
  tethered: sorted(s.tethered),
  transplanted: sorted(s.transplanted),
  panel: panelWord(s),
  bench: { ...s.bench, since: null },
  bond: { ...s.bond, pressedClock: null },
  prove: { open: sorted(s.prove.open), closed: sorted(s.prove.closed), voided: sorted(s.prove.voided) },
  loose: s.looseTest && {
    supply: s.looseTest.supply,
    picture: s.looseTest.picture,
    on: s.looseTest.connectorsOn,
    voidedBy: s.looseTest.voidedBy,
    looks: s.looseTest.looks,
  },
  close: { seams: sorted(s.close.seams), angle: s.close.angleDeg, over: s.close.handedOver?.to ?? null },
  breaches: s.breaches.map((b) => [b.gate, b.reason, b.resolved]),
});

/** Where a job stands, in one line: the pause card, both passes, and every gate asked for every act there is. */
export function standing(v: JobView, build: Build, envelope: JobEvent): string {
  const asked = everyAct(applyFinds(build, v.state.finds)).map(
    (a) => eventGate(v, { ...envelope, ...a } as JobEvent)?.reason ?? null,
  );
  const go = asked.filter((x) => x === null).length;
  return [
    `state ${short(said(v.state))}`,
    `passes ${(["open", "closed"] as const).map((p) => (passStatus(v, p).complete ? "held" : passStatus(v, p).untested.length)).join("/")}`,
    `card ${short(pauseCard(v))}`,
    `gates ${go} of ${asked.length} open, ${short(asked)}`,
  ].join(" | ");
}
