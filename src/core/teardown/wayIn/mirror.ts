import { comesBack, partsHeld, screwsComeBack, turnOf } from "../../build";
import { type Step, type StepKind, stepId } from "../step";
import { beforeOpenPass, earlySteps, whyLead } from "./leads";
import { beforeClosing, Says, type Source, type WayInAsk } from "./source";

/** The kind of step that undoes one of the way out; undefined where another source puts it back, or nothing does. */
const UNDOES: Partial<Record<StepKind, StepKind>> = {
  partOut: "partBack",
  screwsOut: "screwsBack",
  screwsLoosen: "screwsTighten",
  cableOff: "cableOn",
  turnLid: "turnBack",
};

/** The subject and its own leads are put in by `bond` and `leads`. */
const isSubjects = ({ b }: WayInAsk, s: Step): boolean =>
  s.kind === "partOut"
    ? s.target === b.subject.id
    : s.kind === "cableOff" && b.connector.get(s.target)!.joins[0] === b.subject.id;

/** What broke by coming out, or comes with the new one, has no way back; nor have screws that held nothing else. */
const goesBack = ({ b, build }: WayInAsk, s: Step): boolean =>
  s.kind === "partOut"
    ? comesBack(b.part.get(s.target)!)
    : s.kind === "screwsOut"
      ? screwsComeBack(build, b.group.get(s.target)!)
      : true;

/** Orders of the way out, mirrored: what came last goes first, unless something else speaks against it. */
function orders(say: Says): void {
  const { b, build } = say.ask;
  const back = (id: string): string[] =>
    id === b.subject.id
      ? [stepId("seat")]
      : b.part.has(id)
        ? [stepId("partBack", id)]
        : b.group.has(id)
          ? [stepId("screwsBack", id), stepId("screwsTighten", id)]
          : b.connector.has(id)
            ? [stepId("cableOn", id)]
            : turnOf(build, id)
              ? [stepId("turnBack", id)]
              : [];
  const first = (x: string, then: string, why: string) => {
    for (const f of back(x)) for (const t of back(then)) if (f !== t) say.rather(f, t, why);
  };
  for (const x of [...build.parts, ...build.screwGroups, ...build.connectors]) {
    for (const a of x.after ?? [])
      first(x.id, a, turnOf(build, a) ? "it is reached while the lid stands turned" : "it came off later, so it goes on earlier");
    if ("lastOf" in x && x.lastOf)
      for (const h of [
        ...build.screwGroups.filter((g) => partsHeld(g).includes(x.lastOf!)),
        ...build.connectors.filter((c) => c.joins[0] === x.lastOf),
      ])
        if (h.id !== x.id && h.lastOf !== x.lastOf) first(x.id, h.id, "it came off last, so it goes on first");
    if ("keepUntil" in x && x.keepUntil) {
      const hold = "without them nothing holds it";
      const turn = turnOf(build, x.keepUntil);
      if (turn) for (const f of back(x.id)) say.before(f, stepId("turnBack", turn.id), hold);
      else first(x.id, x.keepUntil, hold);
    }
  }
  for (const t of build.turns ?? []) {
    for (const x of t.free) first(t.id, x, "the lid is turned back before it");
    say.before(stepId("turnBack", t.id), stepId("seams"), "seams are looked at once everything is back");
  }
}

/**
 * The mirror: what came out goes back in reverse where nothing speaks against it.
 * @example mirror(ask).steps[0].kind // "partBack"
 */
export function mirror(ask: WayInAsk): Source {
  const { b, build, out } = ask;
  const say = new Says(ask);
  const early = earlySteps(ask);
  const seen = beforeOpenPass(ask);
  const ownScrews = new Set(build.screwGroups.filter((g) => partsHeld(g).includes(b.subject.id)).map((g) => g.id));
  for (const s of [...out].reverse()) {
    const kind = UNDOES[s.kind];
    if (!kind || isSubjects(ask, s) || !goesBack(ask, s)) continue;
    const id = say.step(kind, s.target, kind === "cableOn" ? whyLead(ask, s.target, early) : undefined);
    if (kind !== "turnBack" && !early.has(id) && !seen.has(id))
      say.before(
        ownScrews.has(s.target) ? stepId("seat") : beforeClosing(ask),
        id,
        ownScrews.has(s.target) ? "its screws hold it once it is seated" : "the open pass comes before closing up",
      );
    say.before(id, stepId("seams"), "seams are looked at once everything is back");
    if (kind !== "screwsBack" && kind !== "screwsTighten") continue;
    for (const holds of partsHeld(b.group.get(s.target)!))
      say.before(
        holds === b.subject.id ? stepId("seat") : stepId("partBack", holds),
        id,
        "a screw goes in once what it holds is in its place",
      );
  }
  orders(say);
  for (const p of build.parts) {
    const back = stepId("partBack", p.id);
    for (const q of build.parts) if (q.blockedBy.includes(p.id)) say.before(stepId("partBack", q.id), back, "it lies behind it");
    for (const g of build.screwGroups)
      if (g.under.includes(p.id))
        for (const k of ["screwsBack", "screwsTighten"] as const) say.before(stepId(k, g.id), back, "those screws lie under it");
  }
  return say;
}
