import type { ArrivalItem } from "@/core/job";
import { type Extra, factWords, type Panel, promised } from "@/core/panel";
import type { Sourced } from "@/core/quantity";

export interface ItemView {
  name: string;
  /** What to look at, and what was promised, with its source's letter. */
  look: string;
  /** May be answered with "none": nothing there, and nothing promised or needed. */
  mayBeAbsent: boolean;
}

const said = (v: Sourced<unknown>, words: string) => (v.value === null ? "nobody has said" : `${words} (${v.source})`);

/** What the arrival check asks of each item, against what is on record of the panel ordered. */
export function arrivalItem(item: ArrivalItem, p: Panel): ItemView {
  const box = p.inTheBox;
  const inBox = (extra: Extra, what: string) => {
    const kept = promised(p, extra);
    return kept === null
      ? `Nobody has said whether ${what} in the box`
      : kept
        ? `Comes with it (${box.source})`
        : `Not promised (${box.source}): none is right too`;
  };
  switch (item) {
    case "cracks":
      return {
        name: "Cracks",
        look: "Tilt it under the lamp: glass, corners, edges, the board's flex",
        mayBeAbsent: false,
      };
    case "code":
      return { name: "Code", look: `Ordered: ${p.code}`, mayBeAbsent: false };
    case "connector": {
      const parts = [
        said(p.contacts, `${p.contacts.value} contacts`),
        said(p.pitchMm, `${p.pitchMm.value} mm pitch`),
        said(p.contactSide, `facing ${factWords("contactSide", p.contactSide.value)}`),
      ];
      return { name: "Connector", look: `Count and hold against the old one: ${parts.join(", ")}`, mayBeAbsent: false };
    }
    case "tabs":
      return {
        name: "Tabs",
        look: said(p.tabs, `Expected: ${factWords("tabs", p.tabs.value)}`),
        mayBeAbsent: promised(p, "tabs") !== true,
      };
    case "films":
      return {
        name: "Films",
        look: `Front and back on, not lifted. ${inBox("films", "films are")}`,
        mayBeAbsent: promised(p, "films") !== true,
      };
    case "tape":
      return { name: "Tape", look: inBox("tape", "tape is"), mayBeAbsent: promised(p, "tape") !== true };
    case "brackets":
      return { name: "Brackets", look: inBox("brackets", "brackets are"), mayBeAbsent: promised(p, "brackets") !== true };
    case "hinges":
      return {
        name: "Hinges",
        look: "Open it once over soft cloth, packing still between screen and leads: both move alike, nothing bent, every screw hole there",
        mayBeAbsent: false,
      };
    case "leads": {
      const there = said(
        p.lidLeads ?? { value: null, source: "A" },
        `Expected: ${factWords("lidLeads", p.lidLeads?.value ?? null)}`,
      );
      return { name: "Leads", look: `All there, none pinched, plugs whole. ${there}`, mayBeAbsent: false };
    }
    case "sensor":
      return { name: "Sensor", look: inBox("sensor", "a sensor is"), mayBeAbsent: promised(p, "sensor") !== true };
  }
}
