import type { Difference } from "../catalogue";

/** A panel by the names it has in the catalogue. */
export interface NamedPanel {
  id: string;
  code: string;
  hash: string;
}

/** What a text of the catalogue is: a panel's code, a further number of a panel, or a machine with the panels seen in it. */
export interface CatalogueName {
  kind: "code" | "otherName" | "machine";
  /** The panel or panels meant. */
  panels: NamedPanel[];
  machine?: string;
}

/**
 * Every text the catalogue can be searched by, with what it stands for.
 * @param panels all panels with their further numbers @param machines all machines with their codes and the panels seen in them
 * @example namesOf({ panels: [{ id: "p", code: "GV1", hash: "h", names: [] }], machines: [] }).get("GV1")?.[0]?.kind // "code"
 */
export function namesOf({
  panels,
  machines,
}: {
  panels: readonly (NamedPanel & { names: readonly string[] })[];
  machines: readonly { model: string; codes: readonly string[]; panels: readonly string[] }[];
}): Map<string, CatalogueName[]> {
  const names = new Map<string, CatalogueName[]>();
  const add = (text: string, n: CatalogueName) => {
    const list = names.get(text);
    if (list) list.push(n);
    else names.set(text, [n]);
  };
  const byId = new Map(panels.map((p) => [p.id, p]));
  for (const p of panels) {
    add(p.code, { kind: "code", panels: [p] });
    for (const n of p.names) add(n, { kind: "otherName", panels: [p] });
  }
  for (const m of machines) {
    const seen = m.panels.flatMap((id) => byId.get(id) ?? []);
    for (const text of [m.model, ...m.codes]) add(text, { kind: "machine", panels: seen, machine: m.model });
  }
  return names;
}

/** A hit of the search with what its text stands for. */
export interface NamedText {
  code: string;
  cost: number;
  differences: readonly Difference[];
  names: readonly CatalogueName[];
}

/** A panel a text may mean: by its own code, or by a further number it goes by. */
export interface Nearest {
  code: string;
  cost: number;
  differences: readonly Difference[];
  /** The other number it was found by; null for its own code. */
  by: string | null;
  /** True when that number is kept for several panels, so that it does not tell them apart. */
  shared: boolean;
}

/** Panels a search found, each once, in the order of the hits; machines are none. @example nearestOf([]).length // 0 */
export function nearestOf(hits: readonly NamedText[]): Nearest[] {
  const all = hits.flatMap((h) => {
    const shared = h.names.filter((x) => x.kind === "otherName").length > 1;
    return h.names.flatMap((n): Nearest[] =>
      n.kind === "machine"
        ? []
        : n.panels.map((p) => ({
            code: p.code,
            cost: h.cost,
            differences: h.differences,
            by: n.kind === "otherName" ? h.code : null,
            shared,
          })),
    );
  });
  return all.filter((x, i) => all.findIndex((y) => y.code === x.code) === i);
}

/**
 * The one panel a text means: read exactly and only so, else the nearest alone, else the nearest that was seen in this machine.
 * A machine in hand breaks ties; luck never does.
 * @param hits nearest first @param seenHere whether a panel of this code was seen in the machine at hand
 * @returns the panel, whether it was read exactly, and all that are equally near
 * @example loneOf([], () => false) // { lone: null, exact: false, best: [] }
 */
export function loneOf(
  hits: readonly Nearest[],
  seenHere: (code: string) => boolean,
): { lone: Nearest | null; exact: boolean; best: Nearest[] } {
  const same = hits.filter((h) => h.cost === 0);
  const best = hits.filter((h) => h.cost === hits[0]?.cost);
  if (same.length === 1) return { lone: same[0]!, exact: true, best };
  const here = best.filter((h) => seenHere(h.code));
  const lone = best.length === 1 ? best[0]! : here.length === 1 ? here[0]! : null;
  return { lone, exact: false, best };
}
