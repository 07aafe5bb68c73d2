import { z } from "zod";

/** PUT /api/backup: where copies go and when the bench says they are old. */
export const BackupSave = z.strictObject({
  elsewhere: z
    .string()
    .trim()
    .max(400)
    .transform((s) => s || null)
    .nullable(),
  everyMin: z.int().min(5).max(1440),
  warnDays: z.int().min(1).max(60),
});
/** POST /api/backup/restore: without `sure` the file is only read back. */
export const RestoreRequest = z.strictObject({ file: z.string().min(1).max(1000), sure: z.boolean().default(false) });

/** POST /api/backup/drill: starts the shop from a copy in a second instance. */
export const DrillRequest = z.strictObject({ file: z.string().min(1).max(1000) });

/** A backup as Settings lists it. */
export interface BackupLine {
  file: string;
  at: string;
  bytes: number;
  jobs: number;
  events: number;
  photos: number;
  verifiedAt: string | null;
  problem: string | null;
  beforeMigration: boolean;
}

const passphrase = z
  .string()
  .max(200)
  .transform((p) => p || null)
  .nullable()
  .default(null);
/** POST /api/shop: writes the whole shop as one file; locked when a passphrase is given. */
export const ShopExport = z.strictObject({ passphrase });
/** POST /api/shop/take: reads such a file; when sure, takes it over. */
export const ShopTake = z.strictObject({ file: z.string().min(1).max(1000), passphrase, sure: z.boolean().default(false) });

/** POST /api/redact: by time, or by a customer's name; without `sure` only what would be removed is told. */
export const RedactRequest = z.strictObject({
  months: z.number().min(0).max(240).nullable().default(null),
  customer: z.string().trim().min(1).max(80).nullable().default(null),
  who: z.string().trim().min(1).max(60).default("Bench"),
  sure: z.boolean().default(false),
});

/** What a shop's file holds, held against the shop that is here. */
export interface ShopRead {
  at: string;
  counts: { jobs: number; events: number; snapshots: number; photos: number; reference: number; settings: number };
  /** Nothing is recorded here yet: it is taken over exactly. */
  intoEmpty: boolean;
  jobsNew: number;
  eventsNew: number;
  eventsSame: number;
  /** What cannot be taken over, row by row: it stays as it is here. */
  conflicts: string[];
  referenceNew: number;
  referenceSame: number;
}
/** A file that holds a whole shop. */
export interface ShopFile {
  file: string;
  name: string;
  bytes: number;
}
/** A closed job that still holds personal words. */
export interface RedactLine {
  jobId: string;
  number: string;
  customer: string;
  /** When the job was handed over or closed, ISO. */
  closedAt: string;
  /** Entries that hold words, names, serials or photos. */
  entries: number;
  photos: number;
}
