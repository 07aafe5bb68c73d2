import { suffixWords } from "../suffix";
import { kitFor } from "./cableKit";
import { destroying } from "./destroying";

declare module "./row" {
  interface FitFields {
    contacts: true;
  }
}

export const contacts = destroying(
  "contacts",
  "Contacts",
  (v) => `${v} pins`,
  "Count the contacts in the connector",
  (a: number, b: number, i) => {
    if (a === b) return null;
    const kit = kitFor(i, "contacts");
    if (kit) return kit;
    const more = Math.abs(a - b);
    const variant =
      more === 10
        ? ` Ten ${b > a ? "more" : "fewer"}: usually the variant ${b > a ? "with" : "without"} touch or more lanes, which has its own cable.`
        : "";
    return {
      verdict: "stop",
      words: `${b} pins, not ${a} pins`,
      reason: `A plug of ${a} in a socket of ${b} goes in part of the way and puts supplies on other contacts: the board or the panel burns when they are mated.${variant}${suffixWords(i.old.code, i.candidate.code)}`,
    };
  },
);
