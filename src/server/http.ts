import type { z } from "zod";
import type { ProblemReply } from "@/wire/jobs";

export const json = (body: unknown, status = 200): Response =>
  Response.json(body, { status, headers: { "cache-control": "no-store" } });
export const problem = (status: number, text: string, details?: ProblemReply["details"]): Response =>
  json({ problem: text, ...(details ? { details } : {}) } satisfies ProblemReply, status);

export type Body<T> = { ok: true; value: T } | { ok: false; response: Response };

const MB = 1_000_000;

/** Reads a body of at most `most` bytes; stops reading as soon as it is longer. */
export async function readBytes(req: Request, most: number): Promise<Body<Uint8Array>> {
  const tooLarge = () =>
    problem(413, `The file is larger than ${Math.round(most / MB)} MB, the most that is taken here. Nothing was saved.`);
  const said = Number(req.headers.get("content-length") ?? 0);
  if (said > most) return { ok: false, response: tooLarge() };
  const chunks: Uint8Array[] = [];
  let size = 0;
  const reader = req.body?.getReader();
  if (reader)
    for (;;) {
      const { done, value } = await reader.read();
      if (done) break;
      size += value.length;
      if (size > most) {
        await reader.cancel();
        return { ok: false, response: tooLarge() };
      }
      chunks.push(value);
    }
  return { ok: true, value: Buffer.concat(chunks) };
}

/** Reads and validates a JSON body. Only `application/json` is taken. */
export async function readJson<T>(req: Request, shape: z.ZodType<T>, most = 4 * MB): Promise<Body<T>> {
  if (!/^application\/json\b/i.test(req.headers.get("content-type") ?? ""))
    return { ok: false, response: problem(415, "Send application/json.") };
  const body = await readBytes(req, most);
  if (!body.ok) return body;
  let raw: unknown;
  try {
    raw = JSON.parse(new TextDecoder().decode(body.value));
  } catch (e) {
    return { ok: false, response: problem(400, `The request is not readable as JSON: ${(e as Error).message}`) };
  }
  const parsed = shape.safeParse(raw);
  if (!parsed.success)
    return {
      ok: false,
      response: problem(
        400,
        "The request has the wrong shape.",
        parsed.error.issues.slice(0, 10).map((i) => ({ where: i.path.map(String).join(".") || "request", message: i.message })),
      ),
    };
  return { ok: true, value: parsed.data };
}

export const isJobId = (id: string): boolean => /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/.test(id);
