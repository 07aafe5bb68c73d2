import { z } from "zod";
import { coord, hash, key, pass, text } from "../shapes";

/** What events of Prove carry, in their newest shape. */
export const provePayloads = {
  "prove.checkDone": z.strictObject({
    pass,
    check: key,
    result: z.enum(["pass", "fail", "unclear", "deferred"]),
    note: z.string().trim().max(200).default(""),
  }),
  "prove.faultTapped": z.strictObject({
    class: z.enum(["bright", "dark", "subPixel", "cluster"]),
    xMm: coord,
    yMm: coord,
    policyHash: hash,
  }),
  "prove.faultsAccepted": z.strictObject({ by: text(80), reason: text(400) }),
} as const;
