import { cvtReducedBlanking, edpBudget, lvdsBudget, type YesNoUnknown } from "../../edid";
import { decides, type Sourced } from "../../quantity";
import type { Panel } from "../schema";
import { CHANGES, equal, type FitRow, type Rule, type RuleInput, row, type Spec } from "./row";

const sure = <T>(v: Sourced<T> | undefined): T | null => (v && v.value !== null && decides(v) ? v.value : null);
const both = <T>(a: Sourced<T>, b: Sourced<T>): boolean => sure(a) !== null && sure(b) !== null;

export interface Carried {
  verdict: "asBefore" | "fits" | "fitsLower" | "fails" | "unknown";
  reason: string;
  words: string;
}

const cache = new WeakMap<Panel, WeakMap<Panel, WeakMap<object, Carried>>>();
const NO_BUILD = {};

/** Whether board, cable and panel carry the candidate's picture: its own clock when known, else CVT as a guess. */
export function carried({ old, candidate, build }: RuleInput): Carried {
  const byCandidate = cache.get(old) ?? new WeakMap();
  cache.set(old, byCandidate);
  const byBuild = byCandidate.get(candidate) ?? new WeakMap();
  byCandidate.set(candidate, byBuild);
  const key = build ?? NO_BUILD;
  const known = byBuild.get(key);
  if (known) return known;
  const result = compute({ old, candidate, build });
  byBuild.set(key, result);
  return result;
}

function compute({ old, candidate: c, build }: Pick<RuleInput, "old" | "candidate" | "build">): Carried {
  const like = (["pixels", "refreshHz", "colourBits", "lanes"] as const).every(
    (k) => both(old[k] as Sourced<unknown>, c[k] as Sourced<unknown>) && equal(old[k].value, c[k].value),
  );
  const clockLike =
    (c.pixelClockKHz?.value ?? null) === null || equal(c.pixelClockKHz?.value ?? null, old.pixelClockKHz?.value ?? null);
  if (like && clockLike)
    return {
      verdict: "asBefore",
      words: "as before",
      reason: "Resolution, refresh, colour depth and lanes are as before: the link carried them.",
    };
  const px = sure(c.pixels);
  const hz = sure(c.refreshHz);
  const bits = sure(c.colourBits);
  // An interface not known is judged as the old one: were it another, it would be a stop by itself.
  const family = sure(c.family) ?? sure(old.family);
  const missing = [px ? "" : "resolution", hz ? "" : "refresh", bits ? "" : "colour depth", family ? "" : "interface"].filter(
    Boolean,
  );
  if (!px || !hz || !bits || !family)
    return { verdict: "unknown", words: "cannot be told", reason: `Not known of the candidate: ${missing.join(", ")}.` };
  const given = sure(c.pixelClockKHz);
  const from = given === null ? "guess" : c.pixelClockKHz!.source === "E" ? "edid" : "datasheet";
  const clock = given ?? cvtReducedBlanking({ hActive: px.h, vActive: px.v, refreshHz: hz, version: 1 }).pixelClockKHz;
  const lower = sure(c.lowerModes) ?? [];
  const lowestHz = Math.min(hz, ...lower.map((m) => m.refreshHz));
  const link = build?.link;
  if (family === "LVDS") {
    const b = lvdsBudget(clock, link?.lvdsLinks ?? null, from);
    return { verdict: b.verdict, words: `${b.linkMHz} MHz`, reason: b.reason };
  }
  if (!link)
    return {
      verdict: "unknown",
      words: "cannot be told",
      reason: "Lanes and link rates of board and cable are not known for this machine.",
    };
  const b = edpBudget({
    mode: { pixelClockKHz: clock, refreshHz: hz },
    clockFrom: from,
    bitsPerPixel: (Math.min(10, Math.max(6, bits)) * 3) as 18 | 24 | 30,
    lowestClockKHz: cvtReducedBlanking({ hActive: px.h, vActive: px.v, refreshHz: lowestHz, version: 2 }).pixelClockKHz,
    lowerModes: lower,
    board: { lanes: link.lanes, ratesGbps: link.ratesGbps, compression: link.compression },
    cable: { lanes: link.cableLanes, maxRateGbps: link.cableMaxRateGbps },
    panel: {
      lanes: sure(c.lanes),
      ratesGbps: sure(c.laneRatesGbps) ?? link.ratesGbps,
      compression: (sure(c.compression) ?? "unknown") as YesNoUnknown,
    },
  });
  const used = b.availableGbps === null ? "cannot be told" : `${b.neededGbps.toFixed(2)} of ${b.availableGbps.toFixed(2)}`;
  return {
    verdict: b.verdict,
    words: b.runsAtHz ? `runs at ${Math.round(b.runsAtHz)} Hz` : used,
    reason: `${b.reason}${b.limiting ? ` Limit: ${b.limiting}.` : ""}`,
  };
}

