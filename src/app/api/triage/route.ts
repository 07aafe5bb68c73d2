import { guarded } from "@/server/guarded";
import { json, problem, readJson } from "@/server/http";
import { nowIso } from "@/server/now";
import { readReference, saveTriageTable, shippedTriageText } from "@/server/reference";
import { TableRequest } from "@/wire/triage";

export const dynamic = "force-dynamic";

/** The fault model as a file. */
export const GET = guarded(async (): Promise<Response> => {
  const row = (await readReference()).triage;
  if (!row) return problem(404, "There is no fault model. Start once with the shipped reference data.");
  return new Response(`${JSON.stringify(row.data, null, 1)}\n`, {
    headers: {
      "content-type": "application/json",
      "content-disposition": 'attachment; filename="helvane-triage.json"',
      "cache-control": "no-store",
    },
  });
});

export const PUT = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, TableRequest);
  if (!body.ok) return body.response;
  const text = "shipped" in body.value ? shippedTriageText() : body.value.text;
  const saved = await saveTriageTable(text, body.value.version, nowIso());
  return saved.ok ? json(saved) : problem(400, "The fault model was not saved.", saved.problems);
});
