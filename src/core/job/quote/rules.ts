import { no } from "../answer";
import { placeOf } from "../clock";
import type { RulesOf } from "../rule";
import type { quotePayloads } from "./payloads";

export const quoteRules = {
  "quote.chosen": {
    name: "a price chosen",
    on: "desk",
    may: (p) => (p.p80Minor < p.expectedMinor * 0.5 ? no("quote", "The bad case is under half the expected price.") : null),
    apply: (s, p, { e }) => {
      s.quote = { ...p, clock: placeOf(e) };
    },
  },
} satisfies RulesOf<typeof quotePayloads>;
