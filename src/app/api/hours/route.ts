import { format } from "date-fns";
import { z } from "zod";
import { ShopHours, withEvenings } from "@/core/promise";
import { guarded } from "@/server/guarded";
import { readShopHours, saveShopHours } from "@/server/hours";
import { json, readJson } from "@/server/http";
import { nowMs } from "@/server/now";

export const dynamic = "force-dynamic";

const Take = z.strictObject({ take: z.enum(["evening", "secondBench"]) });

/** A way to keep a promise taken at one tap: three evenings until nine, or a second pair of hands from now. */
export const POST = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, Take);
  if (!body.ok) return body.response;
  const hours = await readShopHours();
  await saveShopHours(
    body.value.take === "evening"
      ? withEvenings(hours, format(new Date(nowMs()), "yyyy-MM-dd"))
      : { ...hours, benches: Math.min(9, hours.benches + 1) },
  );
  return json(await readShopHours());
});

/** When the shop works, hands over and gets its parcels. */
export const PUT = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, ShopHours);
  if (!body.ok) return body.response;
  await saveShopHours(body.value);
  return json(await readShopHours());
});
