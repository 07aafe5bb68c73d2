import { listed } from "../quantity";
import { type BuildProblem, checkBuild } from "./check";
import { BUILD_VERSION, liftBuild } from "./lift";
import { Build } from "./schema";

export type ParsedBuild = { ok: true; build: Build } | { ok: false; problems: BuildProblem[] };

const pathWords = (path: readonly PropertyKey[]): string =>
  path.map((p, i) => (typeof p === "number" ? `[${p}]` : `${i ? "." : ""}${String(p)}`)).join("") || "file";

/**
 * Reads a build from the text of a JSON file and checks that it makes sense.
 * @param text the whole file
 * @returns the build with defaults filled in, or every problem with its place in the file; never throws
 * @example parseBuild("").problems[0].message // "the file is empty: expected a machine build in JSON"
 */
export function parseBuild(text: string): ParsedBuild {
  const fail = (where: string, message: string): ParsedBuild => ({ ok: false, problems: [{ where, message }] });
  if (text.trim() === "") return fail("file", "the file is empty: expected a machine build in JSON");
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (e) {
    return fail("file", `not readable as JSON: ${(e as Error).message}`);
  }
  if (typeof raw !== "object" || raw === null || Array.isArray(raw))
    return fail("file", "expected one JSON object with a machine build");
  const head = raw as { format?: unknown; version?: unknown };
  if (head.format !== "helvane.build")
    return fail("format", `read ${JSON.stringify(head.format) ?? "nothing"}, expected "helvane.build"`);
  const versions = Array.from({ length: BUILD_VERSION }, (_, i) => i + 1);
  if (!versions.includes(head.version as number))
    return fail(
      "version",
      `read ${JSON.stringify(head.version) ?? "nothing"}, this Helvane reads versions ${listed(versions.map(String))}`,
    );
  const parsed = Build.safeParse(liftBuild(raw));
  if (!parsed.success)
    return { ok: false, problems: parsed.error.issues.map((i) => ({ where: pathWords(i.path), message: i.message })) };
  const problems = checkBuild(parsed.data);
  return problems.length ? { ok: false, problems } : { ok: true, build: parsed.data };
}
