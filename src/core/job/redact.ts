import type { JobEvent } from "./event";

/** What stands where words were. */
export const REMOVED = "[removed]";

/** Fields that hold what a person said, is called, or owns, whatever the kind of event. Free text goes whole: nobody knows what is in it. */
const PERSONAL = new Set(["words", "note", "by", "to", "how", "why", "reason", "agreedBy", "settled"]);
/** Kinds whose field of such a name says where something on the machine is, not who or what a person said. */
const PHYSICAL: Readonly<Record<string, readonly string[]>> = {
  "open.found": ["words"],
  "triage.meterRead": ["by"],
  "match.returned": ["reason"],
};
/** Fields of other names that are free text of one kind. */
const TEXT: Readonly<Record<string, readonly string[]>> = {
  "job.opened": ["customer", "serial", "happened", "contact"],
  "job.edited": ["customer", "serial", "happened", "contact"],
  "job.noted": ["text"],
};

const isPersonal = (type: string, field: string): boolean =>
  (PERSONAL.has(field) && !PHYSICAL[type]?.includes(field)) || (TEXT[type]?.includes(field) ?? false);

/**
 * The fields of an event that hold personal words, names, serials or a photo.
 * @example personalIn({ ...events[0], type: "job.noted", payload: { text: "call her" } }) // ["text"]
 */
export const personalIn = (e: JobEvent): string[] =>
  Object.entries(e.payload).flatMap(([k, v]) => {
    if (k === "photo") return v === undefined ? [] : [k];
    return isPersonal(e.type, k) && typeof v === "string" && v !== "" && v !== REMOVED ? [k] : [];
  });

/**
 * An event without personal words: id, clock, type and everything physical stay, words become "[removed]", a photo goes. Doing it twice is
 * doing it once.
 * @example redacted(events[0]).payload.customer // "[removed]"
 */
export function redacted<E extends JobEvent>(e: E): E {
  const fields = personalIn(e);
  if (fields.length === 0) return e;
  const payload: Record<string, unknown> = { ...e.payload };
  for (const f of fields) {
    if (f === "photo") delete payload[f];
    else payload[f] = REMOVED;
  }
  return { ...e, payload } as E;
}
