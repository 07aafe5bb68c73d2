import { guarded } from "@/server/guarded";
import { readHealth } from "@/server/health";
import { json } from "@/server/http";

export const dynamic = "force-dynamic";

export const GET = guarded(async (): Promise<Response> => {
  const { status, ...said } = await readHealth();
  return json(said, status);
});
