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

/** The machine the tray speaks of: one that heats before all, else the first that lies open. */
export const atHand = (cards: readonly JobCard[]): JobCard | undefined => cards.find((c) => c.heat) ?? cards.find((c) => c.open);

/** The tray belongs to the bench: what heats and what lies open is said, whichever machine it is. */
export function trayOf(cards: readonly JobCard[]): TrayFacts {
  const open = atHand(cards);
  if (!open) return EMPTY;
  const many = cards.filter((c) => c.open).length;
  return {
    power: {
      state: open.power.isolated ? "isolated" : open.power.live ? "live" : "off",
      title: open.power.title,
      note: open.open ? `${open.number} lies open` : `${open.number} heats`,
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
    cautions: {
      title: many ? `${many} open` : "None open",
      note: many === 1 ? "machine lies open" : "machines lie open",
      stopped: false,
      count: many,
    },
  };
}
