import { problem } from "./http";
import { noteTrouble, troubleOf } from "./trouble";
import { mayWrite } from "./trust";

/** Putting the shop back is the one thing a damaged file does not stop. */
const MENDS = /^\/api\/backup\/restore$/;

/** Whether a request may write: anything but a look. */
const writes = (req: unknown): boolean =>
  req instanceof Request && !["GET", "HEAD"].includes(req.method) && !MENDS.test(new URL(req.url).pathname);

/**
 * A route whose trouble with the disk or the database is told in words instead of an empty 500. What writes waits until the file has
 * been read through (`trust.ts`).
 */
export function guarded<A extends unknown[]>(handler: (...args: A) => Promise<Response>): (...args: A) => Promise<Response> {
  return async (...args) => {
    try {
      const damage = writes(args[0]) ? await mayWrite() : null;
      if (damage) return problem(damage.status, damage.words);
      return await handler(...args);
    } catch (e) {
      const t = troubleOf(e);
      if (t) noteTrouble(t);
      else console.error(e);
      return t
        ? problem(t.status, t.words)
        : problem(500, "Something went wrong here that should never happen. Nothing was saved; what you entered is kept.");
    }
  };
}
