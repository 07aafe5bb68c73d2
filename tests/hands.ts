import type { Build } from "@/core/build";
import type { JobEvent } from "@/core/job";

/**
 * Two hands at a machine. It is told what is done, act by act, and says what a hand could not have done: what cannot be reached,
 * what is still held, what has no supply, what is touched under voltage, what lies the wrong way round. It reads the build and
 * the acts and knows nothing of plans, steps, gates or states.
 */
export class Hands {
  /** What was impossible or harmful, in words; empty for a sound job. */
  readonly wrong: string[] = [];
  private readonly out = new Set<string>();
  private readonly folded = new Set<string>();
  private readonly off = new Set<string>();
  private readonly screw = new Map<string, "out" | "loose">();
  private readonly tapeOut = new Set<string>();
  private readonly laid = new Set<string>();
  private readonly tethered = new Set<string>();
  /** The lid stands at the angle of these turns. */
  private readonly turned = new Set<string>();
  private readonly turnedBack = new Set<string>();
  private mains: "in" | "out" = "in";
  private running = true;
  private modeOff = false;
  private charged = true;
  private subject: "old" | "none" | "seated" = "old";
  private backFilm = true;
  private pressed = false;
  private tested: boolean = false;
  private proven = 0;
  private batterySeen = false;
  private readonly looked = new Set<string>();
  /** What the build left open and was looked at. */
  private readonly seen = new Set<string>();
  private readonly clean = new Set<string>();
  private readonly retaped = new Set<string>();
  /** Over a thousand volts: fed while the lid lay open, and whether somebody made it safe for that. */
  private lampGuarded = false;
  private lampCharged = false;

  constructor(private readonly b: Build) {}

  /** Runs a whole log. */
  run(events: readonly JobEvent[]): this {
    for (const e of events) this.act(e);
    return this;
  }

  private say(e: { type: string }, about: string, words: string): void {
    this.wrong.push(`${e.type} ${about}: ${words}`);
  }
  private get points() {
    return this.b.connectors.filter((c) => c.powerPoint);
  }
  /** The pack reaches the board. */
  private get packOn(): boolean {
    if (this.modeOff) return false;
    return this.b.isolation.by === "batteryOffMode" || this.points.length === 0 || this.points.every((c) => !this.off.has(c.id));
  }
  /** Some of the pack's voltage lies on a plug. */
  private get packAnywhere(): boolean {
    if (this.b.isolation.by === "batteryOffMode") return !this.modeOff;
    return this.points.length === 0 || this.points.some((c) => !this.off.has(c.id));
  }
  private get voltage(): boolean {
    return this.mains === "in" || this.packAnywhere || this.charged;
  }
  /** What lies on the thing: not moved out of the way. */
  private over(under: readonly string[], self = ""): string[] {
    return under.filter(
      (u) => u !== self && (u === this.b.subject.part ? this.subject !== "none" : !this.out.has(u) && !this.folded.has(u)),
    );
  }
  private powerLost(): void {
    if (this.mains === "out" && !this.packOn) this.running = false;
  }
  private fed(supply: "mains" | "battery" | "mainsAndBattery"): string | null {
    if (supply !== "battery" && this.mains === "out") return "no mains in";
    if (supply !== "mains" && !this.packOn) return "the pack is not on";
    return null;
  }
  /** The picture's and the power's way from board to panel, both ends of each lead. */
  private openLeads(): string[] {
    const serves = new Set<string>(["picture", "power"]);
    return this.b.connectors
      .filter((c) => (serves.has(c.serves) || c.joins[0] === this.b.subject.part) && this.off.has(c.id))
      .map((c) => c.id);
  }

