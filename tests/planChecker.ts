import type { Build } from "@/core/build";

interface Named {
  id: string;
  kind: string;
  target: string;
}

/**
 * Judges a plan by the rules of the bench alone. It reads the build and the names of the steps and knows nothing of how a plan
 * is made: what is held, covered or blocked; what is live; what can be reached; what was taken and has to come back.
 * @returns everything that is wrong, empty for a sound plan
 */
export function judgePlan(b: Build, out: readonly Named[], back: readonly Named[], last = "partOut:panel"): string[] {
  const wrong: string[] = [];
  const say = (s: Named, words: string) => wrong.push(`${s.id}: ${words}`);
  const part = new Map(b.parts.map((p) => [p.id, p]));
  const group = new Map(b.screwGroups.map((g) => [g.id, g]));
  const plug = new Map(b.connectors.map((c) => [c.id, c]));
  const tape = new Map(b.tapes.map((t) => [t.id, t]));
  const panel = b.subject.part;
  const away = new Set<string>();
  const folded = new Set<string>();
  const screws = new Map<string, "in" | "out" | "loose">(b.screwGroups.map((g) => [g.id, "in"]));
  const off = new Set<string>();
  const free = new Set<string>();
  const tethered = new Set<string>();
  const looked = new Set<string>();
  const open = new Set((b.looks ?? []).map((l) => l.of));
  // Broken by coming out, or on the new part already: nobody puts it back.
  const noWayBack = new Set(b.parts.filter((p) => p.fate === "destroyed" || p.fate === "comesWithNew").map((p) => p.id));
  let running = true;
  let mains = true;
  let batteryOff = false;
  let drained = false;
  // Over a thousand volts as soon as it is fed: closed first, or guarded by somebody trained.
  const lamp = b.inverterOn !== undefined || b.connectors.some((c) => c.kind === "lampLead");
  let guarded = false;
  const gone = (id: string) => away.has(id) || folded.has(id);
  const isolated = () =>
    !running &&
    !mains &&
    drained &&
    (b.isolation.by === "batteryOffMode" ? batteryOff : b.connectors.every((c) => !c.powerPoint || off.has(c.id)));
  const isAway = (id: string) =>
    part.has(id) ? gone(id) : group.has(id) ? screws.get(id) !== "in" : plug.has(id) ? off.has(id) : free.has(id);
  const power = (s: Named): boolean => {
    if (s.kind === "shutDown") running = false;
    else if (s.kind === "mainsOut") {
      if (running) say(s, "mains out while it runs");
      mains = false;
    } else if (s.kind === "batteryOff") batteryOff = true;
    else if (s.kind === "drain") {
      const points = b.isolation.by === "batteryOffMode" ? batteryOff : b.connectors.every((c) => !c.powerPoint || off.has(c.id));
      if (running || mains || !points) say(s, "drained before power is off");
      drained = true;
    } else if (s.kind === "mainsIn") {
      if (lamp && !guarded && [...away].some((x) => part.get(x)!.view === "lid" && x !== panel))
        say(s, "a lamp circuit fed open");
      mains = true;
      running = true;
      drained = false;
      batteryOff = false;
    } else if (s.kind === "lampGuard") guarded = true;
    else if (s.kind === "lampWait") guarded = false;
    else return false;
    return true;
  };
  const seen = new Set<string>();
  for (const s of out) {
    if (seen.has(s.id)) say(s, "twice");
    seen.add(s.id);
    if (power(s)) continue;
    if (s.kind !== "look" && open.has(s.target) && !looked.has(s.target)) say(s, "undone on a guess: never looked at");
    const g = group.get(s.target);
    const p = part.get(s.target);
    const c = plug.get(s.target);
    const t = tape.get(s.target);
    if (s.kind === "screwsOut" || s.kind === "screwsLoosen") {
      for (const u of g!.under) if (!gone(u)) say(s, `under ${u}`);
      if (g!.loosenOnly !== (s.kind === "screwsLoosen")) say(s, "loosened and taken out mixed up");
      screws.set(s.target, s.kind === "screwsOut" ? "out" : "loose");
    } else if (s.kind === "tapeOut") {
      for (const u of t!.under) if (!gone(u)) say(s, `under ${u}`);
      free.add(s.target);
    } else if (s.kind === "cableOff") {
      for (const u of c!.under) if (!gone(u)) say(s, `under ${u}`);
      if (!c!.powerPoint && !c!.aheadOfIsolation && !isolated()) say(s, "before isolation");
      if (c!.powerPoint && (running || mains)) say(s, "battery plug with mains in");
      off.add(s.target);
    } else if (s.kind === "turnLid") {
      for (const x of b.turns!.find((y) => y.id === s.target)!.free) if (!isAway(x)) say(s, `${x} in the way of it`);
    } else if (s.kind === "tether") tethered.add(s.target);
    else if (s.kind === "look") looked.add(s.target);
    else if (s.kind === "partOut" || s.kind === "partFold") {
      for (const x of p!.blockedBy) if (!gone(x)) say(s, `blocked by ${x}`);
      for (const y of b.screwGroups) if (y.holds === s.target && screws.get(y.id) === "in") say(s, `held by ${y.id}`);
      for (const y of b.tapes) if (y.holds === s.target && !free.has(y.id)) say(s, `taped by ${y.id}`);
      if (s.kind === "partOut") {
        for (const y of b.connectors) if (y.joins[0] === s.target && !off.has(y.id)) say(s, `tied by ${y.id}`);
        for (const e of p!.either)
          if (!e.options.some((o) => o.free.every(isAway) && (o.instead ? tethered.has(o.id) : o.free.length > 0)))
            say(s, `no way taken: ${e.why}`);
        if (p!.fold && !folded.has(s.target)) say(s, "not folded first");
        away.add(s.target);
      } else folded.add(s.target);
    } else say(s, "no step of a way out");
  }
  if (out.at(-1)?.id !== last && !seen.has(last)) wrong.push(`never reaches ${last}`);
  if (!isolated()) wrong.push("the way out ends without isolation");

  // The way back.
  const tookOut = new Map(screws);
  const outParts = new Set(away);
  let seated = false;
  let tested = false;
  const hung = b.subject.kind === "lidAssembly" && b.tapes.every((t) => t.holds !== panel);
  for (const s of back) {
    if (seen.has(s.id) && !["shutDown", "mainsOut", "drain", "batteryOff"].includes(s.kind)) say(s, "twice");
    seen.add(s.id);
    if (power(s)) continue;
    const c = plug.get(s.target);
    const g = group.get(s.target);
    const p = part.get(s.target);
    if (s.kind === "looseTest") {
      const left = b.connectors.filter((x) => x.joins[0] === panel && off.has(x.id));
      if (hung && !seated) say(s, "tried hanging on its leads");
      if (left.length) say(s, `tested without ${left.map((x) => x.id).join(", ")}`);
      if (!running) say(s, "tested without power");
      tested = true;
    } else if (s.kind === "cableOn") {
      if (!off.has(s.target)) say(s, "was never off");
      for (const u of c!.under) if (u !== panel && outParts.has(u) && !away.has(u)) say(s, `covered by ${u} again`);
      if (seated && !c!.reachableWhenSeated) say(s, "cannot be reached any more");
      if (seated && c!.under.includes(panel)) say(s, "behind the panel");
      if (!c!.powerPoint && !isolated()) say(s, "connected before isolation");
      if (c!.powerPoint && (running || mains)) say(s, "battery plug under power");
      off.delete(s.target);
    } else if (s.kind === "linerPull") {
      if (!tested && !lamp) say(s, "liner before a loose test");
      if (!isolated()) say(s, "liner under power");
    } else if (s.kind === "seat") {
      // A whole lid hangs on its hinges before its leads are on, and is tried there; all else is tried, then seated.
      if (hung && tested) say(s, "tried before anything held it");
      if (!hung && !tested && !lamp) say(s, "seated before a loose test");
      const shut = (x: (typeof b.connectors)[0]) => !hung || !x.reachableWhenSeated || x.under.includes(panel);
      if (b.connectors.some((x) => x.joins[0] === panel && off.has(x.id) && shut(x))) say(s, "seated over open connectors");
      seated = true;
    } else if (s.kind === "partBack") {
      if (!away.has(s.target)) say(s, "was never out");
      if (noWayBack.has(s.target)) say(s, "does not go back");
      for (const q of b.parts)
        if (q.blockedBy.includes(s.target) && q.id !== panel && away.has(q.id) && !noWayBack.has(q.id))
          say(s, `over ${q.id}, which is still out`);
      for (const y of b.screwGroups)
        if (y.under.includes(s.target) && screws.get(y.id) !== "in" && y.holds !== s.target && tookOut.get(y.id) !== "in")
          say(s, `over ${y.id}, not back yet`);
      if (!seated && p!.role === "bezel") say(s, "before the panel");
      away.delete(s.target);
    } else if (s.kind === "screwsBack" || s.kind === "screwsTighten") {
      if (screws.get(s.target) === "in") say(s, "was never touched");
      if (away.has(g!.holds) && g!.holds !== panel) say(s, `${g!.holds} is still out`);
      if (g!.holds === panel && !seated) say(s, "before the panel is seated");
      screws.set(s.target, "in");
    }
  }
  for (const [id, st] of screws) if (st !== "in") wrong.push(`${id} stays ${st}`);
  for (const id of away) if (id !== panel && id !== b.subject.part && !noWayBack.has(id)) wrong.push(`${id} stays out`);
  for (const id of off) wrong.push(`${id} stays off`);
  if (!seated) wrong.push("the panel is never seated");
  return wrong;
}
