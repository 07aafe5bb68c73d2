import { type Build, type BuildIndex, CONNECTOR_MOTION, indexBuild } from "../build";
import { DRIVE_WORDS, motionStep, type Step } from "./step";

/** Steps that have to be done before a step, by step id. */
type Needs = ReadonlyMap<string, readonly string[]>;

const id = (kind: Step["kind"], target = "") => (target ? `${kind}:${target}` : kind);

/** Everything that could be done to this machine, as steps, and what each needs first. */
function graph(b: BuildIndex): { steps: Map<string, Step>; needs: Needs } {
  const { build } = b;
  const steps = new Map<string, Step>();
  const needs = new Map<string, string[]>();
  const add = (s: Step, before: string[]) => {
    steps.set(s.id, s);
    needs.set(s.id, before);
  };
  /** Out of the way: folded over is enough for a part that folds. */
  const away = (part: string, self?: string) => {
    const p = b.part.get(part);
    return p?.fold && (part === self || p.role === "panel") ? id("partFold", part) : id("partOut", part);
  };
  add(
    {
      id: "shutDown",
      kind: "shutDown",
      target: "",
      station: "open",
      title: "Shut the machine down",
      how: "From its menu, not by holding the key. Wait until the light is out.",
      minutes: 1,
    },
    [],
  );
  add(
    {
      id: "mainsOut",
      kind: "mainsOut",
      target: "",
      station: "open",
      title: "Take the mains lead out",
      how: "And everything else plugged in: cards, sticks, dock.",
      minutes: 0.3,
    },
    ["shutDown"],
  );
  const isolated = ["mainsOut"];
  if (build.isolation.by === "batteryOffMode") {
    add(
      {
        id: "batteryOff",
        kind: "batteryOff",
        target: "",
        station: "open",
        title: "Enter battery-off mode and prove it",
        how: `${build.isolation.how} Proof: ${build.isolation.proof}`,
        minutes: 1.5,
      },
      ["mainsOut"],
    );
    isolated.push("batteryOff");
  } else isolated.push(...b.powerPoints.map((c) => id("cableOff", c.id)));
  add(
    {
      id: "drain",
      kind: "drain",
      target: "",
      station: "open",
      title: `Hold the power key ${build.isolation.drainS[0]} to ${build.isolation.drainS[1]} s`,
      how:
        build.isolation.by === "powerPoints"
          ? build.isolation.how
          : "It drains what the board still holds. From here the machine is isolated.",
      minutes: 0.3,
    },
    isolated,
  );

  for (const g of build.screwGroups) {
    const t = b.screwType.get(g.screws[0]!.type)!;
    const sorts = new Set(g.screws.map((s) => s.type)).size;
    add(
      {
        id: id(g.loosenOnly ? "screwsLoosen" : "screwsOut", g.id),
        kind: g.loosenOnly ? "screwsLoosen" : "screwsOut",
        target: g.id,
        station: "open",
        title: `${g.loosenOnly ? "Loosen" : "Take out"} ${g.screws.length} ${g.name.toLowerCase()}`,
        how: `${DRIVE_WORDS[t.drive]} ${t.size}${sorts > 1 ? `, ${sorts} lengths: keep them apart` : `, ${t.thread} × ${t.lengthMm}`}.${g.loosenOnly ? " A turn or two only: they stay in, and are tightened again on the way back." : ""}`,
        minutes: g.minutesEach * g.screws.length,
        tool: `${DRIVE_WORDS[t.drive]} ${t.size}`,
        ...(g.caution ? { caution: g.caution } : {}),
      },
      g.under.map((u) => away(u)),
    );
  }
  for (const t of build.tapes)
    add(
      {
        id: id("tapeOut", t.id),
        kind: "tapeOut",
        target: t.id,
        station: "open",
        title: t.out.verb,
        ...motionStep(t.out),
        ...(t.heat
          ? {
              caution: `${t.out.caution ? `${t.out.caution} ` : ""}Heat: lets go at ${t.heat.releaseC[0]} to ${t.heat.releaseC[1]} °C; ${t.heat.ceilings.map((c) => `${c.of} ${c.maxC} °C at most`).join(", ")}.`,
            }
          : {}),
      },
      t.under.map((u) => away(u)),
    );
  for (const c of build.connectors) {
    const m = CONNECTOR_MOTION[c.kind];
    const ofPanel = c.joins[0] === b.panel.id;
    add(
      {
        id: id("cableOff", c.id),
        kind: "cableOff",
        target: c.id,
        station: ofPanel ? "swap" : "open",
        title: `Take off ${c.name.toLowerCase()}`,
        how: `${c.tapedOver ? "Tape off first. " : ""}${m.out}.${c.mark ? ` ${c.mark}.` : ""}`,
        minutes: c.minutes,
        ...(c.powerPoint ? { caution: "Carries pack voltage. Insulate the open end." } : {}),
      },
      [...c.under.map((u) => away(u, c.joins[0])), ...(c.powerPoint ? ["mainsOut"] : c.aheadOfIsolation ? [] : ["drain"])],
    );
  }
  for (const p of build.parts) {
    const held = [
      ...build.screwGroups.filter((g) => g.holds === p.id).map((g) => id(g.loosenOnly ? "screwsLoosen" : "screwsOut", g.id)),
      ...build.tapes.filter((t) => t.holds === p.id).map((t) => id("tapeOut", t.id)),
      ...p.blockedBy.map((x) => away(x)),
    ];
    const cables = build.connectors.filter((c) => c.joins[0] === p.id).map((c) => id("cableOff", c.id));
    if (p.fold)
      add(
        { id: id("partFold", p.id), kind: "partFold", target: p.id, station: "open", title: p.fold.verb, ...motionStep(p.fold) },
        held,
      );
    if (p.out)
      add(
        {
          id: id("partOut", p.id),
          kind: "partOut",
          target: p.id,
          station: p.role === "panel" ? "swap" : "open",
          title: p.out.verb,
          ...motionStep(p.out),
        },
        [...held, ...(p.fold ? [id("partFold", p.id)] : []), ...cables],
      );
  }
  return { steps, needs };
}

