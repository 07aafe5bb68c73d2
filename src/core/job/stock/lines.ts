import type { ShopOrder } from "../state";

/** What became of a line of an order of the shop in the job it is for: told by that job's own log. */
export interface LineInJob {
  /** Number of the job, and its id. */
  job: string;
  id: string;
  is: "out" | "came" | "cancelled" | "returned";
}

/**
 * Orders of the shop with what the jobs say of their lines: what was scanned in there came, what was sent back from there went back.
 * @param lines by the line's name
 * @example withJobLines({}, {}) // {}
 */
export function withJobLines(
  orders: Readonly<Record<string, ShopOrder>>,
  lines: Readonly<Record<string, LineInJob>>,
): Record<string, ShopOrder> {
  return Object.fromEntries(
    Object.entries(orders).map(([id, o]) => {
      if (!o.lines.some((l) => lines[l.line])) return [id, o];
      const over = { ...o.over };
      const told = o.lines.map((l) => {
        const is = lines[l.line]?.is;
        if (is === "cancelled" || is === "returned") over[l.line] = is;
        return is === "came" || is === "returned" ? { ...l, came: l.count } : l;
      });
      return [id, { ...o, lines: told, over }];
    }),
  );
}

/**
 * What orders still bring to the shelf, by item: pieces, or mm of tape. A line that stands in its job is spoken for: that job asks for
 * nothing any more, and nobody else may reckon with it.
 * @param lines by the line's name
 * @example comingOf({}, {}) // []
 */
export const comingOf = (
  orders: Readonly<Record<string, ShopOrder>>,
  lines: Readonly<Record<string, LineInJob>>,
): { item: string; count: number }[] =>
  Object.values(orders).flatMap((o) =>
    o.lines
      .filter((l) => !lines[l.line] && !o.over[l.line] && l.came < l.count)
      .map((l) => ({ item: l.item, count: l.count - l.came })),
  );
