import { readFileSync } from "node:fs";
import { builds, panels } from "@tests/bench";
import { pairPanel } from "@tests/fitPair";
import { describe, expect, it } from "vitest";
import type { Offer } from "../catalogue";
import type { Panel } from "../panel";
import { NO_LOG, type Part, panelParts, type QuoteInput, QuotePolicy, quoteOptions, type Rate, recommend } from ".";

interface OptionCase {
  kind: "options";
  name: string;
  input: Partial<QuoteInput> & { policy?: Partial<QuotePolicy> };
  expect: Record<string, Record<string, unknown> | null>;
  first?: string;
  why: string;
}
interface PartCase {
  kind: "parts";
  name: string;
  offers: (Partial<Offer> & { panel: string })[];
  expect: {
    panelNew: (Partial<Omit<Part, "variants" | "questions">> & { variants?: number; questions?: string }) | null;
    left?: string;
  };
  old?: null;
  seen?: string[];
  counts?: Record<string, number>;
  rates?: Rate[];
  why: string;
}
const cases = JSON.parse(readFileSync("tests/quotes.json", "utf8")) as (OptionCase | PartCase)[];
const shipped = QuotePolicy.parse(JSON.parse(readFileSync("data/reference/quote.json", "utf8")));
/** Round figures, so that everything can be worked out on paper. */
const round: QuotePolicy = {
  ...shipped,
  taxPercent: 10,
  benchRateMinorPerHour: 6000,
  replacementMinor: 50_000,
  cover: { excessMinor: 5000, days: 10, keeps: "cover stays" },
  makerService: { priceMinor: 30_000, days: 12, keeps: "warranty stays" },
  assemblies: [{ machineModel: "Ostrel Kestrel 14", priceMinor: 20_000, days: 4, minutes: 30 }],
  mishaps: [],
  usedFails: 0.25,
};
const base: QuoteInput = {
  policy: round,
  family: "C",
  machineModel: "Ostrel Kestrel 14",
  plan: { p50: 60, p80: 60 },
  panelNew: { name: "new one", priceMinor: 10_000, days: 2 },
  panelUsed: { name: "used one", priceMinor: 4000, days: 3 },
  cover: "no",
  replacementMinor: null,
  log: NO_LOG,
};
const old = pairPanel({}, 2);
const others: Record<string, Panel> = {
  same: { ...old, id: "same", code: old.code },
  glossy: { ...pairPanel({ finish: "glossy" }, 2), id: "glossy", code: "GV140FHB-K31G" },
  short: { ...pairPanel({ outline: [315.8, 194.5] }, 2), id: "short", code: "GV140FHB-K33" },
};

describe("quotes worked out on paper before the reckoning", () => {
  it("are forty or more", () => expect(cases.length).toBeGreaterThanOrEqual(40));
  for (const c of cases)
    it(c.name, () => {
      if (c.kind === "options") {
        const input: QuoteInput = { ...base, ...c.input, policy: { ...round, ...c.input.policy } };
        const options = quoteOptions(input);
        for (const [id, want] of Object.entries(c.expect)) {
          const o = options.find((x) => x.id === id);
          if (want === null) {
            expect(o, id).toBeUndefined();
            continue;
          }
          for (const [field, value] of Object.entries(want)) {
            const got = o![field as keyof typeof o];
            if (field === "notes" || (field === "whyNot" && value !== null)) expect(JSON.stringify(got)).toContain(value);
            else expect(got, `${id} ${field}`).toBe(value);
          }
        }
        const r = recommend(options, input);
        expect(options.find((o) => o.id === r.id)?.whyNot).toBeNull();
        if (c.first) expect(r.id, r.reason).toBe(c.first);
        expect(r.reason.length).toBeGreaterThan(10);
        expect(r.wouldChange.length).toBeGreaterThan(10);
        if (input.cover === "unknown") expect(r.wouldChange).toMatch(/ask/);
        return;
      }
      const offers = c.offers.map((o) => ({ seller: "Brightwater Panels", currency: "EUR", ...o }) as Offer);
      const got = panelParts(
        c.old === null ? null : old,
        c.seen ?? [],
        [...Object.values(others), ...Object.values(panels)],
        offers,
        builds["ostrel-kestrel-14"]!,
        { counts: c.counts, currency: "EUR", rates: c.rates, rateMinorPerHour: 6000 },
      );
      if (c.expect.left) expect(got.left.join("; ")).toContain(c.expect.left);
      else expect(got.left).toEqual([]);
      const want = c.expect.panelNew;
      if (!want) return expect(got.panelNew).toBeNull();
      const { variants, questions, name, ...rest } = want;
      expect(got.panelNew).toMatchObject(rest);
      if (name) expect(got.panelNew!.name).toContain(name);
      if (variants) expect(got.panelNew!.variants).toHaveLength(variants);
      expect(got.panelNew!.questions?.join("; ") ?? "").toContain(questions ?? "");
      if (!questions) expect(got.panelNew!.questions).toBeUndefined();
    });
});
