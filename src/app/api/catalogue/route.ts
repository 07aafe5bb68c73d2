import { guarded } from "@/server/guarded";
import { json } from "@/server/http";
import { catalogueOf } from "@/server/panels";
import { readReference } from "@/server/reference";
import type { CatalogueReply } from "@/wire/catalogue";

export const dynamic = "force-dynamic";

/** Every panel by code and other names with the hash of its record, and every machine with its panels: for the search on the device. */
export const GET = guarded(async (): Promise<Response> => {
  const { machines } = await readReference();
  const panels = await catalogueOf();
  const known = new Set(panels.map((p) => p.id));
  return json({
    panels: panels.map((p) => ({ id: p.id, code: p.code, hash: p.hash, names: p.names })),
    machines: machines.map((m) => ({ model: m.model, codes: m.codes, panels: m.panels.filter((id) => known.has(id)) })),
  } satisfies CatalogueReply);
});
