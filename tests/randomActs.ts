import type { Build } from "@/core/build";
import type { Act, JobView } from "@/core/job";
import { cutList } from "@/core/tape";
import { nextAct, progressOf } from "@/core/teardown";
import { hashes } from "./bench";

/** A small seeded generator (mulberry32), so that a failing run can be repeated from its seed. */
export function seededRandom(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), a | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

const act = (type: Act["type"], payload: unknown = {}): Act => ({ type, payload }) as Act;

/** Every act a hand could try on this machine, sensible or not: the gates have to sort them. */
export function everyAct(build: Build): Act[] {
  const screws = build.screwGroups.flatMap((g) => g.screws.map((s) => s.id));
  const acts: Act[] = [
    act("bench.shutDown"),
    act("bench.mainsOut"),
    act("bench.mainsIn"),
    act("bench.started"),
    act("bench.drained", { seconds: 6 }),
    act("bench.drained", { seconds: 2 }),
    act("bench.batteryOff", { proven: true }),
    act("swap.looseTested", { supply: "mains", picture: true, note: "" }),
    act("swap.looseSeen", { look: "touch", works: true }),
    act("swap.looseSeen", { look: "camera", works: false }),
    act("swap.looseTested", { supply: "mainsAndBattery", picture: true, note: "" }),
    act("swap.looseTested", { supply: "battery", picture: false, note: "" }),
    act("bond.rehearsed"),
    act("bond.dusted"),
    act("bond.filmOff", { film: "back" }),
    act("bond.filmOff", { film: "front" }),
    act("bond.panelSeated"),
    act("bond.pressed"),
    act("close.angleChecked", { degrees: 115 }),
    act("close.handedOver", { to: "Reading Room" }),
    act("prove.faultTapped", { class: "dark", xMm: 40, yMm: 50, policyHash: hashes.policy }),
    act("prove.faultsAccepted", { by: "Reading Room", reason: "small" }),
    act("job.noted", { text: "looked again" }),
  ];
  for (const s of screws)
    acts.push(
      act("open.screwOut", { screw: s }),
      act("open.screwLoosened", { screw: s }),
      act("close.screwBack", { screw: s }),
      act("close.screwTightened", { screw: s }),
      act("close.screwAccounted", { screw: s, as: "replaced", reason: "worn head" }),
    );
  for (const p of build.parts)
    acts.push(
      act("open.partFolded", { part: p.id }),
      act("open.partOut", { part: p.id }),
      act("close.partBack", { part: p.id }),
      act("swap.transplanted", { part: p.id }),
    );
  for (const c of build.connectors)
    acts.push(act("swap.cableDisconnected", { connector: c.id }), act("swap.cableConnected", { connector: c.id, home: true }));
  for (const t of build.tapes) acts.push(act("open.tapeOut", { tape: t.id }));
  for (const p of cutList(build)) acts.push(act("bond.tapeLaid", { piece: p.id }), act("bond.linerPulled", { piece: p.id }));
  for (const edge of ["left", "right", "top", "bottom"]) acts.push(act("close.seamChecked", { edge }));
  for (const pass of ["open", "closed"])
    for (const check of ["picture", "solid", "evenness", "lidSwing", "hinge", "bezel", "start", "battery", "camera"])
      for (const result of ["pass", "fail"]) acts.push(act("prove.checkDone", { pass, check, result, note: "" }));
  return acts;
}

/** What the plan asks for now, or null when it asks a person. */
export function plannedAct(v: JobView): Act | null {
  const now = progressOf(v)?.now;
  if (!now) return null;
  const next = nextAct(v, now);
  if (next) return next;
  const b = v.snapshots[v.state.plan!.buildHash];
  if (now.kind === "looseTest" && b?.kind === "build")
    return act("swap.looseTested", { supply: b.data.isolation.testSupply, picture: true, note: "" });
  if (now.kind === "angle") return act("close.angleChecked", { degrees: 120 });
  if (now.kind === "handOver") return act("close.handedOver", { to: "Reading Room" });
  return null;
}
