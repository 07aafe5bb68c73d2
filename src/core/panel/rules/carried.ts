import { cvtReducedBlanking, type LinkRuns, linkRuns, lvdsBudget, type YesNoUnknown } from "../../edid";
import type { FactName } from "../factNames";
import type { Panel } from "../schema";
import { sureOf } from "../settles";
import { equal, FIT_LIMITS, type RuleInput } from "./row";

export interface Carried {
  verdict: "asBefore" | "fits" | "fitsLower" | "lowerDepth" | "choice" | "fails" | "unknown";
  /** What it runs at, where that is known. */
  refreshHz: number | null;
  bits: number | null;
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

const AS: Readonly<Record<LinkRuns["runs"], Carried["verdict"]>> = {
  first: "fits",
  depth: "lowerDepth",
  mode: "fitsLower",
  both: "fitsLower",
  choice: "choice",
  none: "fails",
  unknown: "unknown",
};
/** A source whose fastest lane is this has no stream compression: that came with faster links. Gbit/s (eDP 1.4). */
const NEVER_COMPRESSES = 2.7;

/** Two refresh rates nobody can tell apart. @example sameRefresh(59.94, 60) // true */
export const sameRefresh = (a: number, b: number): boolean => Math.abs(a - b) <= FIT_LIMITS.refreshSame * Math.max(a, b) + 1e-9;

function compute({ old, candidate: c, build }: Pick<RuleInput, "old" | "candidate" | "build">): Carried {
  const sure = <K extends FactName & keyof Panel>(fact: K, p: Panel = c): NonNullable<NonNullable<Panel[K]>["value"]> | null =>
    sureOf(fact, p[fact] as never);
  const alike = (fact: FactName, same: (a: never, b: never) => boolean = equal) => {
    const [a, b] = [sure(fact, old), sure(fact)];
    return a !== null && b !== null && same(a as never, b as never);
  };
  const like = alike("pixels") && alike("refreshHz", sameRefresh) && alike("colourBits") && alike("lanes");
  const [was, is] = [old.pixelClockKHz?.value ?? null, c.pixelClockKHz?.value ?? null];
  // The same mode to a hundredth: the clock of an EDID and that of a datasheet are never quite the same figure.
  const clockLike = is === null || (was !== null && Math.abs(is - was) <= 0.01 * was);
  if (like && clockLike)
    return {
      verdict: "asBefore",
      refreshHz: sure("refreshHz"),
      bits: sure("colourBits"),
      words: "as before",
      reason: "Resolution, refresh, colour depth and lanes are as before: the link carried them.",
    };
  const px = sure("pixels");
  const hz = sure("refreshHz");
  const bits = sure("colourBits");
  // An interface not known is judged as the old one: were it another, it would be a stop by itself.
  const family = sure("family") ?? sure("family", old);
  const missing = [px ? "" : "resolution", hz ? "" : "refresh", bits ? "" : "colour depth", family ? "" : "interface"].filter(
    Boolean,
  );
  const untold = { refreshHz: null, bits: null, words: "cannot be told" };
  if (!px || !hz || !bits || !family)
    return { ...untold, verdict: "unknown", reason: `Not known of the candidate: ${missing.join(", ")}.` };
  const given = sure("pixelClockKHz");
  const from = given === null ? "guess" : c.pixelClockKHz!.source === "E" ? "edid" : "datasheet";
  const clock = given ?? cvtReducedBlanking({ hActive: px.h, vActive: px.v, refreshHz: hz, version: 1 }).pixelClockKHz;
  const lower = sure("lowerModes") ?? [];
  const lowestHz = Math.min(hz, ...lower.map((m) => m.refreshHz));
  const link = build?.link;
  if (family === "LVDS") {
    const b = lvdsBudget(clock, link?.lvdsLinks ?? null, from);
    return { verdict: b.verdict, refreshHz: hz, bits, words: `${b.linkMHz} MHz`, reason: b.reason };
  }
  if (!link)
    return { ...untold, verdict: "unknown", reason: "Lanes and link rates of board and cable are not known for this machine." };
  const slow = link.ratesGbps !== null && !link.ratesPartial && Math.max(...link.ratesGbps) <= NEVER_COMPRESSES;
  const b = linkRuns(
    {
      mode: { pixelClockKHz: clock, refreshHz: hz },
      clockFrom: from,
      bitsPerPixel: (Math.min(10, Math.max(6, bits)) * 3) as 18 | 24 | 30,
      lowestClockKHz: cvtReducedBlanking({ hActive: px.h, vActive: px.v, refreshHz: lowestHz, version: 2 }).pixelClockKHz,
      lowerModes: lower,
      board: {
        lanes: link.lanes,
        ratesGbps: link.ratesGbps,
        compression: link.compression === "unknown" && slow ? "no" : link.compression,
      },
      cable: { lanes: link.cableLanes, maxRateGbps: link.cableMaxRateGbps },
      panel: {
        lanes: sure("lanes"),
        ratesGbps: sure("laneRatesGbps") ?? link.ratesGbps,
        compression: (sure("compression") ?? "unknown") as YesNoUnknown,
      },
    },
    bits,
    link.dithers ?? "unknown",
  );
  return { verdict: AS[b.runs], refreshHz: b.refreshHz, bits: b.bits, words: b.words, reason: b.reason };
}
