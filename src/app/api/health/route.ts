import { readHealth } from "@/server/health";
import { json } from "@/server/http";

export const dynamic = "force-dynamic";

export async function GET(): Promise<Response> {
  return json(readHealth());
}
