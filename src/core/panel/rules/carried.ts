import { cvtReducedBlanking, edpBudget, lvdsBudget, type YesNoUnknown } from "../../edid";
import { decides, type Sourced } from "../../quantity";
import type { Panel } from "../schema";
import { equal, type RuleInput } from "./row";

/** A value from a source that decides, else null. @example sure({ value: 40, source: "S" }) // null */
export const sure = <T>(v: Sourced<T> | undefined): T | null => (v && v.value !== null && decides(v) ? v.value : null);
/**
 * Both sides are known from a source that decides.
 * @example both({ value: 40, source: "L" }, { value: 30, source: "D" }) // true
 */
export const both = <T>(a: Sourced<T>, b: Sourced<T>): boolean => sure(a) !== null && sure(b) !== null;

export interface Carried {
  verdict: "asBefore" | "fits" | "fitsLower" | "fails" | "unknown";
  reason: string;
  words: string;
}

const cache = new WeakMap<Panel, WeakMap<Panel, WeakMap<object, Carried>>>();
const NO_BUILD = {};

/**
 * Whether board, cable and panel carry the candidate's picture: its own clock when known, else CVT as a guess.
 * @example carried({ old, candidate, build }).verdict // "asBefore"
 */
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
