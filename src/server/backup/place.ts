import { resolve } from "node:path";
import { databaseFile } from "../databaseFile";

/** Where backups lie beside the database they are of. */
export const backupsHere = (): string =>
  process.env.HELVANE_BACKUPS ?? `${resolve(databaseFile()).replace(/\.sqlite$/, "")}-backups`;
