/** What a bench is fed by, and what keeps it from being fed. */
export interface BenchState {
  mains: "unknown" | "in" | "out";
  /** Told by an act: started, shut down; null before any. */
  running: boolean | null;
  shutDown: boolean;
  batteryOff: boolean;
  drained: boolean;
  /** Power came while it stood open: an inverter, where there is one, is charged until it was left alone. */
  openLive: boolean;
  /** Whoever insulated the inverter and keeps hands off, for this start only. */
  lampGuard: string | null;
  /** Solvent that is not dry yet: since which act, and how long it takes, min. */
  solvent: { clock: string; dryMin: number } | null;
  /** Films lie bare since that act, and whether a clean sheet lies over them; null while nothing does. */
  films: { clock: string; covered: boolean } | null;
  /** Clock of the act that last made the bench isolated or ended it. */
  since: string | null;
}

/** Nothing is recorded yet. */
export const QUIET: Readonly<BenchState> = {
  mains: "unknown",
  running: null,
  shutDown: false,
  batteryOff: false,
  drained: false,
  openLive: false,
  lampGuard: null,
  solvent: null,
  films: null,
  since: null,
};
