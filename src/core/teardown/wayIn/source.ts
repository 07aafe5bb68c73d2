import { type Build, type BuildIndex, hasFilms, partsHeld, screwsComeBack, triedWhole } from "../../build";
import { type CutPiece, cutList } from "../../tape";
import { type PlanChange, type Planned, type Step, type StepKind, stepId } from "../step";
import { makeStep } from "../steps";

/** One step before another on the way in, and why. */
export interface Edge {
  first: string;
  then: string;
  why: string;
  /** An order that is kept unless something else speaks against it: the mirror of an order on the way out. */
  soft?: true;
  /** Nothing comes between. */
  atOnce?: true;
}

/** What every source of the way in is asked with. */
export interface WayInAsk extends Planned {
  build: Build;
  /** The way out, in order. */
  out: readonly Step[];
  /** New strips of tape; none where the subject is held by screws alone. */
  pieces: readonly CutPiece[];
  /** Steps that fix the subject in its place. */
  settled: readonly string[];
}

/** Steps a source adds, in the order of work, and what it puts before what: by step id, also of steps another source adds. */
export interface Source {
  steps: Step[];
  edges: Edge[];
}

/** What a source of the way in is asked with. @example wayInAsk(b, plan.out, []).pieces.length // 3 */
export function wayInAsk(b: BuildIndex, out: readonly Step[], changes: readonly PlanChange[]): WayInAsk {
  const { build } = b;
  const pieces = cutList(build);
  const own = build.screwGroups.filter((g) => partsHeld(g).includes(b.subject.id) && screwsComeBack(build, g));
  const settled = [
    pieces.length ? stepId("press") : stepId("seat"),
    ...own.map((g) => stepId(g.loosenOnly ? "screwsTighten" : "screwsBack", g.id)),
  ];
  return { b, build, out, changes, pieces, settled };
}

/** One step before another, and why. @example edge("dust", "seat", "dust shows").first // "dust" */
export const edge = (first: string, then: string, why: string): Edge => ({ first, then, why });

/** Collects what one source has to say. */
export class Says implements Source {
  readonly steps: Step[] = [];
  readonly edges: Edge[] = [];
  constructor(readonly ask: WayInAsk) {}
  /** A step of this kind, with another word on why it stands here where there is one. */
  step(kind: StepKind, target = "", because?: string): string {
    const made = makeStep(this.ask, kind, target);
    this.steps.push(because ? { ...made, because } : made);
    return made.id;
  }
  before(first: string, then: string, why: string): void {
    this.edges.push(edge(first, then, why));
  }
  /** Kept unless it would close a circle. */
  rather(first: string, then: string, why: string): void {
    this.edges.push({ ...edge(first, then, why), soft: true });
  }
  /** Nothing comes between. */
  atOnce(first: string, next: string, why: string): void {
    this.edges.push({ ...edge(first, next, why), atOnce: true });
  }
  /** One after the other. */
  chain(ids: readonly string[], why: string): void {
    ids.forEach((id, i) => {
      const next = ids[i + 1];
      if (next) this.before(id, next, why);
    });
  }
}

/**
 * What the bond begins with: with tape the lowering is rehearsed, without it the pocket is dusted; a whole lid is set on at once.
 * @example firstOfBond(ask) // "rehearse"
 */
export const firstOfBond = (ask: WayInAsk): string =>
  ask.pieces.length ? stepId("rehearse") : hasFilms(ask.build) ? stepId("dust") : stepId("seat");

/**
 * The first step after the open pass that is no power: the front film, or the looking round where there is none.
 * @example firstOfClose(ask) // "frontFilmOff"
 */
export const firstOfClose = (ask: WayInAsk): string => stepId(hasFilms(ask.build) ? "frontFilmOff" : "seams");
/** What everything that closes up comes after. @example beforeClosing(ask) // "frontFilmOff" */
export const beforeClosing = (ask: WayInAsk): string =>
  hasFilms(ask.build) ? stepId("frontFilmOff") : triedWhole(ask.build) ? ask.settled[0]! : stepId("drain", "close");
