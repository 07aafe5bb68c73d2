import { guarded } from "@/server/guarded";
import { json, problem, readJson } from "@/server/http";
import { nowIso } from "@/server/now";
import { savePrices } from "@/server/settings";
import { QuoteSettings } from "@/wire/triage";

export const dynamic = "force-dynamic";

export const PUT = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, QuoteSettings);
  if (!body.ok) return body.response;
  const saved = await savePrices(body.value, nowIso());
  return saved.ok ? json({ version: saved.version }) : problem(saved.status, saved.problem);
});
