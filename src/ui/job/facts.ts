import { format, isSameDay } from "date-fns";
import { hasFilms } from "@/core/build";
import {
  buildOf,
  candidateOf,
  fitOf,
  HEAT_WORDS,
  isWet,
  type JobState,
  looseTestMissing,
  msOf,
  oldPanelOf,
  openBreaches,
  openHazards,
  openMoneyStops,
  panelReading,
  passStatus,
  pastTest,
  powerOf,
  screwsOpen,
  seated,
  type JobView as View,
} from "@/core/job";
import { counted, durationWords } from "@/core/quantity";
import { DRIVE_WORDS, type Progress, STATIONS, stationNow } from "@/core/teardown";
import { markOf } from "../draw/Mark";
import type { RouteCell, StripFacts } from "../shell/JobStrip";
import type { TrayFacts } from "../shell/Tray";

/** A promise as the bench says it. @example promiseWords(iso, now) // "Promised today 16:00" */
export function promiseWords(iso: string | null, nowMs: number): string {
  if (!iso) return "No date yet";
  const at = new Date(iso);
  return `Promised ${isSameDay(at, nowMs) ? "today" : format(at, "EEE d MMM")} ${format(at, "HH:mm")}`;
}

export function leftWords(iso: string | null, nowMs: number, need: number | null): string {
  const needs = need === null ? "" : `needs ${durationWords(need)}`;
  if (!iso) return needs || "ask when it is wanted";
  const min = (Date.parse(iso) - nowMs) / 60_000;
  const left =
    min < 0
      ? `${durationWords(-min)} late`
      : min > 48 * 60
        ? `${counted(Math.round(min / 1440), "day")} left`
        : `${durationWords(min)} left`;
  return needs ? `${left}, ${needs}` : left;
}

export function stripFacts(v: View, p: Progress | null, nowMs: number): StripFacts {
  const s = v.state;
  const reading = panelReading(s);
  const old = oldPanelOf(v);
  const cand = candidateOf(v);
  const need = p
    ? (p.plan.minutes.p80 * p.steps.filter((x) => !x.done).reduce((a, x) => a + x.step.minutes, 0)) /
      Math.max(
        1e-9,
        p.steps.reduce((a, x) => a + x.step.minutes, 0),
      )
    : null;
  return {
    number: s.job?.number ?? "",
    customer: s.job?.customer ?? "",
    machine: s.job?.machineModel ?? "",
    serial: s.job?.serial ?? "",
    oldCode: old?.code ?? null,
    oldNote: !reading
      ? "not identified"
      : s.subject === "in"
        ? `in the machine, ${s.triage.damage[0] ? { crack: "cracked", blot: "blotted", lines: "lines", dim: "dim", deadTouch: "touch dead" }[s.triage.damage[0].kind] : "to be replaced"}`
        : "out, to recycling",
    newCode: cand?.code ?? null,
    newNote: seated(s)
      ? "in the machine"
      : s.match.arrived
        ? "on the bench"
        : s.match.order
          ? `ordered, ${s.match.order.seller}`
          : "candidate, not ordered",
    promise: promiseWords(s.job?.promiseAt ?? null, nowMs),
    left: s.closed ? "job closed" : leftWords(s.job?.promiseAt ?? null, nowMs, need && need > 0 ? need : null),
  };
}

const conclusion: Record<string, string> = { panel: "it is the panel", notPanel: "not the panel", cover: "use the cover" };

/** Nine cells with their proofs. Yellow is the station of the one thing to do now. */
export function routeCells(v: View, p: Progress | null): RouteCell[] {
  const s = v.state;
  const fit = fitOf(v);
  const reading = panelReading(s);
  const { out } = screwsOpen(s);
  const build = buildOf(v)?.build;
  // Past it, a lead that goes home later takes nothing from it: what it serves is looked at in Prove.
  const again = looseTestMissing(v) !== null && !(build && s.looseTest?.picture && pastTest(s, build));
  const taken = Object.values(s.screws).filter((x) => x !== "loosened" && x !== "tightened").length;
  const open = passStatus(v, "open");
  const closed = passStatus(v, "closed");
  const stepDone = (station: string) => p?.steps.filter((x) => x.step.station === station) ?? [];
  const allDone = (station: string) => stepDone(station).length > 0 && stepDone(station).every((x) => x.done);
  const now: number = s.closed ? -1 : openHazards(s).length ? 0 : STATIONS.indexOf(stationNow(s, p));
  const cells: RouteCell[] = [
    s.triage.concluded ? { s: "proven", note: conclusion[s.triage.concluded.verdict]! } : { s: "ahead", note: "" },
    reading
      ? {
          s: reading.source === "L" || reading.source === "E" ? "proven" : "assumed",
          note: { label: "from the label", edid: "from the EDID", model: "by model", hand: "typed" }[reading.way],
        }
      : { s: "ahead", note: "" },
    s.match.arrived
      ? { s: fit?.overall.conditional ? "assumed" : "proven", note: fit ? fit.overall.short : "here" }
      : s.match.order
        ? { s: "assumed", note: "ordered" }
        : fit
          ? {
              s: "ahead",
              note: fit.overall.short,
              mark: markOf[fit.overall.kind === "doNotConnect" ? "unknown" : fit.overall.kind],
            }
          : { s: "ahead", note: "" },
    s.plan ? { s: "proven", note: p ? `${p.steps.length} steps` : "cannot be planned" } : { s: "ahead", note: "" },
    allDone("open")
      ? { s: "proven", note: taken ? `${counted(taken, "screw")} out` : "open" }
      : {
          s: "ahead",
          note:
            s.plan && stepDone("open").some((x) => x.done)
              ? `step ${stepDone("open").filter((x) => x.done).length + 1} of ${stepDone("open").length}`
              : "",
        },
    s.looseTest
      ? again
        ? { s: "assumed", note: s.looseTest.picture && !s.looseTest.voidedBy ? "test not whole yet" : "test again" }
        : { s: "proven", note: "loose test held" }
      : { s: "ahead", note: "" },
    seated(s) ? { s: "proven", note: "panel seated" } : { s: "ahead", note: "" },
    closed.complete && open.complete
      ? { s: "proven", note: "both passes" }
      : open.complete
        ? { s: "assumed", note: "open pass held" }
        : { s: "ahead", note: "" },
    s.closed
      ? {
          s: "proven",
          note: {
            handedOver: "handed over",
            notPanel: "not the panel",
            cover: "under cover",
            handedOn: "handed on",
            cancelled: "cancelled",
          }[s.closed.outcome],
        }
      : { s: "ahead", note: out.length && seated(s) ? `${out.length} screws to go` : "" },
  ];
  const at = cells[now];
  if (at) at.s = "now";
  if (at && !at.note && p?.now) {
    const here = stepDone(p.now.station);
    at.note = `step ${here.findIndex((x) => x.step.id === p.now!.id) + 1} of ${here.length}`;
  }
  return cells;
}

