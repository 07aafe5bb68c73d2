import { builds, panels } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { createCatalogueIndex } from "../catalogue";
import { decodeEdid, encodeEdid } from "../edid";
import { compareFit, overallVerdict, type Panel, panelEdid } from "../panel";
import {
  edidTexts,
  type LabelReading,
  lineToRead,
  loneOf,
  type Nearest,
  namesOf,
  nearestHits,
  nearestOf,
  spareNumber,
  variantsOf,
} from ".";

const shop = {
  panels: [
    { id: "a", code: "GV140FHB-K31", hash: "ha", names: ["5Q10-00412"] },
    { id: "b", code: "GV140FHB-K36", hash: "hb", names: ["5Q10-00412", "0A1B"] },
    { id: "c", code: "TQ156WHA-R02", hash: "hc", names: [] },
  ],
  machines: [
    { model: "Ostrel Kestrel 14", codes: ["KS14-0B85"], panels: ["a", "b", "gone"] },
    { model: "Marrick Fjell 15", codes: [], panels: [] },
  ],
};

describe("what a text of the catalogue stands for", () => {
  const names = namesOf(shop);
  it("a code is one panel, a further number may be several, a machine is those seen in it", () => {
    expect(names.get("GV140FHB-K31")).toEqual([{ kind: "code", panels: [shop.panels[0]] }]);
    expect(names.get("5Q10-00412")?.map((n) => [n.kind, n.panels.map((p) => p.id)])).toEqual([
      ["otherName", ["a"]],
      ["otherName", ["b"]],
    ]);
    // A panel that is no longer on record is left out of its machine.
    expect(names.get("Ostrel Kestrel 14")).toEqual([
      { kind: "machine", panels: [shop.panels[0], shop.panels[1]], machine: "Ostrel Kestrel 14" },
    ]);
    expect(names.get("KS14-0B85")?.[0]?.machine).toBe("Ostrel Kestrel 14");
    expect(names.get("Marrick Fjell 15")?.[0]?.panels).toEqual([]);
    expect([...names.keys()]).toHaveLength(8);
  });
  it("a search comes back as panels, each once, with the number it was found by", () => {
    const index = createCatalogueIndex([...names.keys()]);
    const ask = (text: string) => nearestOf(index.search(text, 6).map((h) => ({ ...h, names: names.get(h.code) ?? [] })));
    expect(ask("GV140FHB-K31")[0]).toMatchObject({ code: "GV140FHB-K31", cost: 0, by: null, shared: false });
    const spare = ask("5Q10-00412").filter((n) => n.cost === 0);
    expect(spare.map((n) => [n.code, n.by, n.shared])).toEqual([
      ["GV140FHB-K31", "5Q10-00412", true],
      ["GV140FHB-K36", "5Q10-00412", true],
    ]);
    expect(ask("0A1B").find((n) => n.cost === 0)).toMatchObject({ code: "GV140FHB-K36", shared: false });
    // A machine is no panel.
    expect(ask("Ostrel Kestrel 14").some((n) => n.cost === 0)).toBe(false);
    const all = ask("GV140FHB");
    expect(new Set(all.map((n) => n.code)).size).toBe(all.length);
  });
});

describe("the one panel a text means", () => {
  const near = (code: string, cost: number): Nearest => ({ code, cost, differences: [], by: null, shared: false });
  const here =
    (...codes: string[]) =>
    (c: string) =>
      codes.includes(c);
  it("read exactly, and only so", () => {
    expect(loneOf([near("A", 0), near("B", 0.3)], here())).toMatchObject({ lone: { code: "A" }, exact: true });
    expect(loneOf([near("A", 0), near("B", 0)], here())).toMatchObject({ lone: null, exact: false });
    // Two by the same number: the one seen in this machine, if it is one alone.
    expect(loneOf([near("A", 0), near("B", 0)], here("B"))).toMatchObject({ lone: { code: "B" }, exact: false });
    expect(loneOf([near("A", 0), near("B", 0)], here("A", "B")).lone).toBeNull();
  });
  it("else the nearest alone; a machine in hand breaks ties, luck never does", () => {
    expect(loneOf([near("A", 0.3), near("B", 0.6)], here("B"))).toMatchObject({ lone: { code: "A" }, exact: false });
    expect(loneOf([near("A", 0.3), near("B", 0.3)], here()).lone).toBeNull();
    expect(loneOf([near("A", 0.3), near("B", 0.3), near("C", 0.4)], here("B", "C")).lone?.code).toBe("B");
    expect(loneOf([near("A", 0.3), near("B", 0.3), near("C", 0.4)], here()).best.map((x) => x.code)).toEqual(["A", "B"]);
    expect(loneOf([], here("A"))).toEqual({ lone: null, exact: false, best: [] });
  });
});

