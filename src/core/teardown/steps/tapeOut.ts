import type { Tape } from "../../build";
import { motionText, type StepRule } from "../step";

type HeatNeed = NonNullable<Tape["heat"]>;

declare module "./kinds" {
  interface StepKinds {
    tapeOut: true;
  }
}

/** What a strip of this kind asks for beside its own caution. */
const cautionOf = ({ out, kind }: Tape): string | undefined =>
  kind === "pullTab"
    ? `${out.caution ?? "Slow and flat, along the lid: pulled upward it tears."} Torn: thread or a card from the side, warmed where its ceilings allow; no lever under the glass.`
    : out.caution;

/** What the kit calls what warms. */
const SOURCE = {
  heatGun: "Heat gun",
  rework: "Hot-air hand-piece",
  hairDryer: "Hair dryer",
  mat: "Heating mat",
  none: "",
} as const;

/** What lets go only where something else is harmed already is told as that, in words; nothing where there is room. */
function conflict({ releaseC: [from, to], ceilings }: HeatNeed): string {
  const low = ceilings.reduce((a, c) => (c.maxC < a.maxC ? c : a));
  if (low.maxC <= from)
    return ` These contradict: it lets go from ${from} °C, and ${low.of} takes ${low.maxC} °C. Not by heat alone: pull tab, thread or solvent, or the maker's way.`;
  return low.maxC < to ? ` Only ${from} to ${low.maxC} °C are left between them.` : "";
}

export const tapeOut = {
  station: "open",
  make: ({ b }, id) => {
    const t = b.tape.get(id)!;
    const { out, heat } = t;
    const caution = cautionOf(t);
    const glass = b.build.subject.kind === "cell" || b.build.subject.kind === "frontUnit";
    const warm = (heat || out.heat) && out.warmedWith !== "none";
    const tools = [
      ...(out.warmedWith === "none" ? ["Thread or card", "Solvent for adhesive"] : []),
      ...(warm && out.warmedWith ? [SOURCE[out.warmedWith]] : []),
      ...(warm && !out.warmedWith && !/heat|hot|dryer|mat\b/i.test(out.tool ?? "") ? ["Heat source: gun, dryer or mat"] : []),
      ...(glass ? ["Cut-proof gloves"] : []),
    ];
    return {
      title: out.verb,
      view: "lid",
      ...motionText(out),
      ...(caution ? { caution } : {}),
      ...(tools.length ? { tools } : {}),
      ...(heat && warm
        ? {
            caution: `${caution ? `${caution} ` : ""}Heat: lets go at ${heat.releaseC[0]} to ${heat.releaseC[1]} °C; ${heat.ceilings.map((c) => `${c.of} ${c.maxC} °C at most`).join(", ")}.${conflict(heat)}`,
          }
        : {}),
    };
  },
  done: (v, id) => !!v.s.tapesOut[id] || v.s.subject !== "in",
  next: (_, tape) => ({ type: "open.tapeOut", payload: { tape } }),
  events: { "open.tapeOut": (p) => p.tape },
  press: "Press when it is out",
} satisfies StepRule;
