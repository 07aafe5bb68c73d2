import { ToolStock } from "@/core/teardown";
import { connection } from "@/data/connection";
import { saveReference } from "@/data/referenceStore";
import { json, problem, readJson } from "@/server/http";
import { nowIso } from "@/server/now";
import { readReference } from "@/server/reference";
import { ToolsSave } from "@/wire/settings";

export const dynamic = "force-dynamic";

/** What the shop has. Kits of plans are told from it; plans themselves do not change. */
export async function PUT(req: Request): Promise<Response> {
  const body = await readJson(req, ToolsSave);
  if (!body.ok) return body.response;
  const { version, ...stock } = body.value;
  const known = (await readReference()).tools;
  const next = ToolStock.parse({
    format: "helvane.tools",
    version: 1,
    source: "This shop, as entered in Settings",
    ...stock,
  });
  const saved = await saveReference(connection().db, "tools", "shipped", next, known ? version : null, nowIso());
  return saved.ok
    ? json({ version: saved.version })
    : problem(409, `The tools were changed meanwhile (now at version ${saved.current}). Reload, then enter them again.`);
}
