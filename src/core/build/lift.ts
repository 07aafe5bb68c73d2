import type { SUBJECTS } from "./kinds";

/** The version of `helvane.build` that is written today. */
export const BUILD_VERSION = 3;

type Raw = Readonly<Record<string, unknown>>;
type Kind = (typeof SUBJECTS)[number];

/** What is replaced in a family where nobody says otherwise. */
const SUBJECT_OF_FAMILY: Readonly<Record<string, Kind>> = { D: "frontUnit", F: "lidAssembly", G: "cell" };
/** What a family usually replaces. @example subjectOfFamily("F") // "lidAssembly" */
export const subjectOfFamily = (family: string): Kind => SUBJECT_OF_FAMILY[family] ?? "panel";

/** How a build of one version becomes the next. */
const LIFT: Readonly<Record<number, (b: Raw) => Raw>> = {
  // Version 1 had no subject: it was the part with the role "panel", whatever that part was.
  1: (b) => {
    const parts = Array.isArray(b.parts) ? (b.parts as { id?: unknown; role?: unknown }[]) : [];
    const part = parts.find((p) => p?.role === "panel")?.id;
    return { ...b, version: 2, subject: { kind: subjectOfFamily(String(b.family)), part: part ?? "panel" } };
  },
  // Version 3 only adds: orders, turns of the lid, what becomes of a part, acts of the way back. A build without them means the same.
  2: (b) => ({ ...b, version: 3 }),
};

/**
 * A build as it was written, at the newest version of its shape; anything else is given back as it is. What lies on disk stays as
 * it was written.
 * @example liftBuild({ version: 1, family: "F", parts: [{ id: "lid", role: "panel" }] }).subject // { kind: "lidAssembly", part: "lid" }
 */
export function liftBuild(raw: unknown): unknown {
  let b = raw;
  for (;;) {
    const lift = typeof b === "object" && b !== null ? LIFT[(b as { version?: number }).version ?? 0] : undefined;
    if (!lift) return b;
    b = lift(b as Raw);
  }
}
