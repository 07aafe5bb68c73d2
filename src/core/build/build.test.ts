import { readFileSync } from "node:fs";
import { builds } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { type Build, CONNECTOR_MOTION, checkBuild, indexBuild, lookAgain, parseBuild } from ".";

const raw = (): Build => JSON.parse(JSON.stringify(builds["ostrel-kestrel-14"]));
const problems = (change: (b: Build) => void): string[] => {
  const b = raw();
  change(b);
  return checkBuild(b).map((p) => `${p.where}: ${p.message}`);
};

describe("checkBuild", () => {
  it("finds nothing wrong with the demo builds", () => {
    for (const b of Object.values(builds)) expect(checkBuild(b)).toEqual([]);
  });
  const wrong: [string, (b: Build) => void, RegExp][] = [
    ["an id used twice", (b) => b.parts.push({ ...b.parts[0]! }), /already used at parts\[0\]/],
    ["a blocker that is not there", (b) => b.parts[0]!.blockedBy.push("ghost"), /there is no part "ghost"/],
    [
      "a screw of no type",
      (b) => {
        b.screwGroups[0]!.screws[0]!.type = "m9x9";
      },
      /there is no screw type "m9x9"/,
    ],
    [
      "a screw outside the machine",
      (b) => {
        b.screwGroups[0]!.screws[0]!.xMm = 555;
      },
      /lies outside the base of/,
    ],
    [
      "a panel nobody can take out",
      (b) => {
        b.parts.find((p) => p.role === "panel")!.out = undefined;
      },
      /has no way out/,
    ],
    [
      "two panels",
      (b) => {
        b.parts[0]!.role = "panel";
      },
      /expected one part with the role "panel", found 2/,
    ],
    [
      "no way to isolate",
      (b) => {
        for (const c of b.connectors) c.powerPoint = false;
      },
      /no connector is marked powerPoint/,
    ],
    [
      "a pocket larger than the lid",
      (b) => {
        b.lid.pocket.widthMm = 400;
      },
      /reaches outside the lid/,
    ],
    [
      "a keep-out off the strip",
      (b) => {
        b.tapes[0]!.keepOuts.push({ fromMm: 100, toMm: 9000, why: "x" });
      },
      /does not lie on a strip/,
    ],
    [
      "drain times the wrong way round",
      (b) => {
        b.isolation.drainS = [10, 5];
      },
      /the longest time is shorter/,
    ],
    [
      "blocking in a circle",
      (b) => {
        b.parts.find((p) => p.role === "bezel")!.blockedBy.push("panel");
      },
      /runs in a circle: .*bezel/,
    ],
    [
      "a cable under what never moves",
      (b) => {
        const fixed = b.parts.find((p) => p.role !== "panel" && !p.out) ?? b.parts[0]!;
        fixed.out = undefined;
        fixed.fold = undefined;
        for (const p of b.parts) p.blockedBy = p.blockedBy.filter((x) => x !== fixed.id);
        b.connectors.find((c) => c.serves === "picture")!.under = [fixed.id];
      },
      /the lead at "display-plug" can never be reached: ".*" lies over it and has no way out/,
    ],
    [
      "a way that frees what is not there",
      (b) => {
        b.parts[0]!.either = [
          {
            why: "x",
            options: [
              { id: "a", free: ["ghost"] },
              { id: "b", free: [] },
            ],
          },
        ];
      },
      /options\[0\]\.free: there is no part, screw group, plug or tape "ghost"\n?|neither frees anything/,
    ],
    [
      "a way that does nothing",
      (b) => {
        b.parts[0]!.either = [
          {
            why: "x",
            options: [
              { id: "a", free: [b.connectors[0]!.id] },
              { id: "b", free: [] },
            ],
          },
        ];
      },
      /either\[0\]\.options\[1\]: this way neither frees anything nor says what is done instead/,
    ],
    [
      "a way in that names nothing",
      (b) => {
        b.wayIn.push({ first: "seat", next: "ghost", why: "x" });
      },
      /wayIn\[\d+\]\.next: there is no part, screw group, plug or tape "ghost"/,
    ],
    [
      "a photo of what is not there",
      (b) => {
        b.photos = [
          { id: "ph", of: "ghost", view: "lid", xMm: 1, yMm: 1, words: "x", hash: "0".repeat(64), widthPx: 1, heightPx: 1 },
        ];
      },
      /photos\[0\]\.of: there is no part, screw, plug or tape "ghost"/,
    ],
  ];
  for (const [name, change, says] of wrong) it(name, () => expect(problems(change).join("\n")).toMatch(says));
});

describe("lookAgain", () => {
  it("names a part nothing holds, until a screw, a plug, a strip, glue or a part before it does", () => {
    const b = raw();
    b.parts.push({ ...b.parts.find((p) => p.role === "bezel")!, id: "flap", name: "Flap", role: "cover", blockedBy: [] });
    expect(lookAgain(b)).toContain("the flap");
    expect(checkBuild(b)).toEqual([]);
    const flap = b.parts.at(-1)!;
    flap.out = { ...flap.out!, glue: true };
    expect(lookAgain(b)).not.toContain("the flap");
    flap.out = { ...flap.out!, glue: false };
    b.screwGroups[0] = { ...b.screwGroups[0]!, holds: "flap" };
    expect(lookAgain(b)).not.toContain("the flap");
  });
});

describe("parseBuild", () => {
  it("reads both demo files to the same build twice, and writes what it can read", () => {
    for (const id of Object.keys(builds)) {
      const text = readFileSync(`data/demo/builds/${id}.json`, "utf8");
      const once = parseBuild(text);
      expect(once.ok).toBe(true);
      if (once.ok) expect(parseBuild(JSON.stringify(once.build))).toEqual(once);
    }
  });
  it("names place and reason for files that are no build", () => {
    const says = (text: string) => {
      const r = parseBuild(text);
      return r.ok ? "ok" : r.problems.map((p) => `${p.where}: ${p.message}`).join("\n");
    };
    expect(says("  ")).toBe("file: the file is empty: expected a machine build in JSON");
    expect(says("[1,2]")).toMatch(/expected one JSON object/);
    expect(says("nul")).toMatch(/not readable as JSON/);
    expect(says('{"format":"helvane.build","version":2}')).toMatch(/version: read 2/);
    const absurd = raw();
    (absurd.parts[0] as { name: unknown }).name = 4;
    expect(says(JSON.stringify(absurd))).toMatch(/^parts\[0\]\.name/);
    const typo = { ...raw(), screwgroups: [] };
    expect(says(JSON.stringify(typo))).toMatch(/screwgroups/);
  });
});

describe("indexBuild", () => {
  it("finds by id, and knows the panel's own connectors and the power points", () => {
    const b = indexBuild(builds["ostrel-kestrel-14"]!);
    expect(b.panel.role).toBe("panel");
    expect(b.panelConnectors.map((c) => c.id)).toEqual(["display-plug"]);
    expect(b.powerPoints.length).toBeGreaterThan(0);
    for (const g of b.build.screwGroups) for (const s of g.screws) expect(b.groupOfScrew.get(s.id)).toBe(g);
    expect(indexBuild(b.build)).toBe(b);
  });
});

describe("connector motion", () => {
  it("every kind says how off, how on, and when home", () => {
    for (const m of Object.values(CONNECTOR_MOTION)) {
      expect(m.out).not.toBe(m.in);
      expect(m.homeWhen.length).toBeGreaterThan(4);
    }
  });
});
