import { QuotePolicy } from "@/core/quote";
import { connection } from "@/data/connection";
import { saveReference } from "@/data/referenceStore";
import { json, problem, readJson } from "@/server/http";
import { nowIso } from "@/server/now";
import { readReference } from "@/server/reference";
import { QuoteSettings } from "@/wire/triage";

export const dynamic = "force-dynamic";

/** Currency, tax and the other figures prices stand on. Quotes already given keep theirs. */
export async function PUT(req: Request): Promise<Response> {
  const body = await readJson(req, QuoteSettings);
  if (!body.ok) return body.response;
  const now = (await readReference()).quote;
  if (!now) return problem(404, "There is no price table. Start once with the shipped reference data.");
  const { version, ...figures } = body.value;
  const saved = await saveReference(
    connection().db,
    "quote",
    "shipped",
    QuotePolicy.parse({ ...now.data, ...figures }),
    version,
    nowIso(),
  );
  return saved.ok
    ? json({ version: saved.version })
    : problem(409, `The figures were changed meanwhile (now at version ${saved.current}). Reload, then set them again.`);
}
