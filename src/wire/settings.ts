import { z } from "zod";

export const NetworkRequest = z.strictObject({
  on: z.boolean(),
  passcode: z.string().min(6, "a passcode of 6 characters or more").max(64).optional(),
});
export const UnlockRequest = z.strictObject({ passcode: z.string().min(1).max(64) });
export const BuildImport = z.strictObject({
  text: z.string().max(2_000_000),
  replaceVersion: z.int().min(0).nullable().default(null),
});

/** POST /api/finds: which find to take over into a build. */
export const FindTake = z.strictObject({ key: z.uuid() });