const clockWords = (clock: string | null) => (clock ? format(msOf(clock), "HH:mm") : "");

export function trayFacts(v: View, p: Progress | null): TrayFacts {
  const s: JobState = v.state;
  const b = buildOf(v);
  const now = powerOf(v);
  const started = s.plan !== null && (s.bench.shutDown || s.bench.mains !== "unknown" || Object.keys(s.screws).length > 0);
  const power: TrayFacts["power"] = !started
    ? { state: "clear", title: "Nothing on bench", note: "mat is clear" }
    : {
        state: now.isolated ? "isolated" : now.live ? "live" : "off",
        title: now.title,
        note: now.isolated && s.bench.since ? `since ${clockWords(s.bench.since)}` : now.note,
      };
  const g = p?.now ? b?.group.get(p.now.target) : undefined;
  const type = g ? b!.screwType.get(g.screws[0]!.type)! : null;
  const groups = b
    ? [...b.screwType.values()]
        .map((t) => {
          const of = b.build.screwGroups
            .filter((x) => !x.loosenOnly)
            .flatMap((x) => x.screws)
            .filter((x) => x.type === t.id);
          return {
            type: t,
            total: Object.keys(s.screws).length ? of.length : 0,
            out: of.filter((x) => s.screws[x.id] === "out").length,
          };
        })
        .filter((x) => x.total > 0)
    : [];
  const states = Object.values(s.screws);
  const away = states.filter((x) => x === "out").length;
  const back = states.filter((x) => x === "back" || x === "replaced").length;
  const loose = states.filter((x) => x === "loosened").length;
  const ever = states.filter((x) => x !== "loosened" && x !== "tightened").length;
  const hazards = openHazards(s);
  const count =
    hazards.length +
    openBreaches(s).length +
    openMoneyStops(s).length +
    (isWet(s) ? 1 : 0) +
    (s.bench.solvent ? 1 : 0) +
    (s.triage.damage.some((d) => d.kind === "crack") && s.subject === "in" ? 1 : 0) +
    (power.state === "live" ? 1 : 0) +
    (s.heat.on ? 1 : 0);
  const first = hazards.length
    ? "safety stop"
    : openBreaches(s).length
      ? "breach"
      : openMoneyStops(s).length
        ? openMoneyStops(s)[0]!
        : isWet(s)
          ? "liquid in it"
          : s.bench.solvent
            ? "solvent not dry"
            : s.heat.on
              ? "heat is on"
              : power.state === "live"
                ? "live"
                : count
                  ? "cracked glass"
                  : "";
  return {
    power,
    bit: type
      ? {
          drive: type.drive,
          title: `${DRIVE_WORDS[type.drive]!.replace(" recess", "")} ${type.size.replace(/^PH/, "")}`,
          note: "for this step",
        }
      : { drive: null, title: "No bit", note: p?.now?.tool ? p.now.tool.toLowerCase() : "in hand" },
    screws:
      ever === 0 && loose === 0
        ? { title: "Tray empty", note: "no screws out", groups: [] }
        : {
            title: `${ever} out, ${back} back`,
            note: away
              ? `${away} in the tray${loose ? `, ${loose} loosened` : ""}`
              : loose
                ? `${loose} only loosened`
                : "all accounted for",
            groups,
          },
    film: !s.match.arrived
      ? { title: "No film", note: "no panel yet", on: null }
      : b && !hasFilms(b.build)
        ? { title: "No film", note: "a whole lid", on: null }
        : s.bond.frontFilmOff
          ? { title: "Film off", note: "front and back", on: false }
          : { title: "Film on", note: s.bond.backFilmOff ? "front only" : "new panel", on: true },
    heat: s.heat.on
      ? {
          on: true,
          title: `${HEAT_WORDS[s.heat.on.tool]} ${s.heat.on.setC} °C`,
          note: `since ${clockWords(s.heat.on.clock)}, off: H`,
        }
      : { on: false, title: "No heat", note: s.heat.offClock ? `seen off ${clockWords(s.heat.offClock)}` : "nothing was on" },
    cautions: {
      count,
      stopped: hazards.length > 0,
      title: hazards.length ? "Stop" : count ? `${count} open` : "None open",
      note: first || "nothing to mind",
    },
  };
}
