import type { Procedure, ProcedureState, ProcedureStep } from "./schema";

/**
 * Something that happened in a procedure: wall clock and monotonic clock of the device, its session (a new one at each reload), and
 * the server's time when it reached it; all in s.
 */
export type ProcedureEvent = { at: number; mono: number; session: string; server?: number } & (
  | { kind: "done"; step: string }
  | { kind: "state"; set: ProcedureState }
);

export interface ProcedureNow {
  next: string | null;
  done: string[];
  /** Where it began again, or null where an act was only refused and nothing was lost. */
  breaches: { restart: string | null; why: string }[];
  state: Record<string, unknown>;
  /** Clocks that disagreed and did not matter. */
  notes: string[];
}

/** A server's time is this good, s. */
const SERVER_S = 2;
/** Clocks of one session that differ by more are noted; a wall clock this far ahead of the other was a device asleep, s. */
const [NOTED_S, ASLEEP_S] = [2, 5];

/**
 * How long lies between two events, at least and at most, s. One session: its monotonic clock, whatever the wall clock did; another
 * session: the server's times; neither: unknown.
 * @example elapsedBetween({ at: 0, mono: 0, session: "a" }, { at: 27, mono: 27, session: "a" }).least // 27
 */
export function elapsedBetween(
  a: Pick<ProcedureEvent, "at" | "mono" | "session" | "server">,
  b: Pick<ProcedureEvent, "at" | "mono" | "session" | "server">,
): { least: number; most: number; note: string | null } {
  const server = a.server !== undefined && b.server !== undefined ? b.server - a.server : null;
  const byServer = (s: number) => ({ least: s - SERVER_S, most: s + SERVER_S });
  if (a.session !== b.session)
    return server === null ? { least: 0, most: Number.POSITIVE_INFINITY, note: null } : { ...byServer(server), note: null };
  const mono = b.mono - a.mono;
  const ahead = b.at - a.at - mono;
  // Asleep, its monotonic clock stood still: then the server's difference counts.
  if (ahead > ASLEEP_S && server !== null && server - mono > ASLEEP_S - SERVER_S)
    return { ...byServer(server), note: `the device slept for about ${Math.round(server - mono)} s` };
  const note = Math.abs(ahead) > NOTED_S ? `its clock was set by ${Math.round(ahead)} s meanwhile` : null;
  return { least: mono, most: mono, note };
}

/**
 * Where a procedure stands, told from what was recorded. A step before its time, or without a state it needs, is refused and loses
 * nothing; a window broken or a state lost begins again at the step named, with all later ones. A guess is never a pass.
 * @param events in the order they happened
 * @example foldProcedure({ format: "helvane.procedure", version: 1, id: "first-start", maker: "Tollund", source: "note", steps: [{ id: "mains-in", act: "Mains in" }] }, []).next // "mains-in"
 */
export function foldProcedure(p: Procedure, events: readonly ProcedureEvent[]): ProcedureNow {
  const done = new Map<string, ProcedureEvent>();
  const state: Record<string, unknown> = { mains: null, network: null, lid: null };
  const breaches: ProcedureNow["breaches"] = [];
  const notes: string[] = [];
  const restart = (id: string, why: string) => {
    breaches.push({ restart: id, why });
    const from = p.steps.findIndex((s) => s.id === id);
    for (const s of p.steps.slice(from)) done.delete(s.id);
  };
  const refuse = (why: string) => {
    breaches.push({ restart: null, why });
  };
  const ready = (s: ProcedureStep) => (s.after ?? []).every((a) => done.has(a));
  for (const e of events) {
    if (e.kind === "state") {
      Object.assign(state, e.set);
      for (const s of p.steps)
        for (const k of ["mains", "network"] as const) {
          const to = s.lost?.[k];
          if (to && e.set[k] === false && !done.has(s.id) && ready(s)) restart(to, `${k} lost`);
        }
      continue;
    }
    const s = p.steps.find((x) => x.id === e.step);
    if (!s) {
      refuse(`unknown step "${e.step}"`);
      continue;
    }
    const first = (s.after ?? []).find((a) => !done.has(a));
    const need = Object.entries(s.needs ?? {}).find(([k, v]) => state[k] !== v);
    if (first) refuse(`${first} first`);
    else if (need) refuse(`${need[0]} must be ${need[1]}`);
    else if (inTime(s, done, e, { restart, refuse, notes })) {
      done.set(s.id, e);
      Object.assign(state, s.sets ?? {});
    }
  }
  return { next: p.steps.find((s) => !done.has(s.id))?.id ?? null, done: [...done.keys()], breaches, state, notes };
}

/** Whether a step came within its window; says what follows where it did not. Its ends count as inside. */
function inTime(
  s: ProcedureStep,
  done: ReadonlyMap<string, ProcedureEvent>,
  e: ProcedureEvent,
  say: { restart: (id: string, why: string) => void; refuse: (why: string) => void; notes: string[] },
): boolean {
  const w = s.window;
  if (!w) return true;
  const since = done.get(w.since);
  if (!since) {
    say.refuse(`${w.since} first`);
    return false;
  }
  const { least, most, note } = elapsedBetween(since, e);
  if (note) say.notes.push(note);
  const latest = w.atMostS ?? Number.POSITIVE_INFINITY;
  // What costs nothing but waiting is only refused.
  const tooEarly = (why: string) => (w.early ? say.restart(w.early, why) : say.refuse(why));
  if (most < w.atLeastS) tooEarly("too early");
  else if (least > latest) say.restart(w.late!, "too late");
  else if (least < w.atLeastS || most > latest) {
    if (w.late) say.restart(w.late, "time not certain");
    else tooEarly("time not certain");
  } else return true;
  return false;
}
