import { type Build, parseBuild } from "@/core/build";
import { seededRandom } from "./randomActs";

const TOOLS = ["Plastic pick", "Flat tool", "Tweezers"] as const;

/**
 * An invented machine that passes the checks of a build: parts that block each other without a circle, screws of two drives on
 * two sides, tapes, plugs, a power point, ways with alternatives, things that are fragile once bare.
 */
export function randomBuild(seed: number, parts: number): Build {
  const random = seededRandom(seed);
  const int = (n: number) => Math.floor(random() * n);
  const some = <T>(list: readonly T[], chance: number) => list.filter(() => random() < chance);
  const pick = <T>(list: readonly T[]): T => list[int(list.length)]!;
  /** A large machine has a few of what is rare, not many. */
  const few = (chance: number) => Math.min(chance, 3.5 / parts);
  const names = Array.from({ length: Math.max(1, parts - 2) }, (_, i) => `part-${i}`);
  const view = () => (random() < 0.5 ? ("lid" as const) : ("base" as const));
  const at = () => ({ xMm: 10 + int(280), yMm: 10 + int(160) });
  const motion = (verb: string) => ({
    verb,
    how: "As it comes.",
    minutes: Math.round((0.2 + random() * 3) * 10) / 10,
    ...(random() < 0.5 ? { tool: pick(TOOLS) } : {}),
    ...(random() < 0.25 ? { risk: { chance: 0.05, costMinor: 500 + int(5000), breaks: "a clip" } } : {}),
    ...(random() < few(0.1) ? { glue: true } : {}),
  });
  const covers: string[] = [];
  const built = names.map((id, i) => {
    const before = names.slice(0, i);
    const blockedBy = some(before, before.length ? 1.2 / before.length : 0);
    covers.push(id);
    return {
      id,
      name: `Part ${i}`,
      view: view(),
      role: "other" as const,
      out: motion(`Take part ${i} out`),
      blockedBy,
      ...(i > 1 && random() < Math.min(0.5, 5 / parts)
        ? {
            either: [
              {
                why: `A lead ties part ${i}`,
                options: [
                  { id: `free-${i}`, free: [pick(before.filter((x) => !blockedBy.includes(x)).concat(before))] },
                  { id: `lay-${i}`, free: [], instead: motion(`Lay part ${i} beside, tethered`) },
                ],
              },
            ],
          }
        : {}),
      ...(i > 0 && random() < 0.2
        ? { fragile: { exposedBy: pick(before), perMinute: 0.1 + random() * 0.3, breaks: "films" } }
        : {}),
    };
  });
  const screwGroups = names
    .filter(() => random() < 0.4)
    .map((holds, i) => {
      const side = view();
      return {
        id: `group-${i}`,
        name: `Screws ${i}`,
        holds,
        view: side,
        loosenOnly: random() < 0.15,
        minutesEach: 0.3,
        screws: Array.from({ length: 1 + int(3) }, (_, k) => ({
          id: `s${i}-${k}`,
          type: random() < 0.5 ? "cross" : "lobe",
          ...at(),
          where: `place ${k}`,
        })),
      };
    });
  const upto = (holds: string) => names.slice(0, names.indexOf(holds));
  for (const g of screwGroups) Object.assign(g, { under: some(upto(g.holds), 0.15) });
  const connectors = [
    {
      id: "battery-plug",
      name: "Battery plug",
      kind: "friction" as const,
      view: "base" as const,
      ...at(),
      joins: ["battery", "Main board"] as [string, string],
      under: [names[0]!],
      powerPoint: true,
      serves: "battery" as const,
    },
    {
      id: "display-plug",
      name: "Display plug",
      kind: "friction" as const,
      view: "lid" as const,
      ...at(),
      joins: ["panel", "Main board"] as [string, string],
      under: some(names, 0.2),
      reachableWhenSeated: random() < 0.3,
      serves: "picture" as const,
    },
    // What covers the battery carries no plug: it has to come away before anything is isolated.
    ...names
      .slice(1)
      .filter(() => random() < 0.15)
      .map((holds, i) => ({
        id: `plug-${i}`,
        name: `Plug ${i}`,
        kind: "flipLatch" as const,
        view: view(),
        ...at(),
        joins: [holds, "Main board"] as [string, string],
        under: some(upto(holds), 0.15),
      })),
  ];
  const tapes =
    random() < 0.5
      ? [
          {
            id: "tape-0",
            name: "Tape",
            holds: "panel",
            edge: "left" as const,
            shape: { xMm: 6, yMm: 20, widthMm: 4, heightMm: 140 },
            kind: "strip" as const,
            thicknessMm: 0.5,
            under: some(names, 0.2),
            out: motion("Free the tape"),
          },
        ]
      : [];
  const build = {
    format: "helvane.build",
    version: 2,
    id: `random-${seed}`,
    machineModel: `Random ${seed}`,
    family: "H",
    source: "generated",
    lid: {
      widthMm: 320,
      heightMm: 210,
      cornerMm: 5,
      depthMm: 6,
      hinges: [{ xMm: 30, widthMm: 30 }],
      opening: { xMm: 6, yMm: 9, widthMm: 300, heightMm: 170 },
      pocket: { xMm: 4, yMm: 7, widthMm: 310, heightMm: 190 },
      pocketDepthMm: 3.5,
      panelAt: { xMm: 5, yMm: 8 },
    },
    base: { widthMm: 320, depthMm: 220, cornerMm: 5 },
    screwTypes: (["cross", "lobe"] as const).map((id) => ({
      id,
      thread: "M2",
      lengthMm: id === "cross" ? 3 : 5,
      head: "pan",
      headDiameterMm: 3.8,
      headHeightMm: 1.4,
      drive: id === "cross" ? "cross" : "lobe6",
      size: id === "cross" ? "PH00" : "T5",
    })),
    subject: { kind: "panel", part: "panel" },
    parts: [
      ...built,
      { id: "battery", name: "Battery", view: "base", role: "battery" },
      {
        id: "panel",
        name: "Panel",
        view: "lid",
        role: "panel",
        out: motion("Lift the panel out"),
        blockedBy: some(names, 0.3)
          .concat(names.at(-1) ?? [])
          .filter((x, i, all) => all.indexOf(x) === i),
      },
    ],
    screwGroups,
    connectors,
    tapes,
    isolation: {
      by: "powerPoints",
      how: "Battery plug off.",
      proof: "No light.",
      startsWhenAttached: false,
      testSupply: "mainsAndBattery",
    },
  };
  const read = parseBuild(JSON.stringify(build));
  if (!read.ok) throw new Error(`seed ${seed}: ${read.problems.map((p) => `${p.where}: ${p.message}`).join("; ")}`);
  return read.build;
}
