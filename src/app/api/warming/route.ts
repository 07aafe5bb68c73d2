import { HeatOwn } from "@/core/heat";
import { guarded } from "@/server/guarded";
import { readHeatOwn, saveHeatOwn } from "@/server/heatOwn";
import { json, readJson } from "@/server/http";

export const dynamic = "force-dynamic";

/** This shop's own figures of warming. Plans made from here on follow them; what was done stays as it was told. */
export const PUT = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, HeatOwn);
  if (!body.ok) return body.response;
  await saveHeatOwn(body.value);
  return json(await readHeatOwn());
});
