import type { Build } from "@/core/build";
import type { JobEvent } from "@/core/job";

/**
 * A machine on the bench as the log tells it, kept by a reader that knows none of the product's rules: what is out, off, loose,
 * live. For tests that ask whether a gate lets through what this machine would not survive.
 */
export class World {
  running = true;
  mains = true;
  batteryOff = false;
  drained = false;
  panel: "old" | "out" | "seated" = "old";
  looseTested = false;
  readonly away = new Set<string>();
  readonly folded = new Set<string>();
  readonly off = new Set<string>();
  readonly freed = new Set<string>();
  readonly screws = new Map<string, "out" | "loose" | "home" | "accounted">();
  readonly liners = new Set<string>();

  constructor(readonly build: Build) {}

  /** Pack voltage and mains away, and what is left in the board drained. */
  get isolated(): boolean {
    const cut =
      this.build.isolation.by === "batteryOffMode"
        ? this.batteryOff
        : this.build.connectors.every((c) => !c.powerPoint || this.off.has(c.id));
    return !this.running && !this.mains && cut && this.drained;
  }
  gone(id: string): boolean {
    return this.away.has(id) || this.folded.has(id);
  }
  /** Screws of a part that still bite: neither out nor loosened. */
  biting(part: string): string[] {
    return this.build.screwGroups
      .filter((g) => g.holds === part)
      .flatMap((g) => g.screws.filter((s) => !["out", "loose"].includes(this.screws.get(s.id) ?? "")).map((s) => s.id));
  }
  /** Screws that are in nobody's hole. */
  get open(): string[] {
    return [...this.screws].flatMap(([id, at]) => (at === "out" || at === "loose" ? [id] : []));
  }

  see(e: JobEvent): void {
    switch (e.type) {
      case "bench.shutDown":
        this.running = false;
        break;
      case "bench.mainsOut":
        this.mains = false;
        break;
      case "bench.mainsIn":
        this.mains = true;
        this.running = true;
        this.drained = false;
        this.batteryOff = false;
        break;
      case "bench.started":
        this.running = true;
        this.drained = false;
        break;
      case "bench.batteryOff":
        this.batteryOff = true;
        break;
      case "bench.drained":
        this.drained = true;
        break;
      case "open.screwOut":
        this.screws.set(e.payload.screw, "out");
        break;
      case "open.screwsOutTogether":
        for (const s of e.payload.screws) this.screws.set(s, "out");
        break;
      case "open.screwLoosened":
        this.screws.set(e.payload.screw, "loose");
        break;
      case "close.screwBack":
      case "close.screwTightened":
        this.screws.set(e.payload.screw, "home");
        break;
      case "close.screwsBackTogether":
        for (const s of e.payload.screws) this.screws.set(s, "home");
        break;
      case "close.screwAccounted":
        this.screws.set(e.payload.screw, "accounted");
        break;
      case "open.partOut":
        this.away.add(e.payload.part);
        this.folded.delete(e.payload.part);
        if (e.payload.part === this.build.subject.part) this.panel = "out";
        break;
      case "open.partFolded":
        this.folded.add(e.payload.part);
        break;
      case "close.partBack":
        this.away.delete(e.payload.part);
        this.folded.delete(e.payload.part);
        break;
      case "open.tapeOut":
        this.freed.add(e.payload.tape);
        break;
      case "swap.cableDisconnected":
        this.off.add(e.payload.connector);
        if (this.build.connectors.some((c) => c.id === e.payload.connector && !c.powerPoint)) this.looseTested = false;
        break;
      case "swap.cableConnected":
        this.off.delete(e.payload.connector);
        break;
      case "swap.looseTested":
        this.looseTested = e.payload.picture;
        break;
      case "bond.linerPulled":
        this.liners.add(e.payload.piece);
        break;
      case "bond.panelSeated":
        this.panel = "seated";
        break;
      default:
    }
  }
}