  private get lamp(): boolean {
    return this.b.inverterOn !== undefined || this.b.connectors.some((c) => c.kind === "lampLead");
  }
  /** The lid is open: the panel or its frame lies bare. */
  private get lidOpen(): boolean {
    if (this.subject === "none") return true;
    return this.b.parts.some(
      (p) =>
        p.view === "lid" && this.goesBack(p.id) && p.id !== this.b.subject.part && (this.out.has(p.id) || this.folded.has(p.id)),
    );
  }
  /** What feeds or wakes it with an open lamp circuit; where a hand goes next matters as well. */
  private volts(e: JobEvent): void {
    if (!this.lamp) return;
    const point = this.b.connectors.find((c) => c.id === (e.payload as { connector?: string }).connector)?.powerPoint;
    const feeds = ["bench.mainsIn", "bench.started", "swap.looseTested", "prove.checkDone"].includes(e.type);
    if ((feeds || (e.type === "swap.cableConnected" && point && this.b.isolation.startsWhenAttached)) && this.lidOpen) {
      if (!this.lampGuarded) this.say(e, "", "the lamp circuit is fed with the lid open");
      this.lampCharged = true;
    }
    if (e.type === "bench.lampGuarded") this.lampGuarded = true;
    if (e.type === "bench.lampWaited") {
      if (this.running || this.mains === "in") this.say(e, "", "it does not discharge while it is fed");
      this.lampCharged = false;
      this.lampGuarded = false;
    }
    if (this.lampCharged && /^(swap\.cable|open\.|close\.(part|screw)|bond\.)/.test(e.type) && !point)
      this.say(e, "", "a hand goes in while the inverter is charged");
  }

