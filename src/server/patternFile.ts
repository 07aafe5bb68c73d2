import { readFileSync } from "node:fs";
import { join } from "node:path";

/** Where the build puts the script of the pages under test (`scripts/processes.mjs`). */
const SCRIPT = join(process.cwd(), ".next", "stick.js");

/**
 * Patterns, dots and touch as one self-contained HTML file for a stick: the machine under test may have no network and a locked session.
 * It carries the very script the bench's own page runs.
 * @param size of the glass that is touched, mm; a 14-inch one where nobody says
 * @returns null where the application was not built, so that there is no script
 */
export function patternFile(size?: { widthMm: number; heightMm: number }): string | null {
  let script: string;
  try {
    script = readFileSync(SCRIPT, "utf8").replaceAll("</script", "<\\/script");
  } catch {
    return null;
  }
  const said = size
    ? `globalThis.HELVANE_SIZE=${JSON.stringify({ widthMm: Math.round(size.widthMm), heightMm: Math.round(size.heightMm) })};`
    : "";
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Test patterns</title></head>
<body style="margin:0;background:#000"><script>${said}${script}</script></body></html>
`;
}
