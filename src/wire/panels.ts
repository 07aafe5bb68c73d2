import { z } from "zod";
import type { Panel } from "@/core/panel";

/** POST /api/panels/import?name=...: the bytes of a table of panels, `text/csv` or `application/json`, for a dry run. */
export const PANEL_TABLE_MB = 40;
export const PanelSave = z.strictObject({ panel: z.unknown(), version: z.int().min(0) });
export const IMPORT_OUTCOMES = ["wrong", "conflict", "new", "fills", "repeated", "same"] as const;
export type ImportOutcome = (typeof IMPORT_OUTCOMES)[number];

export interface ImportReply {
  id: string;
  name: string;
  state: "reading" | "ready" | "taken" | "failed" | "cancelled";
  rows: number;
  part: number;
  notes: string[];
  counts: Partial<Record<ImportOutcome, number>>;
  list: { row: number; code: string; outcome: ImportOutcome; says: string[] }[];
}

/** One page of the list of panels. */
export interface PanelListPage {
  all: number;
  after: string;
  next: string | null;
  panels: {
    id: string;
    code: string;
    names: string[];
    words: string;
    unknown: number;
    disputed: number;
    /** What is drawn of it, in mm, each with where it is from; null where nobody knows. */
    drawn: {
      diagonalIn: number | null;
      outline: { widthMm: number; heightMm: number } | null;
      outlineSource: string;
      tabs: NonNullable<Panel["tabs"]["value"]>;
      plug: { xMm: number; yMm: number } | null;
      /** Thickness and contacts with their letters, and what is unlike most: finish, touch. */
      says: string[];
    };
  }[];
}
