import { screwsComeBack } from "../build";
import { counted } from "../quantity";
import { cutList } from "../tape";
import { buildOf, type JobView } from "./derived";
import { seated } from "./subject";

/** A shape of the sheet's drawing, mm from the upper left of its side. */
export interface Drawn {
  what: "shell" | "hinge" | "glass" | "new" | "plug" | "screw" | "screwNew" | "tape" | "part" | "dot";
  x: number;
  y: number;
  w: number;
  h: number;
  /** Its number in the legend, where it has one. */
  n?: number;
}
export interface ChangedSide {
  name: string;
  widthMm: number;
  heightMm: number;
  shapes: Drawn[];
}
export interface ChangedDrawing {
  sides: ChangedSide[];
  /** What the shapes mean, in words: only of what is drawn. */
  legend: { what: Drawn["what"]; words: string }[];
  /** Numbered: which plug or part. */
  named: string[];
}

/**
 * The machine with what this repair changed: new, taken off and home again, screws that were out, tape laid, dots left. Null until
 * something new is seated on a machine that is described.
 * @returns shapes in mm, the lid seen from the front with its hinges down, the base from below with its hinge edge on top
 * @example changedDrawing(view) // null
 */
export function changedDrawing(v: JobView): ChangedDrawing | null {
  const b = buildOf(v);
  const s = v.state;
  if (!b || !seated(s)) return null;
  const { lid, base } = b.build;
  const named: string[] = [];
  const numberOf = (name: string) => named.push(name);
  const of = (view: "lid" | "base"): Drawn[] => {
    const shapes: Drawn[] = [];
    for (const p of b.build.parts.filter((x) => x.view === view && x.shape && x.id !== b.subject.id)) {
      if (s.transplanted[p.id]) shapes.push({ what: "part", ...rect(p.shape!), n: numberOf(`${p.name}, moved over`) });
    }
    for (const c of b.build.connectors.filter((x) => x.view === view && s.touched[x.id] && s.connectors[x.id] !== "off"))
      shapes.push({ what: "plug", x: c.xMm - 6, y: c.yMm - 2, w: 12, h: 4, n: numberOf(c.name) });
    for (const g of b.build.screwGroups.filter((x) => x.view === view && screwsComeBack(b.build, x)))
      for (const q of g.screws) {
        const st = s.screws[q.id];
        // Only what is home again is drawn as that: one that is merely loosened is not tight.
        if (st === "back" || st === "tightened" || st === "replaced")
          shapes.push({ what: st === "replaced" ? "screwNew" : "screw", x: q.xMm, y: q.yMm, w: 0, h: 0 });
      }
    return shapes;
  };
  const whole = b.build.subject.kind === "lidAssembly";
  const seat = { x: lid.opening.xMm, y: lid.opening.yMm, w: lid.opening.widthMm, h: lid.opening.heightMm };
  const front: Drawn[] = [
    { what: whole ? "new" : "shell", x: 0, y: 0, w: lid.widthMm, h: lid.heightMm },
    ...lid.hinges.map((h): Drawn => ({ what: "hinge", x: h.xMm, y: lid.heightMm - 9, w: h.widthMm, h: 9 })),
    { what: whole ? "glass" : "new", ...seat },
    ...cutList(b.build)
      .filter((c) => s.bond.laid[c.id])
      .map((c): Drawn => {
        const [w, h] = c.upright ? [c.widthMm, c.lengthMm] : [c.lengthMm, c.widthMm];
        return { what: "tape", x: c.xMm, y: c.yMm, w, h };
      }),
    ...of("lid"),
    ...s.prove.faults.map((f): Drawn => ({ what: "dot", x: f.xMm, y: f.yMm, w: 0, h: 0 })),
  ];
  const below = of("base");
  const sides: ChangedSide[] = [{ name: "Lid, from the front", widthMm: lid.widthMm, heightMm: lid.heightMm, shapes: front }];
  if (below.length)
    sides.push({
      name: "Base, from below",
      widthMm: base.widthMm,
      heightMm: base.depthMm,
      shapes: [{ what: "shell", x: 0, y: 0, w: base.widthMm, h: base.depthMm }, ...below],
    });
  const count = (what: Drawn["what"]) => sides.flatMap((x) => x.shapes).filter((x) => x.what === what).length;
  const say = (what: Drawn["what"], one: string, many = `${one}s`) =>
    count(what) ? [{ what, words: counted(count(what), one, many) }] : [];
  return {
    sides,
    legend: [
      { what: "new", words: `${b.subject.name}, new` },
      ...say("plug", "plug taken off and put home again", "plugs taken off and put home again"),
      ...say("screw", "screw out or loosened, tight again", "screws out or loosened, tight again"),
      ...say("screwNew", "screw replaced by a new one", "screws replaced by new ones"),
      ...say("tape", "strip of new tape", "strips of new tape"),
      ...say("part", "part moved over from the old one", "parts moved over from the old one"),
      ...say("dot", "dot left", "dots left"),
    ],
    named: named.map((words, i) => `${i + 1} ${words}`),
  };
}

const rect = (r: { xMm: number; yMm: number; widthMm: number; heightMm: number }) => ({
  x: r.xMm,
  y: r.yMm,
  w: r.widthMm,
  h: r.heightMm,
});
