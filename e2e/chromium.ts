import { execFileSync } from "node:child_process";

/** Debian's Chromium on the PATH. */
export function chromiumPath(): string {
  for (const name of ["chromium", "chromium-browser"])
    try {
      return execFileSync("which", [name], { encoding: "utf8" }).trim();
    } catch {
      // the next name
    }
  throw new Error("No chromium on the PATH. `npm test` installs Debian's; by hand: apt-get install chromium");
}
