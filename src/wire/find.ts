/** Something of the shop that answers what was typed. */
export interface FindHit {
  kind: "job" | "machine" | "panel" | "seller" | "page";
  title: string;
  note: string;
  href: string;
}
/** GET /api/find?q=: the nearest first. */
export interface FindReply {
  hits: FindHit[];
  /** How many more answer as well. */
  more: number;
}
