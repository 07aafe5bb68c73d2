import { type BuildIndex, CONNECTOR_MOTION, comesBack, hangs, hasFilms, triedWhole } from "../../build";
import { type Act, looseTestMissing, passStatus, pastTest, powerOf, seated } from "../../job";
import { listed } from "../../quantity";
import { cutList } from "../../tape";
import type { AtStep, Moment, Planned, StepStation } from "../step";
import { plugsHome, waitsForBattery } from "./batterySeen";

/**
 * Power is taken off three times: before anything else (no target), after the loose test ("bond") and after the open pass
 * ("close"). What these steps share.
 * @example offStation({ b, changes: [] }, "bond") // "bond"
 */
export const offStation = ({ b }: Planned, target: string): StepStation => {
  if (target === "close" || target === "home") return "close";
  if (target === "") return "open";
  // Without tape there is no bond to get ready for: it is the end of the swap.
  return cutList(b.build).length ? "bond" : "swap";
};

/** Which of the three an act that takes power off belongs to. @example offAt({ s: emptyState(), b }) // "" */
export const offAt = ({ s, b }: Moment): string =>
  plugsHome({ s, b })
    ? "home"
    : s.subject === "in"
      ? ""
      : s.subject === "out" || (hangs(b.build) && s.subject === "placed")
        ? "bond"
        : "close";

/**
 * Which feeding an act that brings power on belongs to: the loose test, the open pass, the closed pass; null before any.
 * @example onAt({ s: emptyState(), b }) // null
 */
export const onAt = ({ s, b }: Moment): string | null => {
  if (s.subject === "in") return null;
  if (triedWhole(b.build)) return "prove";
  if (plugsHome({ s, b }) && !s.prove.open.battery) return "home";
  return !pastTest(s, b.build) ? "test" : s.close.angleDeg === null && !s.bond.frontFilmOff ? "prove" : "closed";
};

/** The power points of a machine as a step speaks of them; `feed` where the pack is put on for a test. */
export interface PackPoints {
  feed: boolean;
  words: string;
  how: { in: string; out: string };
  minutes: number;
}

/**
 * Whether a start is fed by the pack through power points that were opened for isolation, and what they are called.
 * @example pointsOf(b).feed // false
 */
export function pointsOf(b: BuildIndex): PackPoints {
  const { isolation } = b.build;
  const names = b.powerPoints.map((c) => c.name);
  const kinds = [...new Set(b.powerPoints.map((c) => c.kind))];
  return {
    feed: isolation.by === "powerPoints" && isolation.testSupply !== "mains" && names.length > 0,
    words: names.length ? listed(names.map((n, i) => (i ? n.toLowerCase() : n))) : "Pack",
    how: {
      in: kinds.map((k) => `${CONNECTOR_MOTION[k].in}. Home when: ${CONNECTOR_MOTION[k].homeWhen.toLowerCase()}.`).join(" "),
      out: kinds.map((k) => `${CONNECTOR_MOTION[k].out}.`).join(" "),
    },
    minutes: b.powerPoints.reduce((n, c) => n + c.minutes, 0),
  };
}

/** What a pack's open contact asks for. @example packCaution("bayPack") // "Carries pack voltage. Lay it aside, its contacts clear of metal." */
export const packCaution = (kind: string): string =>
  kind === "bayPack"
    ? "Carries pack voltage. Lay it aside, its contacts clear of metal."
    : "Carries pack voltage. Insulate the open end.";

/** Parts still away or plugs still off: hands go into the machine once more before it is closed. */
function handsLeft(v: AtStep): boolean {
  return (
    Object.entries(v.s.parts).some(([id, p]) => id !== v.b.subject.id && p !== "back" && comesBack(v.b.part.get(id) ?? {})) ||
    Object.values(v.s.connectors).includes("off")
  );
}

/**
 * The loose test holds, or the work behind it has begun, so that nobody asks for it any more.
 * @example testDone(atStep) // false
 */
export const testDone = (v: AtStep): boolean =>
  looseTestMissing(v) === null ||
  // A whole lid is tried where it stays: it is past its test once it is proven, not once it shows a picture.
  (pastTest(v.s, v.b.build) && (!hangs(v.b.build) || Object.keys(v.s.prove.open).length > 0));

/** The work after the open pass is under way: the front film is off, or, where there is none, something is back. */
const closingBegan = (v: AtStep): boolean => (hasFilms(v.b.build) ? v.s.bond.frontFilmOff : v.s.close.begun);

/** Off again for those hands; drained too, as long as the battery is still off. */
function offForHands(v: AtStep, drain: boolean): boolean {
  const { mains, shutDown } = v.s.bench;
  if (mains !== "out" || !shutDown) return false;
  return !drain || powerOf(v).isolated || v.b.powerPoints.some((c) => v.s.connectors[c.id] === "on");
}

/**
 * A step of taking power off is done once it holds, or once the work behind it has begun.
 * @example offDone(atStep, "", false) // false
 */
export function offDone(v: AtStep, target: string, holds: boolean, drain = false): boolean {
  const past =
    target === ""
      ? v.s.subject !== "in"
      : target === "bond"
        ? hangs(v.b.build)
          ? v.s.subject === "fixed"
          : seated(v.s)
        : closingBegan(v) && (!handsLeft(v) || offForHands(v, drain));
  // With the pack's plug home it is fed once more, for the battery alone: what was taken off before that was off.
  if (past || (target === "close" && plugsHome(v))) return true;
  if (target === "bond" && looseTestMissing(v)) return false;
  if (target === "close" && !passStatus(v, "open").complete) return false;
  return holds;
}

/**
 * What feeds it that no step of this plan knows of: a mains put in for company, a machine that started by itself; null when nothing.
 * @example stillFed({ shutDown: true, mains: "out" }) // null
 */
export function stillFed(bench: { shutDown: boolean; mains: string }): Act | null {
  if (!bench.shutDown) return { type: "bench.shutDown", payload: {} };
  return bench.mains === "in" ? { type: "bench.mainsOut", payload: {} } : null;
}

/** What the plate says while something feeds it still; null when nothing. @example fedWords({ shutDown: true, mains: "in" }) // "Press when the mains is out" */
export const fedWords = (bench: { shutDown: boolean; mains: string }): string | null =>
  !bench.shutDown ? "Press when it is shut down" : bench.mains === "in" ? "Press when the mains is out" : null;

/**
 * Off with the pack at home: for what starts by itself, and once the battery was seen on its lead.
 * @example offAtHome(atStep, false) // false
 */
export const offAtHome = (v: AtStep, off: boolean): boolean =>
  plugsHome(v)
    ? off && !waitsForBattery(v)
    : v.s.close.angleDeg !== null || (off && v.b.powerPoints.every((c) => v.s.connectors[c.id] !== "off"));

/** Why power comes off again. @example offAgainWords(b, "home") // "With its pack on it is shut down and off the mains before anything is closed over it." */
export const offAgainWords = ({ build }: BuildIndex, target: string): string =>
  target === "bond" && hangs(build) ? "A test ends isolation: nothing is screwed under power." : OFF_AGAIN[target]!;

const OFF_AGAIN: Readonly<Record<string, string>> = {
  bond: "A test ends isolation: liners and films wait until it is isolated again.",
  close: "Off before closing up: nothing is pressed or screwed under power.",
  home: "With its pack on it is shut down and off the mains before anything is closed over it.",
};
