import type { Build } from "@/core/build";
import { seededRandom } from "./randomActs";
import { randomBuild } from "./randomBuild";

/**
 * A machine somebody might describe: a random build with what real ones have beside - another supply, battery-off mode, packs in
 * bays, leads with two ends, boards the supply comes in by, covers that fold, hinge screws that are only loosened, leads out of
 * reach over a seated panel, parts that move over.
 */
export function randomMachine(seed: number): Build {
  const random = seededRandom(seed * 7919 + 17);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const b = structuredClone(randomBuild(seed, 3 + Math.floor(random() * 12)));
  b.id = `machine-${seed}`;
  b.isolation.testSupply = pick(["mains", "mains", "mainsAndBattery", "battery"]);
  b.isolation.startsWhenAttached = random() < 0.25;
  b.subject.kind = pick(["panel", "panel", "frontUnit", "lidAssembly", "cell"]);
  const names = b.parts.filter((p) => p.role === "other").map((p) => p.id);
  const like = b.connectors.find((c) => c.id === "display-plug")!;
  if (random() < 0.2) {
    b.isolation.by = "batteryOffMode";
    for (const c of b.connectors) c.powerPoint = false;
    b.connectors = b.connectors.filter((c) => c.id !== "battery-plug");
  } else if (random() < 0.3) {
    const plug = b.connectors.find((c) => c.powerPoint)!;
    if (random() < 0.5) Object.assign(plug, { kind: "bayPack", under: [], name: "Battery pack" });
    if (random() < 0.4) b.connectors.push({ ...plug, id: "second-pack", name: "Second pack", xMm: plug.xMm + 12 });
  }
  // The display lead's other end, at the board.
  if (random() < 0.4 && names.length > 1) {
    const at = pick(names.slice(1));
    b.connectors.push({
      ...like,
      id: "board-end",
      name: "Display lead, board end",
      joins: [at, "Main board"],
      under: names.slice(0, names.indexOf(at)).filter(() => random() < 0.3),
      serves: "picture",
      reachableWhenSeated: true,
    });
  }
  for (const c of b.connectors) {
    if (!c.id.startsWith("plug-")) continue;
    if (random() < 0.15) c.serves = "power";
    else c.serves = pick(["wireless", "keyboard", "speaker", "camera", "touch", "lidSensor"]);
    if (random() < 0.2) c.reachableWhenSeated = false;
  }
  for (const p of b.parts) {
    if (p.role !== "other" || !p.out) continue;
    if (random() < 0.15) p.fold = { verb: `Fold ${p.name.toLowerCase()} over`, how: "On its leads.", minutes: 0.3 };
    if (random() < 0.2) p.backNeedsIsolation = true;
  }
  if (random() < 0.3) {
    const moved = { id: "moved", name: "Rail", view: "lid", role: "other", blockedBy: [], either: [], backNeedsIsolation: false };
    b.parts.push({ ...moved, transplant: { verb: "Move the rail over", how: "Two screws.", minutes: 1 } } as Build["parts"][0]);
  }
  if (random() < 0.3)
    b.screwGroups.push({
      id: "own-screws",
      name: "Panel screws",
      holds: "panel",
      view: "lid",
      under: [],
      loosenOnly: random() < 0.2,
      minutesEach: 0.3,
      keepInHoles: false,
      screws: [1, 2, 3, 4].map((i) => ({ id: `own-${i}`, type: "cross", xMm: 20 * i, yMm: 12, where: `corner ${i}` })),
    });
  newWords(b, random, names);
  // Lit by a lamp: an inverter somewhere, or only a lead nobody said more of.
  if (random() < 0.15) {
    b.connectors.push({ ...like, id: "lamp-lead", name: "Lamp lead", kind: "lampLead", xMm: like.xMm + 9, serves: "picture" });
    // No pack sits under a part of the lid and starts the machine by itself as well.
    b.isolation.startsWhenAttached &&= !b.parts.some(
      (p) => p.view === "lid" && b.connectors.some((c) => c.powerPoint && c.under.includes(p.id)),
    );
    if (random() < 0.7) b.inverterOn = pick(["panel", "rearCover", "hingeCover"]);
  }
  // A panel that carries its touch or its camera.
  if (random() < 0.3) {
    const serves = pick(["touch", "camera"] as const);
    b.connectors.push({ ...like, id: "own-lead", name: "Own lead", kind: "flipLatch", xMm: like.xMm + 15, serves });
  }
  // A bezel or a trim that is stuck on.
  const stuck = b.parts.filter((p) => p.out && !p.fold && p.id !== b.subject.part && p.view === "lid");
  const tape = b.tapes[0];
  if (tape && stuck.length && random() < 0.5)
    b.tapes.push({ ...tape, id: "trim-tape", name: "Trim tape", holds: pick(stuck.map((p) => p.id)), edge: "top", under: [] });
  return b;
}

/** What version 3 of the format can say: turns of the lid, what stays in until then, orders, shared screws, parts that do not come back. */
function newWords(b: Build, random: () => number, names: readonly string[]): void {
  const own = b.screwGroups.find((g) => g.id === "own-screws");
  const part = (id: string) => b.parts.find((p) => p.id === id)!;
  if (random() < 0.3) {
    b.turns = [
      { id: "upright", name: "Lid over the edge", angleDeg: 90, how: "Base flat, lid hanging free.", minutes: 0.5, free: [] },
    ];
    if (random() < 0.5 && names[0] && part(names[0]).out) b.turns[0]!.free = [names[0]];
    if (own && random() < 0.7) own.keepUntil = "upright";
    else part("panel").after = ["upright"];
  }
  if (own && random() < 0.3) own.lastOf = "panel";
  const free = names.filter((n) => part(n).out && !part(n).fold && !b.connectors.some((c) => c.joins[0] === n));
  if (free.length && random() < 0.3) part(free[0]!).fate = random() < 0.5 ? "destroyed" : "replaced";
  const groups = b.screwGroups.filter((g) => g.id !== "own-screws");
  if (groups.length > 1 && random() < 0.3) groups[1]!.after = [groups[0]!.id];
  if (groups.length && free.length > 1 && random() < 0.2 && groups[0]!.holds !== free[1]) groups[0]!.alsoHolds = [free[1]!];
  if (random() < 0.2)
    b.backActs = [
      {
        id: "heat-proof",
        verb: "Lay heat-proof tape over the bare lead",
        how: "Its whole length.",
        minutes: 0.5,
        why: "it lies against the heat pipe",
        after: ["looseTest"],
        before: ["seams"],
      },
    ];
  if (b.tapes.some((t) => t.holds === "panel") && random() < 0.2) b.subject.bringsTape = true;
  // Who described it did not know all of it.
  const things = [...b.parts.filter((p) => p.out), ...b.screwGroups, ...b.connectors, ...b.tapes];
  const left = things.filter(() => random() < 0.08);
  if (left.length) b.looks = left.map((t) => ({ of: t.id, ask: `What is it with ${t.name.toLowerCase()}`.slice(0, 120) }));
}
