import { type Build, lateLeads } from "../build";

export type Pass = "open" | "closed";

export interface Check {
  id: string;
  name: string;
  how: string;
  pass: Pass;
  /** Which act of this repair asks for it, or null for the checks every repair has. */
  because: string | null;
}

export interface Disturbed {
  /** Connectors touched in this repair, by id. */
  connectors: readonly string[];
  /** Screws taken out or loosened, by group id. */
  groups: readonly string[];
  /** Parts that were moved, by id. */
  parts: readonly string[];
}

const SERVED: Record<string, { name: string; how: string; pass: Pass } | undefined> = {
  camera: { name: "Camera picture", how: "Open the camera: picture upright and sharp.", pass: "open" },
  wireless: { name: "Wireless, both leads", how: "Hold a steady connection a room away.", pass: "closed" },
  battery: { name: "Battery seen and charging", how: "On mains: the battery shows and its level rises.", pass: "closed" },
  lidSensor: { name: "Sleeps on closing", how: "Close the lid: it sleeps. Open: it wakes.", pass: "closed" },
  keyboard: { name: "Every key", how: "Press every key once in a text field.", pass: "closed" },
  touch: { name: "Touch over the whole glass", how: "Draw along all four edges and both diagonals.", pass: "open" },
  speaker: { name: "Speakers, both sides", how: "Play left, then right.", pass: "closed" },
};

/**
 * The checks this repair needs: picture and evenness always, then what follows from what was disturbed.
 * @param build the machine
 * @param disturbed what this repair touched
 * @returns checks in the order of work, each with its pass and the disturbance that asks for it
 * @example requiredChecks(build, { connectors: ["display-plug"], groups: [], parts: [] }).some((c) => c.id === "lidSwing") // true
 */
export function requiredChecks(build: Build, disturbed: Disturbed): Check[] {
  const checks: Check[] = [
    {
      id: "picture",
      name: "Picture, right way up",
      how: "Start it: picture whole, sharp, no lines.",
      pass: "open",
      because: null,
    },
    {
      id: "solid",
      name: "Solid colours",
      how: "Show white, black, red, green, blue. Tap every fault.",
      pass: "open",
      because: null,
    },
    {
      id: "evenness",
      name: "Even light, no pressure marks",
      how: "Grey, dark room: no bright edge, no blotch.",
      pass: "open",
      because: null,
    },
  ];
  const touched = new Set(disturbed.connectors);
  const late = lateLeads(build);
  for (const c of build.connectors) {
    if (!touched.has(c.id)) continue;
    if (c.serves === "picture")
      checks.push({
        id: "lidSwing",
        name: "No flicker while the lid moves",
        how: "Swing the lid slowly ten times: the picture stays.",
        pass: "closed",
        because: `${c.name} was off`,
      });
    const s = SERVED[c.serves];
    const pass = s && (late.has(c.id) ? "closed" : s.pass);
    if (s && pass && !checks.some((x) => x.id === c.serves && x.pass === pass))
      checks.push({ id: c.serves, ...s, pass, because: `${c.name} was off` });
  }
  const hinge = build.screwGroups.find((g) => disturbed.groups.includes(g.id) && /hinge/i.test(`${g.name} ${g.id}`));
  if (hinge)
    checks.push({
      id: "hinge",
      name: "Angle, gap and droop",
      how: "Open to 90 degrees and let go: it stays, gaps even.",
      pass: "closed",
      because: `${hinge.name} moved`,
    });
  const bezel = build.parts.find((p) => p.role === "bezel" && disturbed.parts.includes(p.id));
  if (bezel)
    checks.push({
      id: "bezel",
      name: "Bezel latched all round",
      how: "Run a finger round: no step, no click left.",
      pass: "closed",
      because: `${bezel.name} was off`,
    });
  checks.push({
    id: "start",
    name: "Starts and shuts down closed up",
    how: "Start, see the picture, shut down.",
    pass: "closed",
    because: null,
  });
  return checks;
}