  /** Undone without a look, where whoever described it did not know. */
  private guessed(e: JobEvent): void {
    const p = e.payload as { screw?: string; screws?: string[]; part?: string; tape?: string; connector?: string };
    const undone: Record<string, string | undefined> = {
      "open.partOut": p.part,
      "open.partFolded": p.part,
      "open.tapeOut": p.tape,
      "swap.cableDisconnected": p.connector,
    };
    const screw = e.type.startsWith("open.screw") ? (p.screw ?? p.screws?.[0]) : undefined;
    const of = undone[e.type] ?? this.b.screwGroups.find((g) => g.screws.some((s) => s.id === screw))?.id;
    if (of && this.b.looks?.some((l) => l.of === of) && !this.seen.has(of)) this.say(e, of, "undone on a guess");
  }
  private act(e: JobEvent): void {
    this.volts(e);
    this.guessed(e);
    const { b } = this;
    const p = e.payload as Record<string, never> & Record<string, string>;
    const say = (about: string, words: string) => this.say(e, about, words);
    switch (e.type) {
      case "bench.shutDown":
        this.running = false;
        return;
      case "bench.mainsOut":
        if (this.running && !this.packOn) say("", "it loses power while it runs");
        this.mains = "out";
        this.powerLost();
        return;
      case "bench.mainsIn":
        if (this.subject === "none" && !this.tested && this.halfConnected()) say("", "power on a half-connected panel");
        this.mains = "in";
        this.modeOff = false;
        this.charged = true;
        if (b.isolation.startsWhenAttached) this.running = true;
        return;
      case "bench.batteryOff":
        if (b.isolation.by !== "batteryOffMode") say("", "this machine has no such mode");
        if (this.running || this.mains === "in") say("", "the mode needs it off and the mains out");
        this.modeOff = true;
        return;
      case "bench.drained":
        if (this.running || this.mains === "in" || this.packAnywhere) say("", "nothing drains while something feeds");
        this.charged = false;
        return;
      case "bench.started":
        if (this.mains === "out" && !this.packOn) say("", "it cannot start: nothing feeds it");
        this.running = true;
        this.modeOff = false;
        this.charged = true;
        return;
      case "open.screwOut":
      case "open.screwLoosened":
        this.unscrew(e, [p.screw!], e.type === "open.screwLoosened");
        return;
      case "open.screwsOutTogether":
        this.unscrew(e, (e.payload as unknown as { screws: string[] }).screws, false);
        return;
      case "open.tapeOut": {
        const t = b.tapes.find((x) => x.id === p.tape)!;
        const on = this.over(t.under, t.holds);
        if (on.length) say(t.id, `${on.join(", ")} lies over it`);
        this.tapeOut.add(t.id);
        return;
      }
      case "open.lidTurned": {
        const t = b.turns!.find((x) => x.id === p.turn)!;
        for (const x of t.free) if (!this.isAway(x)) say(t.id, `${x} is still in the way of it`);
        if (this.turned.has(t.id)) say(t.id, "stands so already");
        this.turned.add(t.id);
        return;
      }
      case "close.lidTurnedBack":
        if (!this.turned.has(p.turn!)) say(p.turn!, "never stood so");
        for (const g of b.screwGroups)
          if (g.keepUntil === p.turn && this.goesBack(g.holds) && g.screws.some((s) => this.screw.has(s.id)))
            say(p.turn!, `the lid drops: ${g.id} are out`);
        this.turned.delete(p.turn!);
        this.turnedBack.add(p.turn!);
        return;
      case "open.looked":
        this.seen.add(p.of!);
        return;
      case "open.tethered":
        this.tethered.add(p.option!);
        return;
      case "open.partFolded":
        this.free(e, p.part!, true);
        this.folded.add(p.part!);
        return;
      case "open.partOut":
        this.free(e, p.part!, false);
        this.folded.delete(p.part!);
        if (p.part === b.subject.part) this.subject = "none";
        else this.out.add(p.part!);
        return;
      case "swap.cableDisconnected":
        this.unplug(e, p.connector!);
        return;
      case "swap.cableConnected":
        this.plug(e, p.connector!);
        return;
      case "swap.looseTested": {
        if (this.subject === "old") say("", "the old one is still in");
        // A whole lid is tried where it hangs; whatever is stuck or lowered into a pocket is tried before.
        if (this.subject === "seated" && !this.hangs) say("", "the panel is not loose");
        if (this.subject === "none" && this.hangs) say("", "it hangs on its leads, and on nothing else");
        const none = this.fed(p.supply as never);
        if (none) say("", `no supply: ${none}`);
        const open = this.openLeads();
        if (open.length) say("", `no picture can come: ${open.join(", ")} off`);
        this.tested = true;
        this.running = true;
        this.charged = true;
        this.modeOff = false;
        return;
      }
      case "swap.looseSeen":
        if (this.mains === "out" && !this.packOn) say(p.look!, "nothing feeds it");
        this.looked.add(p.look!);
        return;
      case "bond.linerPulled":
        if (!this.tested && !this.lamp) say(p.piece!, "a liner is off before the panel was tried");
        if (this.voltage) say(p.piece!, "under voltage");
        return;
      case "bond.tapeLaid":
        if (b.subject.bringsTape) say(p.piece!, "it brought its tape");
        for (const t of this.oldGlue()) if (String(p.piece).startsWith(`${t}-`)) say(p.piece!, "new tape on old adhesive");
        this.laid.add(p.piece!);
        return;
      case "bond.filmOff":
        if (b.subject.kind === "lidAssembly") say("", "a whole lid has no film to take off");
        if (p.film === "back") this.backFilm = false;
        return;
      case "bond.panelSeated": {
        if (this.subject !== "none") say("", "there is one in it");
        if (this.voltage) say("", "under voltage");
        if (this.backFilm && b.subject.kind !== "lidAssembly") say("", "its film is still on the back");
        const shut = b.connectors.filter((c) => this.off.has(c.id) && this.hiddenBySeat(c)).map((c) => c.id);
        if (shut.length) say("", `${shut.join(", ")} can never be put on again`);
        if (this.hangs)
          for (const c of b.connectors)
            if (
              c.joins[0] === b.subject.part &&
              !this.off.has(c.id) &&
              !this.hiddenBySeat(c) &&
              // What lies over it had to be back already: then it could not wait.
              this.over(c.under, b.subject.part).length === 0
            )
              say(c.id, "on before the lid is held by its hinges");
        if (!this.hangs && !this.lamp)
          for (const c of b.connectors)
            if ((c.serves === "touch" || c.serves === "camera") && c.joins[0] === b.subject.part && !this.looked.has(c.serves))
              say(c.id, "in its place, and nobody tried what it serves");
        for (const t of this.oldGlue()) say("", `it lies on the old adhesive of ${t} and stands proud`);
        this.subject = "seated";
        return;
      }
      case "bond.adhesiveOff":
        if (this.subject !== "none") say(p.tape!, "nobody reaches it with a panel in");
        this.clean.add(p.tape!);
        return;
      case "close.partTaped":
        if (!this.tapeOut.has(p.tape!)) say(p.tape!, "its old tape was never off");
        this.retaped.add(p.tape!);
        return;
      case "bond.pressed":
        this.pressed = true;
        if (this.subject !== "seated") say("", "nothing lies there to press");
        return;
      case "prove.checkDone":
        if (this.mains === "out" && !this.packOn) say(p.check!, "nothing feeds it");
        if (this.openLeads().length) say(p.check!, `${this.openLeads().join(", ")} off`);
        this.running = true;
        this.charged = true;
        this.modeOff = false;
        this.proven += 1;
        if (p.check === "battery" && this.packOn) this.batterySeen = true;
        return;
      case "close.partBack":
        this.putBack(e, p.part!);
        return;
      case "close.screwBack":
      case "close.screwTightened":
        this.screwIn(e, [p.screw!]);
        return;
      case "close.screwsBackTogether":
        this.screwIn(e, (e.payload as unknown as { screws: string[] }).screws);
        return;
      case "close.handedOver":
        this.leaves(e);
        return;
      default:
    }
  }

