import { z } from "zod";
import { contentHash, words } from "../quantity/shapes";

/** Shapes that payloads of several stations share. */
export const key = z.string().regex(/^[A-Za-z0-9][A-Za-z0-9-]{0,63}$/, "an id of letters, digits and hyphens, 64 at most");
export const text = words;
export const hash = contentHash;
export const nothing = z.strictObject({});
export const coord = z.number().min(-50).max(600);
export const outcome = z.enum(["yes", "no", "unclear", "notDone"]);
export const hazard = z.enum(["swollenBattery", "hotBattery", "puncturedBattery", "liquidPowerOn", "lampLive"]);
export const money = z.enum(["warranty", "consent", "data"]);
export const pass = z.enum(["open", "closed"]);

export const photo = z.strictObject({
  hash,
  widthPx: z.int().positive(),
  heightPx: z.int().positive(),
  bytes: z.int().positive(),
});
/** What an event keeps of a photo: its file is stored apart, by hash. */
export type Photo = z.infer<typeof photo>;
