import { counted } from "@/core/quantity";
import type { JobCard } from "@/wire/jobCard";
import type { TrayFacts } from "../shell/Tray";

const EMPTY: TrayFacts = {
  power: { state: "clear", title: "Nothing on bench", note: "mat is clear" },
  bit: { drive: null, title: "No bit", note: "in hand" },
  screws: { title: "Tray empty", note: "no machine lies open", groups: [] },
  film: { title: "No film", note: "no panel open", on: null },
  heat: { title: "No heat", note: "nothing was on", on: false },
  cautions: { title: "None open", note: "nothing to mind", stopped: false, count: 0 },
};

/** The tray belongs to the bench: if a machine is physically open, it says so. */
export function trayOf(open: JobCard | undefined): TrayFacts {
  if (!open) return EMPTY;
  return {
    power: {
      state: open.power.isolated ? "isolated" : open.power.live ? "live" : "off",
      title: open.power.title,
      note: `${open.number} lies open`,
    },
    bit: { drive: null, title: "No bit", note: "in hand" },
    screws: {
      title: open.screwsOut ? `${counted(open.screwsOut, "screw")} out` : "No screw out",
      note: `of ${open.number}`,
      groups: [],
    },
    film: { title: "No film", note: "see the job", on: null },
    heat: open.heat
      ? { title: open.heat, note: `on at ${open.number}`, on: true }
      : { title: "No heat", note: `at ${open.number}`, on: false },
    cautions: { title: "1 open", note: "machine lies open", stopped: false, count: 1 },
  };
}
