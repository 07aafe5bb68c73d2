import type { Build } from "@/core/build";
import type { Panel } from "@/core/panel";
import { builds, panels } from "./bench";

/** A pair in short: what is put over a known panel and its machine, and what a good technician says of it. */
export interface FitCase {
  name: string;
  old?: Record<string, unknown>;
  cand: Record<string, unknown>;
  machine?: {
    lanes?: number;
    cableLanes?: number;
    link?: null;
    slackMm?: null;
    pairing?: boolean | null;
    rails?: Record<string, [number, number]>;
    pocket?: number[];
    cableFrom?: [number, number];
    lowerEdgeDepthMm?: number;
    dithers?: "yes" | "no";
    compression?: "yes" | "no" | "unknown";
    rates?: number[];
    cableMax?: number;
    lvdsLinks?: 1 | 2;
    soldWith?: { code: string; seen: string; fitted: boolean }[];
    cableKits?: Build["cableKits"];
  };
  overall: string;
  rows: Record<string, string>;
  says?: Record<string, string>;
  conditional?: boolean;
  changes?: number;
  asks?: number;
  why: string;
}

function plainValue(fact: string, plain: unknown): unknown {
  if (plain === null) return null;
  const a = plain as number[];
  switch (fact) {
    case "outline":
    case "active":
      return { widthMm: a[0], heightMm: a[1] };
    case "activeAt":
    case "connectorAt":
      return { xMm: a[0], yMm: a[1] };
    case "pixels":
      return { h: a[0], v: a[1] };
    case "lowerModes":
      return (plain as number[][]).map(([pixelClockKHz, refreshHz]) => ({ pixelClockKHz, refreshHz }));
    case "tabs":
      return (plain as [string, number, number, number][]).map(([edge, atMm, widthMm, outMm]) => ({
        edge,
        atMm,
        widthMm,
        outMm,
      }));
    case "logicSupplyV":
    case "backlightSupplyV":
    case "ledCurrentMa":
      return Array.isArray(plain) ? { min: a[0], max: a[1] } : plain;
    default:
      return plain;
  }
}

/** A panel of the demo with fields put over it; "value:S" and { v, s, pm } name another source. */
export function pairPanel(over: Record<string, unknown>, lanes: number): Panel {
  const p = JSON.parse(JSON.stringify(panels["gv140fhb-k31"])) as Record<string, unknown>;
  p.lanes = { value: lanes, source: "D" };
  p.activeAt = { value: { xMm: 3.2, yMm: 3 }, source: "D" };
  for (const [k, v] of Object.entries(over)) {
    const long = v !== null && typeof v === "object" && "v" in v ? (v as { v: unknown; s: string; pm?: number }) : null;
    const [plain, source] = long ? [long.v, long.s] : typeof v === "string" && v.includes(":") ? v.split(":") : [v, "D"];
    p[k] = { value: plainValue(k, plain), source, ...(long?.pm === undefined ? {} : { pm: long.pm }) };
  }
  return p as unknown as Panel;
}

function machineOf(m: FitCase["machine"], code: string): Build {
  const b = JSON.parse(JSON.stringify(builds["ostrel-kestrel-14"])) as Build;
  if (!m) return b;
  if (m.link === null) b.link = undefined;
  else
    b.link = {
      ...b.link!,
      lanes: m.lanes ?? 2,
      cableLanes: m.cableLanes ?? m.lanes ?? 2,
      ...(m.dithers ? { dithers: m.dithers } : {}),
      ...(m.compression ? { compression: m.compression } : {}),
      ...(m.rates ? { ratesGbps: m.rates } : {}),
      ...(m.cableMax ? { cableMaxRateGbps: m.cableMax } : {}),
      ...(m.lvdsLinks ? { lvdsLinks: m.lvdsLinks } : {}),
    };
  if ("pairing" in m) b.pairing = m.pairing ?? undefined;
  if (m.slackMm === null) for (const c of b.connectors) c.slackMm = undefined;
  if (m.rails) {
    const span = (r?: [number, number]) => (r ? { min: r[0], max: r[1] } : undefined);
    b.rails = { source: "measured", logicV: span(m.rails.logicV), backlightV: span(m.rails.backlightV) };
  }
  if (m.pocket) b.lid.pocket = { xMm: m.pocket[0]!, yMm: m.pocket[1]!, widthMm: m.pocket[2]!, heightMm: m.pocket[3]! };
  if (m.cableFrom)
    for (const c of b.connectors) if (c.serves === "picture") c.comesFrom = { xMm: m.cableFrom[0], yMm: m.cableFrom[1] };
  if (m.lowerEdgeDepthMm) b.lid.lowerEdgeDepthMm = m.lowerEdgeDepthMm;
  if (m.soldWith) b.soldWith = m.soldWith.map((s) => (s.code === "self" ? { ...s, code } : s));
  if (m.cableKits) b.cableKits = m.cableKits;
  return b;
}

/** Both panels and the machine of a pair. */
export function fitPair(c: Pick<FitCase, "old" | "cand" | "machine">): { old: Panel; candidate: Panel; build: Build } {
  const lanes = c.machine?.lanes ?? 2;
  const candidate = pairPanel(c.cand, lanes);
  return { old: pairPanel(c.old ?? {}, lanes), candidate, build: machineOf(c.machine, candidate.code) };
}