const LINK: Record<Carried["verdict"], FitRow["verdict"]> = {
  asBefore: "same",
  fits: "same",
  fitsLower: "change",
  fails: "stop",
  unknown: "unknown",
};

export const linkRule: Rule = (i) => {
  const spec: Spec<number> = {
    field: "link",
    name: "Link, lanes",
    words: (v) => `${v}`,
    look: "Find lanes and link rates in a datasheet, or read the EDID",
  };
  const k = carried(i);
  return row(spec, i.old.lanes, i.candidate.lanes, {
    verdict: LINK[k.verdict],
    words: k.verdict === "asBefore" ? "same" : k.words,
    reason: k.reason,
    ...(k.verdict === "fitsLower" ? { change: CHANGES.lowerMode } : {}),
  });
};

/** A field that may differ when the link carries it, but somebody must want it. */
function wanted<T>(spec: Spec<T>, a: Sourced<T>, b: Sourced<T>, i: RuleInput, say: (a: T, b: T) => string): FitRow {
  if (!both(a, b))
    return row(spec, a, b, {
      verdict: "unknown",
      words: b.source === "G" ? "guess from the code" : "not certain",
      reason: "Not known on both sides from a source that decides.",
    });
  if (equal(a.value, b.value)) return row(spec, a, b, { verdict: "same", words: "same", reason: "Both known, and equal." });
  const k = carried(i);
  const words = say(a.value as T, b.value as T);
  if (k.verdict === "fails")
    return row(spec, a, b, { verdict: "stop", words, reason: `The link does not carry it. ${k.reason}` });
  if (k.verdict === "unknown" && spec.field === "pixels")
    return row(spec, a, b, { verdict: "unknown", words, reason: `Whether the link carries it cannot be told. ${k.reason}` });
  return row(spec, a, b, { verdict: "ask", words, reason: `It works and looks different: ask the customer. ${k.reason}` });
}

export const pixelsRule: Rule = (i) =>
  wanted(
    {
      field: "pixels",
      name: "Pixels",
      words: (v: { h: number; v: number }) => `${v.h} × ${v.v}`,
      look: "Read the resolution off the label or the EDID",
    },
    i.old.pixels,
    i.candidate.pixels,
    i,
    (_, b) => `${b.h} × ${b.v}`,
  );
export const refreshRule: Rule = (i) =>
  wanted(
    { field: "refreshHz", name: "Refresh, Hz", words: (v: number) => String(v), look: "Read the refresh rate off the EDID" },
    i.old.refreshHz,
    i.candidate.refreshHz,
    { ...i },
    (a, b) => `${b}, not ${a}`,
  );
export const colourRule: Rule = (i) =>
  wanted(
    { field: "colourBits", name: "Colour, bit", words: (v: number) => String(v), look: "Find the colour depth in a datasheet" },
    i.old.colourBits,
    i.candidate.colourBits,
    i,
    (a, b) => `${b}, not ${a}`,
  );

export const technologyRule: Rule = ({ old, candidate }) => {
  const spec: Spec<"LCD" | "OLED"> = {
    field: "technology",
    name: "Technology",
    words: (v) => v,
    look: "LCD or OLED: read the label",
  };
  const a = old.technology;
  const b = candidate.technology;
  if (a.value !== null && b.value !== null && a.value !== b.value)
    return row<"LCD" | "OLED">(spec, a, b, {
      verdict: "stop",
      words: `${b.value}, not ${a.value}`,
      reason: "Another technology needs other supplies: this board does not give them.",
    });
  if (!both(a, b))
    return row<"LCD" | "OLED">(spec, a, b, {
      verdict: "unknown",
      words: "not certain",
      reason: "Not known on both sides from a source that decides.",
    });
  return row<"LCD" | "OLED">(spec, a, b, { verdict: "same", words: "same", reason: "Both known, and equal." });
};

export function finishRow(old: Panel, cand: Panel): FitRow {
  const spec: Spec<string> = {
    field: "finish",
    name: "Finish",
    words: (v) => v,
    look: "Hold the front to a lamp: matt or glossy",
  };
  const { finish: a } = old;
  const { finish: b } = cand;
  if (a.value === null || b.value === null || !decides(a) || !decides(b))
    return row<string>(spec, a, b, {
      verdict: "unknown",
      words: b.source === "G" ? "guess from the code" : "not certain",
      reason: "The finish is not known on both sides from a source that decides.",
    });
  if (a.value === b.value) return row<string>(spec, a, b, { verdict: "same", words: "same", reason: "Both known, and equal." });
  return row<string>(spec, a, b, {
    verdict: "ask",
    words: `${b.value}, not ${a.value}`,
    reason: "It fits, but somebody must want it: ask the customer.",
  });
}

export const finishRule: Rule = (i) => finishRow(i.old, i.candidate);
