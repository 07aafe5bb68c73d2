import type { z } from "zod";
import { QuotePolicy } from "@/core/quote";
import { ToolStock } from "@/core/teardown";
import { connection } from "@/data/connection";
import { saveReference } from "@/data/referenceStore";
import type { ToolsSave } from "@/wire/settings";
import type { QuoteSettings } from "@/wire/triage";
import { readReference } from "./reference";

export type SettingSaved = { ok: true; version: number } | { ok: false; status: number; problem: string };

/** What the shop has. Kits of plans are told from it; plans themselves do not change. */
export async function saveTools({ version, ...stock }: z.infer<typeof ToolsSave>, nowIso: string): Promise<SettingSaved> {
  const known = (await readReference()).tools;
  const next = ToolStock.parse({ format: "helvane.tools", version: 1, source: "This shop, as entered in Settings", ...stock });
  const saved = await saveReference(connection().db, "tools", "shipped", next, known ? version : null, nowIso);
  if (saved.ok) return saved;
  return {
    ok: false,
    status: 409,
    problem: `The tools were changed meanwhile (now at version ${saved.current}). Reload, then enter them again.`,
  };
}

/** Currency, tax and the other figures prices stand on. Quotes already given keep theirs. */
export async function savePrices({ version, ...figures }: z.infer<typeof QuoteSettings>, nowIso: string): Promise<SettingSaved> {
  const now = (await readReference()).quote;
  if (!now) return { ok: false, status: 404, problem: "There is no price table. Start once with the shipped reference data." };
  const next = QuotePolicy.parse({ ...now.data, ...figures });
  const saved = await saveReference(connection().db, "quote", "shipped", next, version, nowIso);
  if (saved.ok) return saved;
  return {
    ok: false,
    status: 409,
    problem: `The figures were changed meanwhile (now at version ${saved.current}). Reload, then set them again.`,
  };
}