  /** Strips cut or peeled, whose adhesive is still there; a tab draws its own out whole. */
  private oldGlue(): string[] {
    return this.b.tapes
      .filter((t) => t.holds === this.b.subject.part && t.kind === "strip" && this.tapeOut.has(t.id) && !this.clean.has(t.id))
      .map((t) => t.id);
  }
  private inTheWay(part: string, of = this.b.subject.part, depth = 0): boolean {
    const p = this.b.parts.find((x) => x.id === of);
    if (!p || depth > 40) return false;
    if (this.b.parts.find((x) => x.id === part)?.role === "lid") return true;
    const away = [...p.blockedBy, ...p.either.flatMap((e) => e.options.flatMap((o) => o.free))];
    return away.some((x) => x === part || this.inTheWay(part, x, depth + 1));
  }
  /** The build itself puts it before the test or the seating: it is held beside, or located first. */
  private saidFirst(id: string): boolean {
    return this.b.wayIn.some((w) => w.first === id && (w.next === "seat" || w.next === "looseTest" || this.saidFirst(w.next)));
  }
  private halfConnected(): boolean {
    const own = this.b.connectors.filter((c) => c.joins[0] === this.b.subject.part);
    return own.some((c) => this.off.has(c.id)) && own.some((c) => !this.off.has(c.id));
  }
  /** A whole lid on its hinges, by screws alone. */
  private get hangs(): boolean {
    return this.b.subject.kind === "lidAssembly" && this.b.tapes.every((t) => t.holds !== this.b.subject.part);
  }
  private held(g: Build["screwGroups"][number]): string[] {
    return [g.holds, ...(g.alsoHolds ?? [])];
  }
  private goesBack(part: string): boolean {
    const fate = this.b.parts.find((x) => x.id === part)?.fate;
    return fate !== "destroyed" && fate !== "comesWithNew";
  }
  /** Moved out of the way, whatever it is. */
  private isAway(x: string): boolean {
    return (
      this.out.has(x) ||
      this.folded.has(x) ||
      this.off.has(x) ||
      this.tapeOut.has(x) ||
      this.turned.has(x) ||
      (x === this.b.subject.part && this.subject === "none") ||
      (this.b.screwGroups.find((g) => g.id === x)?.screws.every((s) => this.screw.has(s.id)) ?? false)
    );
  }
  /** Out of a hand's reach over a seated panel. */
  private hiddenBySeat(c: Build["connectors"][number]): boolean {
    return !c.reachableWhenSeated || c.under.includes(this.b.subject.part);
  }
  private group(screw: string) {
    return this.b.screwGroups.find((g) => g.screws.some((s) => s.id === screw))!;
  }
  private unscrew(e: JobEvent, screws: readonly string[], loose: boolean): void {
    for (const s of screws) {
      const g = this.group(s);
      const on = this.over(g.under);
      if (on.length) this.say(e, s, `${on.join(", ")} lies over it`);
      if (g.keepUntil && !this.isAway(g.keepUntil)) this.say(e, s, `it drops: nothing else holds it before ${g.keepUntil}`);
      if (g.loosenOnly !== loose) this.say(e, s, "this one is only loosened, or has to come out");
      this.screw.set(s, loose ? "loose" : "out");
    }
  }
  private screwIn(e: JobEvent, screws: readonly string[]): void {
    for (const s of screws) {
      const g = this.group(s);
      for (const h of this.held(g)) {
        const there = h === this.b.subject.part ? this.subject === "seated" : !this.out.has(h) && !this.folded.has(h);
        if (!there && this.goesBack(h)) this.say(e, s, `${h} is not there to be held`);
      }
      if (!g.loosenOnly && !this.held(g).some((h) => this.goesBack(h))) this.say(e, s, "what it held does not come back");
      const on = this.over(g.under, g.holds);
      if (on.length) this.say(e, s, `${on.join(", ")} lies over it`);
      if (this.running) this.say(e, s, "screwed while it runs");
      this.screw.delete(s);
    }
  }
  private free(e: JobEvent, part: string, folding: boolean): void {
    const p = this.b.parts.find((x) => x.id === part)!;
    for (const g of this.b.screwGroups)
      if (this.held(g).includes(part))
        for (const s of g.screws) if (!this.screw.has(s.id)) this.say(e, part, `held by screw ${s.id}`);
    for (const t of this.b.tapes) if (t.holds === part && !this.tapeOut.has(t.id)) this.say(e, part, `held by ${t.id}`);
    for (const x of p.blockedBy) if (!this.out.has(x) && !this.folded.has(x)) this.say(e, part, `${x} is in the way`);
    if (folding) return;
    for (const c of this.b.connectors) if (c.joins[0] === part && !this.off.has(c.id)) this.say(e, part, `hangs on ${c.id}`);
    for (const way of p.either) {
      const away = (x: string) => this.isAway(x);
      if (!way.options.some((o) => o.free.every(away) && (!o.instead || this.tethered.has(o.id)))) this.say(e, part, way.why);
    }
  }
  private unplug(e: JobEvent, id: string): void {
    const c = this.b.connectors.find((x) => x.id === id)!;
    if (this.off.has(id)) this.say(e, id, "is off already");
    const on = this.over(c.under, c.joins[0]);
    if (on.length) this.say(e, id, `${on.join(", ")} lies over it`);
    if (c.powerPoint) {
      if (this.mains === "in" || this.running) this.say(e, id, "drawn under load");
    } else if (!c.aheadOfIsolation && this.voltage) this.say(e, id, "touched under voltage");
    this.off.add(id);
    this.powerLost();
  }
  private plug(e: JobEvent, id: string): void {
    const { b } = this;
    const c = b.connectors.find((x) => x.id === id)!;
    if (!this.off.has(id)) this.say(e, id, "is on already");
    const own = c.joins[0] === b.subject.part;
    if (this.subject === "seated" && this.hiddenBySeat(c)) this.say(e, id, "out of reach over the seated panel");
    const on = this.over(c.under, c.joins[0]).filter((u) => u !== b.subject.part);
    if (on.length) this.say(e, id, `${on.join(", ")} lies over it`);
    if (own && this.subject === "old") this.say(e, id, "the old one is still in");
    // A part that would be in the way of what is put in lies beside, on its lead; so does what only the test needs.
    // A whole lid is tried where it hangs: until then what feeds it may lie beside as well.
    const loose = this.subject === "none" || (this.hangs && !this.tested);
    const forTest = loose && (c.serves === "picture" || c.serves === "power" || !c.reachableWhenSeated);
    // What folds over on its leads hangs on them: its plug goes home while it hangs.
    const hangs = b.parts.find((x) => x.id === c.joins[0])?.fold !== undefined;
    if (this.out.has(c.joins[0]) && !forTest && !hangs && !this.saidFirst(id) && !this.inTheWay(c.joins[0]))
      this.say(e, id, `${c.joins[0]} is not there yet`);
    if (c.powerPoint) {
      if (this.mains === "in") this.say(e, id, "the pack goes on with the mains in");
      if (this.subject === "none" && this.halfConnected()) this.say(e, id, "voltage on a half-connected panel");
    } else if (!c.aheadOfIsolation && this.voltage) this.say(e, id, "touched under voltage");
    this.off.delete(id);
    if (c.powerPoint) {
      this.charged = true;
      if (b.isolation.startsWhenAttached && this.packOn) this.running = true;
    }
  }
  private putBack(e: JobEvent, part: string): void {
    const { b } = this;
    const p = b.parts.find((x) => x.id === part)!;
    if (!this.out.has(part) && !this.folded.has(part)) this.say(e, part, "was never away");
    if (!this.goesBack(part)) this.say(e, part, "is broken, or comes with the new one");
    for (const q of b.parts)
      if (
        q.blockedBy.includes(part) &&
        (q.id === b.subject.part
          ? this.subject === "none" && q.out && !this.saidFirst(part)
          : this.out.has(q.id) && this.goesBack(q.id))
      )
        this.say(e, part, `${q.id} belongs behind it and is still out`);
    for (const c of b.connectors)
      if (c.under.includes(part) && this.off.has(c.id)) this.say(e, part, `it shuts ${c.id} in, still off`);
    for (const g of b.screwGroups)
      if (
        g.under.includes(part) &&
        g.holds !== part &&
        this.held(g).some((h) => this.goesBack(h)) &&
        g.screws.some((s) => this.screw.has(s.id))
      )
        this.say(e, part, `it shuts in ${g.id}, not home`);
    if (this.running) this.say(e, part, "while it runs");
    for (const t of b.tapes)
      if (t.holds === part && this.tapeOut.has(t.id) && !this.retaped.has(t.id))
        this.say(e, part, `nothing sticks it: ${t.id} is gone`);
    // Behind the cover nobody reaches the pack's lead: whoever tried it on mains alone looks at the battery before.
    if (!this.lamp && this.b.isolation.testSupply === "mains" && !this.batterySeen)
      for (const c of this.points)
        if (c.serves === "battery" && c.under.includes(part)) this.say(e, part, `shuts ${c.id} in, and nobody saw the battery`);
    // Over the pack's own plug it goes on after it: then it is off that counts, not the voltage on the plug.
    const last = this.points.every((c) => !this.off.has(c.id));
    if (p.backNeedsIsolation && this.voltage && !(last && this.mains === "out" && this.points.length))
      this.say(e, part, "under voltage");
    this.out.delete(part);
    this.folded.delete(part);
  }
  private leaves(e: JobEvent): void {
    if (this.subject !== "seated") this.say(e, "", "nothing was put in");
    for (const id of this.turned) this.say(e, id, "still stands turned");
    for (const id of [...this.out, ...this.folded]) if (this.goesBack(id)) this.say(e, id, "is left out");
    for (const id of this.off) this.say(e, id, "is left off");
    for (const [id, how] of this.screw)
      if (how === "loose" || this.held(this.group(id)).some((h) => this.goesBack(h))) this.say(e, id, `is left ${how}`);
    if (!this.tested && !this.lamp) this.say(e, "", "never tried before it was stuck");
    if (this.proven === 0) this.say(e, "", "never proven");
    if (this.laid.size && !this.pressed) this.say(e, "", "tape laid and never pressed");
  }
}
