import { json } from "@/server/http";
import { readReference } from "@/server/reference";
import type { CatalogueReply } from "@/wire/catalogue";

export const dynamic = "force-dynamic";

/** Every panel code with the hash of its record, for the search on the device. */
export async function GET(): Promise<Response> {
  const { panels } = await readReference();
  return json({ panels: panels.map((p) => ({ code: p.data.code, hash: p.hash })) } satisfies CatalogueReply);
}
