import { z } from "zod";
import shippedFile from "../../../data/reference/proveChecks.json" with { type: "json" };
import { words } from "../quantity/shapes";

/** What may be disturbed in a repair; `always` is every repair. */
export const DISTURBED_KINDS = [
  "always",
  "panel",
  "oled",
  "picture",
  "live",
  "camera",
  "wireless",
  "battery",
  "lidSensor",
  "lidNew",
  "keyboard",
  "touch",
  "frontUnit",
  "speaker",
  "other",
  "hinge",
  "bezel",
  "tape",
  "films",
  "heat",
  "lamp",
  "base",
  "reset",
  "pairing",
  "liquid",
] as const;
export type DisturbedKind = (typeof DISTURBED_KINDS)[number];

/** How a check is answered: by eye, or by an instrument or a procedure of Helvane. */
export const CHECK_ANSWERS = ["yesNo", "figure", "instrument", "procedure"] as const;

const CheckRow = z.strictObject({
  id: z.string().regex(/^[a-z][A-Za-z0-9]{0,39}$/),
  pass: z.enum(["open", "closed"]),
  when: z.array(z.enum(DISTURBED_KINDS)).min(1).max(12),
  name: words(80),
  how: words(200),
  minutes: z.number().min(0).max(240),
  answer: z.enum(CHECK_ANSWERS),
  /** May be left for later, with a note that says why. */
  deferrable: z.literal(true).optional(),
});

/** Which check follows from what was disturbed, in which pass: a shop may set all of it. */
export const CheckTable = z.strictObject({
  format: z.literal("helvane.checks"),
  version: z.literal(1),
  source: words(160),
  checks: z
    .array(CheckRow)
    .min(1)
    .max(200)
    .refine((rows) => new Set(rows.map((r) => `${r.pass} ${r.id}`)).size === rows.length, "a check stands twice in one pass")
    .refine(
      (rows) => (["open", "closed"] as const).every((p) => rows.some((r) => r.pass === p && r.when.includes("always"))),
      "each pass needs a check that is always asked",
    ),
});
export type CheckTable = z.infer<typeof CheckTable>;

/** The table as it is shipped. */
export const SHIPPED_CHECKS: CheckTable = CheckTable.parse(shippedFile);

const row = (
  id: string,
  pass: "open" | "closed",
  when: DisturbedKind[],
  name: string,
  how: string,
): CheckTable["checks"][number] => ({ id, pass, when, name, how, minutes: 1, answer: "yesNo" });

/** What jobs planned before there was a table were asked: they keep it, so that nothing they proved is taken from them. */
export const EARLIER_CHECKS: CheckTable = {
  format: "helvane.checks",
  version: 1,
  source: "Helvane before the table of checks",
  checks: [
    row("picture", "open", ["always"], "Picture, right way up", "Start it: picture whole, sharp, no lines."),
    row("solid", "open", ["always"], "Solid colours", "Show white, black, red, green, blue. Tap every fault."),
    row("evenness", "open", ["always"], "Even light, no pressure marks", "Grey, dark room: no bright edge, no blotch."),
    row("camera", "open", ["camera"], "Camera picture", "Open the camera: picture upright and sharp."),
    row("touch", "open", ["touch"], "Touch over the whole glass", "Draw along all four edges and both diagonals."),
    row(
      "lidSwing",
      "closed",
      ["picture"],
      "No flicker while the lid moves",
      "Swing the lid slowly ten times: the picture stays.",
    ),
    row("wireless", "closed", ["wireless"], "Wireless, both leads", "Hold a steady connection a room away."),
    row("battery", "closed", ["battery"], "Battery seen and charging", "On mains: the battery shows and its level rises."),
    row("lidSensor", "closed", ["lidSensor"], "Sleeps on closing", "Close the lid: it sleeps. Open: it wakes."),
    row("keyboard", "closed", ["keyboard"], "Every key", "Press every key once in a text field."),
    row("speaker", "closed", ["speaker"], "Speakers, both sides", "Play left, then right."),
    row("hinge", "closed", ["hinge"], "Angle, gap and droop", "Open to 90 degrees and let go: it stays, gaps even."),
    row("bezel", "closed", ["bezel"], "Bezel latched all round", "Run a finger round: no step, no click left."),
    row("start", "closed", ["always"], "Starts and shuts down closed up", "Start, see the picture, shut down."),
  ],
};