/** What a goal needs: closure under "needs". */
function closure(needs: Needs, goals: readonly string[]): Set<string> {
  const out = new Set<string>();
  const open = [...goals];
  while (open.length) {
    const s = open.pop()!;
    if (out.has(s)) continue;
    out.add(s);
    open.push(...(needs.get(s) ?? []));
  }
  return out;
}

export type WayOut = { ok: true; steps: Step[]; skipped: Step[] } | { ok: false; problem: string };

/**
 * What must move for "panel out", in a valid order. *Isolated* is part of the goal, and comes as early as precedence allows;
 * then the bit in hand is kept while it can be.
 * @param build a sound build
 * @returns the steps in order and the ones this goal does not need; a problem names a circle
 * @example wayOut(build).steps.at(-1)?.id // "partOut:panel"
 */
export function wayOut(build: Build): WayOut {
  const b = indexBuild(build);
  const { steps, needs } = graph(b);
  const wanted = closure(needs, [id("partOut", b.panel.id), "drain"]);
  const forIsolation = closure(needs, ["drain"]);
  const order = [...steps.keys()];
  const done = new Set<string>();
  const out: Step[] = [];
  let tool: string | undefined;
  while (out.length < wanted.size) {
    const ready = order.filter((s) => wanted.has(s) && !done.has(s) && (needs.get(s) ?? []).every((n) => done.has(n)));
    if (ready.length === 0)
      return { ok: false, problem: `These wait for each other: ${[...wanted].filter((s) => !done.has(s)).join(", ")}` };
    const rank = (s: string) => (forIsolation.has(s) ? 0 : 10) + (steps.get(s)!.tool === tool ? 0 : 1);
    const next = ready.reduce((a, c) => (rank(c) < rank(a) ? c : a));
    const step = steps.get(next)!;
    if (step.tool) tool = step.tool;
    done.add(next);
    out.push(step);
  }
  return { ok: true, steps: out, skipped: order.filter((s) => !wanted.has(s)).map((s) => steps.get(s)!) };
}
