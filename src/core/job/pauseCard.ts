import { adhesiveLeft, hasFilms, MENDED_WORDS } from "../build";
import { counted, listed } from "../quantity";
import { bareOf } from "./bench/films";
import { buildOf, type JobView, passStatus } from "./derived";
import { curing } from "./mended";
import { powerOf } from "./power";
import { stillAway } from "./stillAway";
import { LOOK_WORDS, looksOpen } from "./swap/looks";

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
  const away = stillAway(v);
  const { screws: out, loose } = away;
  const groups = new Map<string, string[]>();
  for (const x of out) {
    const g = b?.groupOfScrew.get(x);
    const name = g?.name ?? "Screws";
    groups.set(name, [...(groups.get(name) ?? []), g?.screws.find((y) => y.id === x)?.where ?? x]);
  }
  const parts = Object.entries(s.parts).filter(
    ([id]) => away.parts.includes(id) || (id === b?.subject.id && s.parts[id] !== "back"),
  );
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
      ...(curing(v).length
        ? [
            {
              title: "Cures",
              lines: curing(v).map((m) => {
                const part = b?.part.get(m.part)?.name ?? m.part;
                return `${part}, ${MENDED_WORDS[m.what]}: clamp on for ${m.cureMin} min from when it was told; see that it holds before anything loads it.`;
              }),
            },
          ]
        : []),
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
        lines: checkFirst(v),
      },
    ],
  };
}

/** What a hand has to know before it touches anything, days later. */
function checkFirst(v: JobView): string[] {
  const { state: s } = v;
  const b = buildOf(v);
  const lines = [s.looseTest && !s.looseTest.voidedBy ? "The loose test was valid." : "There is no valid loose test."];
  if (!b) return lines;
  if (looksOpen(v).length) lines.push(`Not tried in it yet: ${listed(looksOpen(v).map((l) => LOOK_WORDS[l]))}.`);
  const bare = bareOf(s, b);
  if (bare) lines.push(`Lies open: ${bare}. A clean sheet over it, no heat; looked at under side light before it is closed.`);
  if (s.bench.solvent) lines.push("Solvent was not seen dry: no heat, no power, no tape before it is.");
  const ledges = adhesiveLeft(b, s.tapesOut).filter((t) => !s.bond.cleaned[t]);
  if (ledges.length && s.subject === "out")
    lines.push(`Old adhesive still on: ${listed(ledges.map((t) => b.tape.get(t)!.name.toLowerCase()))}.`);
  const loose = b.build.tapes.filter((t) => t.holds !== b.subject.id && s.tapesOut[t.id] && !s.close.taped[t.id]);
  if (loose.length)
    lines.push(`Goes on with new tape: ${listed([...new Set(loose.map((t) => b.part.get(t.holds)!.name.toLowerCase()))])}.`);
  const unseen = passStatus(v, "open").atHome;
  if (unseen.length) lines.push("The battery was not seen on its plug yet: before its cover goes on.");
  return lines;
}
