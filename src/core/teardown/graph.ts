import { type BuildIndex, CONNECTOR_MOTION, screwWords } from "../build";
import { DRIVE_WORDS, motionStep, type Step } from "./step";

/** Steps that have to be done before a step, by step id. */
export type Needs = ReadonlyMap<string, readonly string[]>;

const id = (kind: Step["kind"], target = "") => (target ? `${kind}:${target}` : kind);

/** One way of several to satisfy a step: what has to be done for it. */
export interface Option {
  id: string;
  needs: string[];
}
export interface StepGraph {
  steps: Map<string, Step>;
  needs: Needs;
  /** Of each entry of a step one option is enough. */
  either: ReadonlyMap<string, readonly { why: string; options: readonly Option[] }[]>;
  /** Steps that lay something fragile bare, with what every later minute then costs. */
  exposes: ReadonlyMap<string, number>;
}

/**
 * Everything that could be done to this machine, as steps, with what each needs first.
 * @param b an indexed build
 * @example stepGraph(indexBuild(build)).needs.get("partOut:panel")
 */
export function stepGraph(b: BuildIndex): StepGraph {
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
        how: `${DRIVE_WORDS[t.drive]} ${t.size}${sorts > 1 ? `, ${sorts} lengths: keep them apart` : `, ${screwWords(t)}`}.${g.loosenOnly ? " A turn or two only: they stay in, and are tightened again on the way back." : ""}`,
        minutes: g.minutesEach * g.screws.length,
        backMinutes: g.minutesEach * g.screws.length,
        view: g.view,
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
        view: "lid",
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
        backMinutes: c.minutes,
        view: c.view,
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
        {
          id: id("partFold", p.id),
          kind: "partFold",
          target: p.id,
          station: "open",
          title: p.fold.verb,
          view: p.view,
          ...motionStep(p.fold),
        },
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
          view: p.view,
          ...motionStep(p.out),
          ...(p.role === "panel" ? {} : { backMinutes: (p.back ?? p.out).minutes }),
        },
        [...held, ...(p.fold ? [id("partFold", p.id)] : []), ...cables],
      );
  }
  const either = new Map<string, { why: string; options: Option[] }[]>();
  const freed = (x: string): string[] =>
    b.part.has(x)
      ? [away(x)]
      : b.group.has(x)
        ? [id(b.group.get(x)!.loosenOnly ? "screwsLoosen" : "screwsOut", x)]
        : b.connector.has(x)
          ? [id("cableOff", x)]
          : b.tape.has(x)
            ? [id("tapeOut", x)]
            : [];
  for (const p of build.parts) {
    if (!p.either?.length) continue;
    const of = id(p.out ? "partOut" : "partFold", p.id);
    if (!steps.has(of)) continue;
    either.set(
      of,
      p.either.map((e) => ({
        why: e.why,
        options: e.options.map((o) => {
          const act = o.instead ? id("tether", o.id) : null;
          if (act && o.instead)
            add(
              {
                id: act,
                kind: "tether",
                target: o.id,
                station: "open",
                title: o.instead.verb,
                view: p.view,
                ...motionStep(o.instead),
              },
              [],
            );
          return { id: o.id, needs: [...o.free.flatMap(freed), ...(act ? [act] : [])] };
        }),
      })),
    );
  }
  const exposes = new Map<string, number>();
  for (const p of build.parts) {
    if (!p.fragile) continue;
    for (const step of [id("partFold", p.fragile.exposedBy), id("partOut", p.fragile.exposedBy)])
      if (steps.has(step)) {
        exposes.set(step, (exposes.get(step) ?? 0) + p.fragile.perMinute);
        break;
      }
  }
  return { steps, needs, either, exposes };
}

/** Steps that isolation itself needs: every other one comes after it. */
export function isolationSteps(needs: Needs): Set<string> {
  const found = new Set<string>();
  const walk = ["drain"];
  while (walk.length) {
    const s = walk.pop()!;
    if (found.has(s)) continue;
    found.add(s);
    walk.push(...(needs.get(s) ?? []));
  }
  return found;
}
