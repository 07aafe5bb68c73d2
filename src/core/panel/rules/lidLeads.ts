import type { Build } from "../../build";
import { listed, mm } from "../../quantity";
import { codeKey } from "../codeKey";
import { leadsWords, leadWords } from "../factWords";
import type { LidLead } from "../schema";
import { belongs } from "./boughtAs";
import { CHANGES, type FitRow } from "./row";

declare module "./row" {
  interface FitFields {
    lidLeads: true;
  }
}

/** A lead this much shorter still reaches: they are laid with that much slack at least (adj). mm */
const SLACK_MM = 5;

/** Leads of the old lid as the build has them: what each serves, without plug and length. */
const ofBuild = (b: Build): LidLead[] | null => {
  const own = b.connectors.filter((c) => c.joins[0] === b.subject.part && c.serves !== "battery");
  return own.length ? own.map((c) => ({ serves: c.serves as LidLead["serves"], plug: null, lengthMm: null })) : null;
};

/** Pairs each lead of the old lid with one of the new that serves the same: by plug first, then in order. */
function pairs(was: readonly LidLead[], is: readonly LidLead[]): { old: LidLead; now: LidLead | null }[] {
  const left = [...is];
  const take = (ok: (x: LidLead) => boolean) => {
    const at = left.findIndex(ok);
    return at < 0 ? null : left.splice(at, 1)[0]!;
  };
  const exact = was.map((o) =>
    o.plug === null ? null : take((x) => x.serves === o.serves && x.plug !== null && codeKey(x.plug) === codeKey(o.plug!)),
  );
  return was.map((old, k) => ({ old, now: exact[k] ?? take((x) => x.serves === old.serves) }));
}

/** Leads that come through the hinges: each must be there, with its plug, and reach. One that does not is moved over from the old lid. */
export const lidLeads = belongs(
  "lidLeads",
  ["lidAssembly"],
  "Leads",
  "Lay the two lids side by side: count the leads, hold plug to plug, compare what hangs out at the hinges",
  leadsWords,
  { verdict: "change", change: CHANGES.moveLead },
  (was, is) => {
    const over: string[] = [];
    const unsure: string[] = [];
    for (const { old, now } of pairs(was, is)) {
      const name = leadWords(old);
      if (!now) over.push(`${name} is missing`);
      else if (old.plug !== null && now.plug !== null && codeKey(old.plug) !== codeKey(now.plug))
        over.push(`${name} ends in ${now.plug}, not ${old.plug}`);
      else if (old.lengthMm !== null && now.lengthMm !== null && now.lengthMm < old.lengthMm - SLACK_MM)
        over.push(`${name} is ${mm(old.lengthMm - now.lengthMm)} mm short`);
      else {
        if (old.plug === null || now.plug === null) unsure.push(`the plug of the ${name}`);
        if (old.lengthMm === null || now.lengthMm === null) unsure.push(`how far the ${name} reaches`);
      }
    }
    const extra = is.length - (was.length - over.filter((x) => x.endsWith("missing")).length);
    const more =
      extra > 0
        ? ` ${extra === 1 ? "One lead" : `${extra} leads`} of the new lid has no socket here: tuck it away, its end covered.`
        : "";
    if (over.length)
      return {
        verdict: "change",
        words: over.length === 1 ? over[0]! : `${over.length} leads from the old lid`,
        reason: `${listed(over)}. The old lid's lead is moved over, which opens the new lid.${unsure.length ? ` Not known besides: ${listed(unsure)}.` : ""}${more}`,
        change: { ...CHANGES.moveLead, minutes: over.length * CHANGES.moveLead.minutes },
      } satisfies Pick<FitRow, "verdict" | "words" | "reason" | "change">;
    if (unsure.length)
      return {
        verdict: "unknown",
        words: "not all known",
        round: { verdict: "change", change: CHANGES.moveLead },
        reason: `Every lead is there. Not known: ${listed(unsure)}.${more}`,
      };
    return more ? { verdict: "same", words: "one more than needed", reason: more.trim() } : null;
  },
  ofBuild,
);
