import { z } from "zod";
import type { Hit } from "@/core/catalogue";

export const EdidRequest = z.strictObject({ jobId: z.uuid() });
export interface CatalogueReply {
  panels: { id: string; code: string; hash: string; names: string[] }[];
  machines: { model: string; codes: string[]; panels: string[] }[];
}

/** What the page asks the catalogue worker, and what it answers. */
export type CatalogueAsk = { id: number; codes: string[] } | { id: number; text: string; limit: number };
export type CatalogueAnswer = { id: number; ready: number } | { id: number; hits: Hit[] };
