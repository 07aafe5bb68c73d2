import { type Build, CONNECTOR_MOTION, indexBuild } from "../build";
import { cutList } from "../tape";
import { type Edge, kindId, mirror, ordered } from "./mirror";
import { motionStep, type Step } from "./step";

/** A change the new panel asks for, as the plan needs it. */
export interface PlanChange {
  field: string;
  part: string;
  minutes: number;
  act: string;
  at: "swap" | "afterProof";
}

const REACH = "Cannot be reached once the panel is seated, so it goes on before";

/**
 * The way back, from constraints of its own: the mirror of the way out where nothing speaks against it, and the known
 * exceptions where something does, each with its reason.
 * @param build a sound build
 * @param out the way out, in order
 * @param changes what the new panel asks for beside a plain swap
 * @returns steps in order; those that are not where plain reversal would put them carry `because`
 * @example wayIn(build, out).find((s) => s.kind === "looseTest")?.because // "Before any liner is pulled …"
 */
export function wayIn(build: Build, out: readonly Step[], changes: readonly PlanChange[] = []): Step[] {
  const b = indexBuild(build);
  const steps = new Map<string, Step>();
  const edges: Edge[] = [];
  const add = (s: Step) => steps.set(s.id, s);
  const before = (first: string, then: string, why?: string) => edges.push(why ? { first, then, why } : { first, then });
  const points = new Set(b.powerPoints.map((c) => c.id));

  const pieces = cutList(build);
  const taped = pieces.length > 0;
  for (const p of build.parts)
    if (p.transplant)
      add({
        id: kindId("transplant", p.id),
        kind: "transplant",
        target: p.id,
        station: "swap",
        title: p.transplant.verb,
        ...motionStep(p.transplant),
        because: "Moves over from the old panel before any connector is on.",
      });
  add({
    id: "mainsIn:test",
    kind: "mainsIn",
    target: "test",
    station: "swap",
    title: "Mains in for the loose test",
    how:
      build.isolation.testSupply === "mains"
        ? "Mains only: the battery stays off. From here the bench is live."
        : "Mains wakes the battery. From here the bench is live.",
    minutes: 0.3,
  });
  add({
    id: "looseTest",
    kind: "looseTest",
    target: "",
    station: "swap",
    title: "Start it with the panel lying loose",
    how: "Picture whole, right way up, light even. Do not flex the panel.",
    minutes: 2,
    because: "Before anything is stuck or closed: a bad panel comes out again without harm.",
    caution: "Live. Nothing is connected or taken off until it is isolated again.",
  });
  const again = (tag: string, then: string, station: Step["station"], why: string) => {
    const s = (k: Step["kind"], title: string, how: string, minutes: number): Step => ({
      id: `${k}:${tag}`,
      kind: k,
      target: tag,
      station,
      title,
      how,
      minutes,
    });
    add({ ...s("shutDown", "Shut down again", "Wait until the light is out.", 0.7), because: why });
    add(s("mainsOut", "Mains lead out again", "The bench is live until it is.", 0.2));
    if (build.isolation.by === "batteryOffMode")
      add(s("batteryOff", "Battery-off mode again, proven", `${build.isolation.how} Proof: ${build.isolation.proof}`, 1));
    add(s("drain", `Hold the power key ${build.isolation.drainS[0]} to ${build.isolation.drainS[1]} s`, "Isolated again.", 0.2));
    const chain = ["shutDown", "mainsOut", ...(build.isolation.by === "batteryOffMode" ? ["batteryOff"] : []), "drain"].map(
      (k) => `${k}:${tag}`,
    );
    for (let i = 1; i < chain.length; i++) before(chain[i - 1]!, chain[i]!);
    before(chain.at(-1)!, then);
    return chain[0]!;
  };

  for (const c of b.panelConnectors) {
    add({
      id: kindId("cableOn", c.id),
      kind: "cableOn",
      target: c.id,
      station: "swap",
      title: `Put on ${c.name.toLowerCase()}`,
      how: `${CONNECTOR_MOTION[c.kind].in}.${c.tapedOver ? " New tape over it." : ""} Home when: ${CONNECTOR_MOTION[c.kind].homeWhen.toLowerCase()}.${c.mark ? ` ${c.mark}.` : ""}`,
      minutes: c.minutes * 1.5,
      because: `${REACH} it is lowered.`,
    });
    for (const p of build.parts) if (p.transplant) before(kindId("transplant", p.id), kindId("cableOn", c.id));
    before(kindId("cableOn", c.id), "mainsIn:test");
  }
  before("mainsIn:test", "looseTest");
  const firstOff = again(
    "bond",
    taped ? "rehearse" : "dust",
    taped ? "bond" : "swap",
    "A test ends isolation: liners and films wait until it is isolated again.",
  );
  before("looseTest", firstOff);

  for (const c of changes) {
    const id = kindId("change", c.field);
    add({
      id,
      kind: "change",
      target: c.field,
      station: c.at === "swap" ? "swap" : "prove",
      title: c.act,
      how: c.part.startsWith("none") ? "No part needed." : `Needs: ${c.part}.`,
      minutes: Math.max(0.2, c.minutes),
      because: "The new panel differs here from the old one.",
    });
    if (c.at === "swap") {
      before("looseTest", id);
      before(id, taped ? "rehearse" : "dust");
    } else {
      before("mainsIn:closed", id);
      before(id, "proveClosed");
    }
  }

  for (const [n, p] of pieces.entries()) {
    add({
      id: kindId("tapeLay", p.id),
      kind: "tapeLay",
      target: p.id,
      station: "bond",
      title: `Lay tape T${n + 1}: ${p.edge} edge, ${p.widthMm} × ${p.lengthMm} mm`,
      how: `${p.thicknessMm} mm thick, liner up.${p.tailMm ? ` Leave a ${p.tailMm} mm tail for the next repair.` : ""} Clean the shell first; little solvent, no flame.`,
      minutes: 1.2,
    });
    before(kindId("tapeLay", p.id), "rehearse");
    before("looseTest", kindId("tapeLay", p.id), "The loose test comes before any tape.");
    add({
      id: kindId("linerPull", p.id),
      kind: "linerPull",
      target: p.id,
      station: "bond",
      title: `Pull liner T${n + 1}, ${p.edge} edge`,
      how: "One at a time. From here the tape grips at once.",
      minutes: 0.4,
    });
    before("dust", kindId("linerPull", p.id));
    before(kindId("linerPull", p.id), "backFilmOff");
  }
  if (taped) {
    add({
      id: "rehearse",
      kind: "rehearse",
      target: "",
      station: "bond",
      title: "Rehearse the lowering, liners on",
      how: "Lower, look at all four gaps, lift. Once is enough.",
      minutes: 1,
      because: "One shot once the liners are off.",
    });
    before("rehearse", "dust");
  }
  add({
    id: "dust",
    kind: "dust",
    target: "",
    station: "bond",
    title: build.dust?.verb ?? "Blow the pocket clear of dust",
    how: build.dust?.how ?? "Hand blower, lid tilted. No spray near bare films.",
    minutes: build.dust?.minutes ?? 1,
  });
  add({
    id: "backFilmOff",
    kind: "backFilmOff",
    target: "",
    station: "bond",
    title: "Back film off, now",
    how: "By its tab, slowly. Seat at once.",
    minutes: 0.3,
    because: "After the dust is blown off, seconds before seating.",
  });
  before("dust", "backFilmOff");
  add({
    id: "seat",
    kind: "seat",
    target: b.panel.id,
    station: "bond",
    title: b.panel.back?.verb ?? "Lower the panel into its pocket",
    how: b.panel.back?.how ?? "Locate one edge, lower evenly.",
    minutes: b.panel.back?.minutes ?? 1,
    ...(b.panel.back?.caution ? { caution: b.panel.back.caution } : {}),
  });
  before("backFilmOff", "seat");
  if (taped) {
    add({
      id: "press",
      kind: "press",
      target: "",
      station: "bond",
      title: "Press along every strip, 10 s each",
      how: "Thumb on the frame, never on the glass. No heat: new tape needs clean, pressure, time.",
      minutes: 1,
    });
    before("seat", "press");
  }
  const panelScrews = build.screwGroups.filter((g) => g.holds === b.panel.id);
  const settled = [
    ...(taped ? ["press"] : ["seat"]),
    ...panelScrews.map((g) => kindId(g.loosenOnly ? "screwsTighten" : "screwsBack", g.id)),
  ];

  add({
    id: "mainsIn:prove",
    kind: "mainsIn",
    target: "prove",
    station: "prove",
    title: "Mains in for the open pass",
    how: "Start it. The bench is live.",
    minutes: 0.5,
  });
  for (const s of settled) before(s, "mainsIn:prove");
  add({
    id: "proveOpen",
    kind: "proveOpen",
    target: "",
    station: "prove",
    title: "Prove it open: picture, light, touch",
    how: "Every check of the open pass, faults tapped.",
    minutes: 6,
    because: "Before bezel or base cover: a fault now costs minutes, later an hour.",
  });
  before("mainsIn:prove", "proveOpen");
  const offAgain = again("close", "frontFilmOff", "close", "Off before closing up: nothing is pressed or screwed under power.");
  before("proveOpen", offAgain);
  add({
    id: "frontFilmOff",
    kind: "frontFilmOff",
    target: "",
    station: "close",
    title: "Front film off",
    how: "By its tab, slowly, just before the bezel.",
    minutes: 0.4,
    because: "It guards the glass until the bezel goes on.",
  });

  // The mirror: what came out goes back in reverse, unless it belongs to the panel.
  const mirrored: string[] = [];
  // A lead that cannot be reached over a seated panel goes on before it, and so does the part it hangs on.
  const early = new Set<string>();
  for (const c of build.connectors)
    if (!c.reachableWhenSeated && c.joins[0] !== b.panel.id) {
      early.add(kindId("cableOn", c.id));
      if (b.part.get(c.joins[0])?.out) early.add(kindId("partBack", c.joins[0]));
    }
  // So does what the build itself puts before the test or the seating: a plate that holds a plug home, a gasket the cell is
  // located against; with it the screws that hold it.
  const ahead = new Set(["seat", "looseTest"]);
  for (let grown = true; grown; ) {
    grown = false;
    for (const w of build.wayIn)
      if (ahead.has(w.next) && !ahead.has(w.first)) {
        ahead.add(w.first);
        grown = true;
      }
  }
  for (const x of ahead) {
    if (b.part.has(x)) {
      early.add(kindId("partBack", x));
      for (const g of build.screwGroups) if (g.holds === x) early.add(kindId("screwsBack", g.id));
    }
    if (b.connector.has(x)) early.add(kindId("cableOn", x));
  }
  for (const s of [...out].reverse()) {
    const step = mirror(build, s);
    if (!step || steps.has(step.id)) continue;
    add(step);
    mirrored.push(step.id);
    if (early.has(step.id)) before(step.id, "mainsIn:test", `${REACH} it is lowered.`);
    else before(panelScrews.some((g) => g.id === step.target) ? "seat" : "frontFilmOff", step.id);
  }
  const needsOf = (s: Step): string[] => {
    if (s.kind === "screwsBack" || s.kind === "screwsTighten") {
      const g = b.group.get(s.target)!;
      return g.holds === b.panel.id ? ["seat"] : [kindId("partBack", g.holds)];
    }
    return [];
  };
  for (const m of mirrored) for (const n of needsOf(steps.get(m)!)) if (steps.has(n)) before(n, m);
  for (const p of build.parts) {
    const back = kindId("partBack", p.id);
    if (!steps.has(back)) continue;
    for (const q of build.parts)
      if (q.blockedBy.includes(p.id) && steps.has(kindId("partBack", q.id))) before(kindId("partBack", q.id), back);
    for (const g of build.screwGroups)
      if (g.under.includes(p.id))
        for (const k of ["screwsBack", "screwsTighten"] as const) if (steps.has(kindId(k, g.id))) before(kindId(k, g.id), back);
    for (const c of build.connectors)
      if (c.under.includes(p.id) && steps.has(kindId("cableOn", c.id))) before(kindId("cableOn", c.id), back);
  }
  for (const g of build.screwGroups)
    if (g.loosenOnly && steps.has(kindId("screwsTighten", g.id)))
      steps.get(kindId("screwsTighten", g.id))!.because =
        "Only loosened on the way out, so no removal step mirrors it. Forgotten ones break hinges months later.";
  for (const c of b.powerPoints) {
    const on = kindId("cableOn", c.id);
    if (!steps.has(on)) continue;
    steps.get(on)!.because = "The last connector: everything else is home before pack voltage returns.";
    for (const x of build.connectors)
      if (!points.has(x.id) && steps.has(kindId("cableOn", x.id))) before(kindId("cableOn", x.id), on);
    const bezel = build.parts.find((p) => p.role === "bezel");
    if (bezel && steps.has(kindId("partBack", bezel.id))) before(kindId("partBack", bezel.id), on);
  }
  for (const c of build.connectors)
    if (early.has(kindId("cableOn", c.id)) && steps.has(kindId("cableOn", c.id))) {
      steps.get(kindId("cableOn", c.id))!.because ??= `${REACH} it is lowered.`;
      // What the build puts before the test by name may be plugged in with its part still lying beside.
      if (!c.reachableWhenSeated && steps.has(kindId("partBack", c.joins[0])))
        before(kindId("partBack", c.joins[0]), kindId("cableOn", c.id));
    }
  for (const w of build.wayIn) {
    const find = (x: string) => (steps.has(x) ? x : [...steps.keys()].find((k) => steps.get(k)!.target === x));
    const f = find(w.first);
    const t = find(w.next);
    if (f && t) {
      before(f, t, w.why);
      steps.get(f)!.because ??= w.why;
    }
  }

  add({
    id: "seams",
    kind: "seams",
    target: "",
    station: "close",
    title: "Look round all four seams",
    how: "Left, right, top, bottom: no step, no gap.",
    minutes: 0.8,
  });
  add({
    id: "angle",
    kind: "angle",
    target: "",
    station: "close",
    title: "Check the lid angle",
    how: "It opens with one hand and stays where it is left.",
    minutes: 0.4,
  });
  add({
    id: "mainsIn:closed",
    kind: "mainsIn",
    target: "closed",
    station: "prove",
    title: "Mains in for the closed pass",
    how:
      build.isolation.by === "powerPoints"
        ? "Mains first: it may not start on battery alone after the plug was off."
        : "Start it.",
    minutes: 0.5,
  });
  add({
    id: "proveClosed",
    kind: "proveClosed",
    target: "",
    station: "prove",
    title: "Prove it closed up",
    how: "What this repair disturbed, checked once more.",
    minutes: 5,
    because: "After reassembly: sleep, leads and keys can only be told closed.",
  });
  add({
    id: "handOver",
    kind: "handOver",
    target: "",
    station: "close",
    title: "Hand over",
    how: "Print the sheet, close the job, recycle the old panel under local rules.",
    minutes: 2,
  });
  for (const m of mirrored) before(m, "seams");
  before("frontFilmOff", "seams");
  before("seams", "angle");
  before("angle", "mainsIn:closed");
  before("mainsIn:closed", "proveClosed");
  before("proveClosed", "handOver");
  return ordered(steps, edges);
}
