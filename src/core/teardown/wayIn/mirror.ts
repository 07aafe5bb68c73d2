import { type Step, type StepKind, stepId } from "../step";
import { beforeOpenPass, earlySteps, whyLead } from "./leads";
import { beforeClosing, Says, type Source, type WayInAsk } from "./source";

/** The kind of step that undoes one of the way out; undefined where another source puts it back, or nothing does. */
const UNDOES: Partial<Record<StepKind, StepKind>> = {
  partOut: "partBack",
  screwsOut: "screwsBack",
  screwsLoosen: "screwsTighten",
  cableOff: "cableOn",
};

/** The subject and its own leads are put in by `bond` and `leads`. */
const isSubjects = ({ b }: WayInAsk, s: Step): boolean =>
  s.kind === "partOut"
    ? s.target === b.subject.id
    : s.kind === "cableOff" && b.connector.get(s.target)!.joins[0] === b.subject.id;

/**
 * The mirror: what came out goes back in reverse where nothing speaks against it.
 * @example mirror(ask).steps[0].kind // "partBack"
 */
export function mirror(ask: WayInAsk): Source {
  const { b, build, out } = ask;
  const say = new Says(ask);
  const early = earlySteps(ask);
  const seen = beforeOpenPass(ask);
  const ownScrews = new Set(build.screwGroups.filter((g) => g.holds === b.subject.id).map((g) => g.id));
  for (const s of [...out].reverse()) {
    const kind = UNDOES[s.kind];
    if (!kind || isSubjects(ask, s)) continue;
    const id = say.step(kind, s.target, kind === "cableOn" ? whyLead(ask, s.target, early) : undefined);
    if (!early.has(id) && !seen.has(id))
      say.before(
        ownScrews.has(s.target) ? stepId("seat") : beforeClosing(ask),
        id,
        ownScrews.has(s.target) ? "its screws hold it once it is seated" : "the open pass comes before closing up",
      );
    say.before(id, stepId("seams"), "seams are looked at once everything is back");
    if (kind !== "screwsBack" && kind !== "screwsTighten") continue;
    const { holds } = b.group.get(s.target)!;
    say.before(
      holds === b.subject.id ? stepId("seat") : stepId("partBack", holds),
      id,
      "a screw goes in once what it holds is in its place",
    );
  }
  for (const p of build.parts) {
    const back = stepId("partBack", p.id);
    for (const q of build.parts) if (q.blockedBy.includes(p.id)) say.before(stepId("partBack", q.id), back, "it lies behind it");
    for (const g of build.screwGroups)
      if (g.under.includes(p.id))
        for (const k of ["screwsBack", "screwsTighten"] as const) say.before(stepId(k, g.id), back, "those screws lie under it");
  }
  return say;
}
