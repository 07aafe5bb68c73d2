import { hasFilms } from "../build";
import { counted, listed } from "../quantity";
import { buildOf, type JobView, screwsOpen } from "./derived";
import { powerOf } from "./power";

export interface PauseCard {
  sections: { title: string; lines: string[] }[];
}

/**
 * What somebody needs who finds this machine open days later: what is out and where it lies, what is loose, covered and off,
 * films and liners, power.
 * @returns sections with at least one line each; empty lists say so in words
 * @example pauseCard(view).sections[0].title // "Power"
 */
export function pauseCard(v: JobView): PauseCard {
  const s = v.state;
  const b = buildOf(v);
  const iso = powerOf(v);
  const { out, loose } = screwsOpen(s);
  const groups = new Map<string, string[]>();
  for (const x of out) {
    const g = b?.groupOfScrew.get(x);
    const name = g?.name ?? "Screws";
    groups.set(name, [...(groups.get(name) ?? []), g?.screws.find((y) => y.id === x)?.where ?? x]);
  }
  const parts = Object.entries(s.parts).filter(([, st]) => st !== "back");
  const off = Object.entries(s.connectors).filter(([, st]) => st === "off");
  const some = (lines: string[], none: string) => (lines.length ? lines : [none]);
  return {
    sections: [
      {
        title: "Power",
        lines: [
          iso.isolated
            ? "Was isolated and drained. Days may have passed: prove it again before a hand goes in."
            : iso.live
              ? "Was live. Take the mains out and isolate before a hand goes in."
              : `Not isolated: ${listed(iso.missing)}.`,
        ],
      },
      {
        title: "Screws out",
        lines: some(
          [...groups].map(([name, where]) => `${name}, ${where.length}: ${where.map((w) => w.toLowerCase()).join("; ")}`),
          "None.",
        ),
      },
      {
        title: "Only loosened",
        lines: some(
          loose.map((x) => b?.groupOfScrew.get(x)?.screws.find((y) => y.id === x)?.where ?? x),
          "None.",
        ),
      },
      {
        title: "Parts away",
        lines: some(
          parts.map(
            ([id, st]) =>
              `${b?.part.get(id)?.name ?? id}: ${st === "folded" ? "folded over, still attached" : "out, in the tray"}`,
          ),
          "None.",
        ),
      },
      {
        title: "Disconnected",
        lines: some(
          off.map(([id]) => b?.connector.get(id)?.name ?? id),
          "Nothing.",
        ),
      },
      {
        title: "Panel and films",
        lines: [
          s.subject === "in"
            ? "The old panel is in."
            : s.subject === "out"
              ? "No panel is in the lid."
              : "The new panel is seated.",
          ...(s.subject === "in" || (b && !hasFilms(b.build))
            ? []
            : [`Back film ${s.bond.backFilmOff ? "off" : "on"}, front film ${s.bond.frontFilmOff ? "off" : "on"}.`]),
          ...(Object.keys(s.bond.laid).length
            ? [
                `${counted(Object.keys(s.bond.laid).length, "strip")} laid, ${counted(Object.keys(s.bond.linersPulled).length, "liner")} pulled.`,
              ]
            : []),
        ],
      },
      {
        title: "Found on this job",
        lines: some(
          s.finds.map((f) => `${f.words}, at ${Math.round(f.xMm)}, ${Math.round(f.yMm)} mm on the ${f.view}`),
          "Nothing unmentioned.",
        ),
      },
      {
        title: "Check first",
        lines: [s.looseTest && !s.looseTest.voidedBy ? "The loose test was valid." : "There is no valid loose test."],
      },
    ],
  };
}
