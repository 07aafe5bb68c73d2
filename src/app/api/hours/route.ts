import { ShopHours } from "@/core/promise";
import { guarded } from "@/server/guarded";
import { readShopHours, saveShopHours } from "@/server/hours";
import { json, readJson } from "@/server/http";

export const dynamic = "force-dynamic";

/** When the shop works, hands over and gets its parcels. */
export const PUT = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, ShopHours);
  if (!body.ok) return body.response;
  await saveShopHours(body.value);
  return json(await readShopHours());
});