describe("the line of a label to search by", () => {
  const label = (code: string | null, ...lines: [string, LabelReading["lines"][number]["class"]][]): LabelReading => ({
    code,
    lines: lines.map(([text, c]) => ({ text, class: c, reason: "" })),
  });
  it("the part code, else a spare-part number without its mark, else what might be a code; never a serial", () => {
    expect(lineToRead(label("GV1", ["P/N 5D10", "sparePart"]))).toBe("GV1");
    expect(lineToRead(label(null, ["SERIAL1234", "serial"], ["FRU: 5D10-00412", "sparePart"], ["ABCDEF", "other"]))).toBe(
      "5D10-00412",
    );
    expect(lineToRead(label(null, ["AB", "other"], ["ABCDE", "other"]))).toBe("ABCDE");
    expect(lineToRead(label(null, ["SERIAL1234", "serial"], ["2024 23", "date"], ["ABCD", "other"]))).toBeNull();
    for (const mark of ["P/N ", "PN: ", "fru ", "SPS. ", "spare:"]) expect(spareNumber(`${mark}5D10-1`)).toBe("5D10-1");
    expect(spareNumber("5D10-1")).toBe("5D10-1");
  });
});

describe("texts of an EDID that may name its panel", () => {
  it("its text descriptors and readable runs in the maker's own, never a serial of two letters", () => {
    const p = panels["gv140fhb-k31"]!;
    const made = panelEdid(p);
    if (!made.ok) throw new Error(made.problem);
    expect(edidTexts(decodeEdid(made.bytes))).toContain(p.code);
    const own = encodeEdid({
      manufacturerId: "GVX",
      descriptors: [
        {
          tag: 0x0f,
          bytes: Uint8Array.from([0, 0, 0, 0x0f, 0, ..."TQ15 R02 ".split("").map((c) => c.charCodeAt(0)), 10, 1, 2, 3]),
        },
      ],
    } as never);
    if (!own.ok) throw new Error(own.problem);
    expect(edidTexts(decodeEdid(own.bytes))).toContain("TQ15 R02");
  });
  it("what several texts are like: each code once, nearest first, as many as asked", () => {
    const h = (code: string, cost: number) => ({ code, cost, differences: [] }) as never;
    expect(
      nearestHits(
        [
          [h("A", 2), h("B", 1)],
          [h("B", 0), h("C", 3)],
        ],
        2,
      ).map((x) => x.code),
    ).toEqual(["B", "A"]);
    expect(nearestHits([[h("A", 2)], [h("A", 0)]], 5)).toHaveLength(1);
  });
});

describe("variants of a machine model", () => {
  const build = builds["ostrel-kestrel-14"]!;
  const of = (...ids: string[]): Panel[] => ids.map((id) => panels[id]!);
  it("the usual one is the one seen most, and is never wrong for itself", () => {
    const list = of("gv140fhb-k31", "gv140fhb-k36");
    const r = variantsOf({ seen: { "gv140fhb-k36": 9 } }, list, build);
    expect(r.usual?.id).toBe("gv140fhb-k36");
    expect(r.variants.map((v) => v.count)).toEqual([1, 9]);
    expect(variantsOf({ seen: { "gv140fhb-k31": 2 } }, list, build).usual?.id).toBe("gv140fhb-k31");
    expect(variantsOf(null, list, build).usual?.id).toBe("gv140fhb-k31");
    expect(variantsOf(null, [], build)).toEqual({ usual: null, variants: [] });
  });
  it("how wrong it would be follows from the fit of the usual one in place of each", () => {
    const list = Object.values(panels);
    const { usual, variants } = variantsOf(null, list, build);
    for (const [i, p] of list.entries()) {
      const { kind } = overallVerdict(compareFit(p, usual!, build));
      const wrong = { stop: 1, doNotConnect: 1, ask: 0.5, change: 0, same: 0 }[kind];
      expect(variants[i]!.wrong, p.code).toBe(wrong);
    }
    expect(new Set(variants.map((v) => v.wrong)).size).toBeGreaterThan(1);
  });
});
