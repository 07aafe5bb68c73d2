import { z } from "zod";
import { MISHAPS } from "../payloadWords";
import { hazard, photo, text } from "../shapes";

/** What events of the job as a whole carry, in their newest shape. */
export const jobPayloads = {
  "job.opened": z.strictObject({
    number: z.string().regex(/^H-\d{1,6}$/),
    customer: text(80),
    words: z.string().trim().max(600).default(""),
    machineModel: text(60),
    serial: z.string().trim().max(60).default(""),
    promiseAt: z.iso.datetime().nullable(),
    happened: z.string().trim().max(120).default(""),
    /** How to reach them. */
    contact: z.string().trim().max(120).optional(),
    /** It came back after this earlier job. */
    cameBack: z.strictObject({ job: z.uuid(), number: z.string().regex(/^H-\d{1,6}$/) }).optional(),
  }),
  /** What was written when the job was opened, put right: what is left out stays as it was. */
  "job.edited": z
    .strictObject({
      customer: text(80).optional(),
      contact: z.string().trim().max(120).optional(),
      words: z.string().trim().max(600).optional(),
      machineModel: text(60).optional(),
      serial: z.string().trim().max(60).optional(),
      happened: z.string().trim().max(120).optional(),
    })
    .refine((p) => Object.values(p).some((v) => v !== undefined), "nothing is changed"),
  /** Nothing can be done for a while: until when, where that is known, and why. */
  "job.putOff": z.strictObject({ until: z.iso.datetime().nullable(), why: text(400) }),
  "job.takenUp": z.strictObject({}),
  /** A closed job goes on. */
  "job.reopened": z.strictObject({ why: text(400) }),
  "job.promised": z.strictObject({ promiseAt: z.iso.datetime().nullable() }),
  /** Taken before what was promised earlier, or no longer. */
  "job.tookFirst": z.strictObject({ first: z.boolean() }),
  "job.noted": z.strictObject({
    text: text(2000),
    photo: photo.optional(),
  }),
  /** An act the server did not take, let go by a person: what it was, in words, and when it was recorded. */
  "job.actDiscarded": z.strictObject({
    type: z.string().min(1).max(60),
    words: text(2000),
    clock: z.string().regex(/^\d{15}-\d{6}$/),
  }),
  "job.mishapNoted": z.strictObject({ kind: z.enum(MISHAPS), note: z.string().trim().max(200).default("") }),
  "job.takenBack": z.strictObject({ eventId: z.uuid() }),
  "job.safetyRaised": z.strictObject({ hazard, note: z.string().trim().max(400).default("") }),
  "job.madeSafe": z.strictObject({ hazard, by: text(80), how: text(400) }),
  "job.handedOn": z.strictObject({ to: text(80), why: text(400) }),
  "job.breachResolved": z.strictObject({ eventId: z.uuid(), how: text(400) }),
  /** Words, names, serials and photos of this job were removed for good; which fields of how many events. */
  "job.redacted": z.strictObject({
    fields: z
      .array(z.string().regex(/^[a-zA-Z.]{3,80}$/))
      .min(1)
      .max(200),
    events: z.int().min(1),
    because: z.enum(["time", "asked"]),
  }),
  "job.closed": z.strictObject({
    outcome: z.enum(["handedOver", "notPanel", "cover", "handedOn", "cancelled"]),
    reason: z.string().trim().max(400).default(""),
  }),
} as const;
