import { adhesiveLeft, hangs, hasFilms, hiddenBySeat, seenAtHome, triedWhole } from "../build";
import { listed } from "../quantity";
import { buildOf, changesOf, type JobView, passStatus, screwsOpen } from "./derived";
import { powerOf } from "./power";
import { seated } from "./subject";
import { looseTestMissing } from "./swap/connect";

export const POINTS = ["liner", "bezel", "baseCover"] as const;
export type PointOfNoReturn = (typeof POINTS)[number];
export const POINT_WORDS: Readonly<Record<PointOfNoReturn, string>> = {
  liner: "Before the first liner",
  bezel: "Before the bezel goes on",
  baseCover: "Before the base cover goes on",
};

export interface PointRow {
  what: string;
  /** Null when it holds, else the one thing missing. */
  missing: string | null;
}

/**
 * The compact check before an act that is hard to undo, told from the log alone; its rows are chosen by the point.
 * @param v the job
 * @returns rows in the order of work; go when none has anything missing. Empty without a plan
 * @example pointCheck(view, "liner").every((r) => r.missing === null) // false
 */
export function pointCheck(v: JobView, point: PointOfNoReturn): PointRow[] {
  const b = buildOf(v);
  if (!b) return [];
  const s = v.state;
  const films = hasFilms(b.build);
  const row = (what: string, missing: string | null | false | undefined): PointRow => ({ what, missing: missing || null });
  const off = b.build.connectors.filter((c) => s.connectors[c.id] === "off");
  const leads = off.filter(
    (c) =>
      !c.powerPoint &&
      (point === "baseCover" ||
        (c.joins[0] === b.subject.id && !(point === "liner" && hangs(b.build))) ||
        hiddenBySeat(b.build, c)),
  );
  const iso = powerOf(v);
  const leadOpen = point === "bezel" && off.some((c) => c.view === "lid");
  const rows: PointRow[] = [];
  if (point === "liner" || leadOpen)
    rows.push(row("Isolated and drained", iso.isolated ? null : `still to do: ${listed(iso.missing)}`));
  rows.push(
    row(
      point === "baseCover" ? "Every connector home" : "Connectors home, routed in their guides",
      leads.length ? `off: ${listed(leads.map((c) => c.name.toLowerCase()))}` : null,
    ),
  );
  const move = b.build.parts.filter((p) => p.transplant && !s.transplanted[p.id]);
  rows.push(row("Moved over", move.length ? `not yet: ${listed(move.map((p) => p.name.toLowerCase()))}` : null));
  const unmade = changesOf(v).filter((c) => c.at === "swap" && !c.made);
  if (unmade.length) rows.push(row("Changes for this panel", `not yet: ${listed(unmade.map((c) => c.act.toLowerCase()))}`));
  if (point === "liner") {
    const left = adhesiveLeft(b, s.tapesOut).filter((t) => !s.bond.cleaned[t]);
    if (adhesiveLeft(b).length)
      rows.push(
        row("Old adhesive off", left.length ? `not yet: ${listed(left.map((t) => b.tape.get(t)!.name.toLowerCase()))}` : null),
      );
    if (films) rows.push(row("Dust blown off", s.bond.dusted ? null : "not yet"));
    if (!hangs(b.build) && !triedWhole(b.build)) rows.push(row("Loose test valid", looseTestMissing(v)));
    rows.push(row("Lowering rehearsed", s.bond.rehearsed ? null : "not yet"));
    if (films) rows.push(row("Back film still on", s.bond.backFilmOff ? "it is off: seat at once, no dust" : null));
    return rows;
  }
  const { loose } = screwsOpen(s);
  const here = loose.filter((x) => (b.groupOfScrew.get(x)?.view ?? "lid") === (point === "bezel" ? "lid" : "base"));
  const inLid = point === "bezel" ? here : loose;
  rows.push(row("Loosened screws tight", inLid.length ? `${inLid.length} still loose` : null));
  rows.push(row("Panel seated", seated(s) ? null : "not yet"));
  if (films) rows.push(row("Films off, no crumbs", s.bond.frontFilmOff ? null : "front film still on"));
  const open = passStatus(v, "open");
  if (!triedWhole(b.build))
    rows.push(row("Open pass proven", open.complete ? null : "a check of the open pass is missing or void"));
  if (point === "baseCover") {
    const points = b.powerPoints.filter((c) => s.connectors[c.id] === "off");
    rows.push(
      row(
        "Battery plug home, the last connector",
        points.length ? `off: ${listed(points.map((c) => c.name.toLowerCase()))}` : null,
      ),
    );
    if (seenAtHome(b).length > 0)
      rows.push(row("Battery seen, no warning", open.atHome.length ? "look before its plug is covered" : null));
    rows.push(
      row(
        "Mains out, power key untouched since",
        s.bench.mains === "in" || s.bench.running ? "it is live: shut down, mains out" : null,
      ),
    );
  }
  return rows;
}
