import { problem } from "./http";
import { noteTrouble, troubleOf } from "./trouble";

/** A route whose trouble with the disk or the database is told in words instead of an empty 500. */
export function guarded<A extends unknown[]>(handler: (...args: A) => Promise<Response>): (...args: A) => Promise<Response> {
  return async (...args) => {
    try {
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
