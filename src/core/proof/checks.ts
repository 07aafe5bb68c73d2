import { type Build, lateLeads } from "../build";
import { type CheckTable, type DisturbedKind, SHIPPED_CHECKS } from "./checkTable";

export type Pass = "open" | "closed";

export interface Check {
  id: string;
  name: string;
  how: string;
  pass: Pass;
  /** Which acts of this repair ask for it, or null for the checks every repair has. */
  because: string | null;
  minutes: number;
  answer: CheckTable["checks"][number]["answer"];
  /** May be left for later with a note. */
  deferrable: boolean;
  /** Looked at once this lead is home, before what lies over it goes back: a lead's id. */
  home?: string;
}

export interface Disturbed {
  /** Connectors touched in this repair, by id. */
  connectors: readonly string[];
  /** Screws taken out or loosened, by group id. */
  groups: readonly string[];
  /** Parts that were moved, by id. */
  parts: readonly string[];
  /** Leads put on or off while the machine was live, by id. */
  live?: readonly string[];
  /** Leads put on only after the open pass, by id: what they serve is looked at closed up. */
  late?: readonly string[];
  /** Of those: leads at hand still once they are home. What they serve is looked at there as well, before they are covered. */
  home?: readonly string[];
  /** A new panel, front unit, lid or cell is in, and whether it is an OLED. */
  replaced?: boolean;
  oled?: boolean;
  tape?: boolean;
  /** A protective film came off, or the light guide lay bare. */
  films?: boolean;
  heat?: boolean;
  /** The machine came in after a liquid or a drop. */
  liquid?: boolean;
}

/** What was disturbed, each with its reasons and what is to be named by itself. */
interface Cause {
  kind: DisturbedKind;
  /** Null = needs no reason. */
  why: string | null;
  late?: boolean;
  home?: string;
  /** A lead that serves nothing anybody named: its check bears its name. */
  own?: { id: string; name: string };
}

function causesOf(build: Build, d: Disturbed): Cause[] {
  const found: Cause[] = [{ kind: "always", why: null }];
  const late = new Set([...lateLeads(build), ...(d.late ?? [])]);
  const touched = new Set(d.connectors);
  for (const c of build.connectors) {
    if (!touched.has(c.id)) continue;
    const why = `${c.name} was off`;
    if (c.serves === "power") {
      // Where a lamp is lit from an inverter, the lead that carries power into the lid is the lamp's.
      if (build.inverterOn) found.push({ kind: "lamp", why });
    } else if (c.serves === "other") found.push({ kind: "other", why, late: late.has(c.id), own: { id: c.id, name: c.name } });
    else found.push({ kind: c.serves, why, late: late.has(c.id), ...(d.home?.includes(c.id) ? { home: c.id } : {}) });
  }
  for (const id of d.live ?? []) {
    const c = build.connectors.find((x) => x.id === id);
    if (c) found.push({ kind: "live", why: `${c.name} was moved while live` });
  }
  for (const g of build.screwGroups)
    if (d.groups.includes(g.id) && /hinge/i.test(`${g.name} ${g.id}`)) found.push({ kind: "hinge", why: `${g.name} moved` });
  for (const p of build.parts) {
    if (!d.parts.includes(p.id)) continue;
    if (p.role === "bezel" || /gasket|trim/i.test(p.name)) found.push({ kind: "bezel", why: `${p.name} was off` });
    if (p.role === "baseCover" || /\b(fan|drive|board)\b/i.test(p.name)) found.push({ kind: "base", why: `${p.name} was off` });
    if (/inverter|lamp/i.test(p.name)) found.push({ kind: "lamp", why: `${p.name} was off` });
  }
  if (build.isolation.by === "batteryOffMode" && (d.parts.length || d.connectors.length))
    found.push({ kind: "reset", why: "Battery-off mode was used" });
  if (d.replaced) {
    const kind = build.subject.kind;
    found.push({ kind: "panel", why: "A new panel is in" });
    if (d.oled) found.push({ kind: "oled", why: "The new panel is an OLED" });
    if (kind === "frontUnit") found.push({ kind: "frontUnit", why: "A new front unit is in" });
    if (kind === "lidAssembly") found.push({ kind: "lidNew", why: "A new lid is on" });
    if (kind === "cell") found.push({ kind: "films", why: "The light guide lay bare" });
    if (build.pairing) found.push({ kind: "pairing", why: "This machine pairs its panel" });
  }
  const plain = [
    [d.tape, "tape", "New tape was laid"],
    [d.films, "films", "A protective film came off"],
    [d.heat, "heat", "Heat was used"],
    [d.liquid, "liquid", "It came in after a liquid or a drop"],
  ] as const;
  for (const [is, kind, why] of plain) if (is) found.push({ kind, why });
  return found;
}

/**
 * The checks this repair needs: those every repair has, then what follows from what was disturbed. Each is asked once, with all
 * its reasons; what a lead serves that goes on only after the open pass is looked at closed up.
 * @param build the machine
 * @param disturbed what this repair touched
 * @param table which check follows from what; missing = the shipped one
 * @returns checks in the order of work, each with its pass, minutes and the disturbances that ask for it
 * @example requiredChecks(build, { connectors: ["display-plug"], groups: [], parts: [] }).some((c) => c.id === "lidSwing") // true
 */
export function requiredChecks(build: Build, disturbed: Disturbed, table: CheckTable = SHIPPED_CHECKS): Check[] {
  const causes = causesOf(build, disturbed);
  const checks = new Map<string, Check>();
  for (const row of table.checks)
    for (const cause of causes) {
      if (!row.when.includes(cause.kind)) continue;
      // Put on only after the open pass: that pass cannot look at what it serves.
      const home = cause.late && row.pass === "open" ? cause.home : undefined;
      const pass: Pass = cause.late && !home ? "closed" : row.pass;
      const id = cause.own ? `${row.id}-${cause.own.id}` : row.id;
      // Where the closed pass has its own look at it, that one is enough.
      if (cause.late && !home && row.pass === "open" && table.checks.some((r) => r.pass === "closed" && r.id === row.id))
        continue;
      const key = `${pass} ${id}`;
      const known = checks.get(key);
      if (known) {
        if (cause.why && !known.because?.split("; ").includes(cause.why))
          known.because = [known.because, cause.why].filter(Boolean).join("; ");
        continue;
      }
      checks.set(key, {
        id,
        name: cause.own ? `${cause.own.name}: ${row.name[0]!.toLowerCase()}${row.name.slice(1)}` : row.name,
        how: row.how,
        pass,
        because: cause.why,
        minutes: row.minutes,
        answer: row.answer,
        deferrable: row.deferrable ?? false,
        ...(home ? { home } : {}),
      });
    }
  const all = [...checks.values()];
  const order = (c: Check) => (c.pass === "open" ? (c.home ? 1 : 0) : c.id === "start" ? 3 : 2);
  return all.sort((a, b) => order(a) - order(b));
}
