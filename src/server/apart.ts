import { spawn } from "node:child_process";
import { existsSync } from "node:fs";

export type Apart<T> = { ok: true; answer: T } | { ok: false; problem: string };

/** Where the source lies: this server was started there. */
const home = (): string => process.env.HELVANE_HOME ?? process.cwd();

/**
 * Runs long or dangerous work in a process of its own, with limits on time and memory, so that neither a large file nor a hostile one
 * keeps this server from answering.
 * @param name an entry of `src/process` @param ask what it is given, as JSON
 * @param onTold what it tells on its way
 */
export function apart<T>(
  name: string,
  ask: unknown,
  {
    mostMs = 60_000,
    memoryMb = 1024,
    onTold,
    signal,
  }: { mostMs?: number; memoryMb?: number; onTold?: (told: unknown) => void; signal?: AbortSignal } = {},
): Promise<Apart<T>> {
  return new Promise((done) => {
    const bundled = process.env.HELVANE_PROCESSES;
    const built = bundled ? [bundled, `${name}.mjs`].join("/") : [home(), ".next", "process", `${name}.mjs`].join("/");
    // From the source where nothing was built, as in development.
    const started =
      (bundled || process.env.NODE_ENV === "production") && existsSync(built)
        ? [built]
        : ["--import", "tsx", [home(), "src", "process", `${name}.ts`].join("/")];
    const child = spawn(process.execPath, [`--max-old-space-size=${memoryMb}`, ...started], {
      cwd: home(),
      serialization: "advanced",
      stdio: ["ignore", "ignore", "pipe", "ipc"],
      env: { ...process.env, NODE_OPTIONS: "" },
    });
    let errors = "";
    child.stderr?.on("data", (d) => {
      errors = (errors + String(d)).slice(-2000);
    });
    const end = (result: Apart<T>) => {
      clearTimeout(timer);
      child.kill("SIGKILL");
      done(result);
    };
    const timer = setTimeout(() => end({ ok: false, problem: `not through after ${Math.round(mostMs / 1000)} s` }), mostMs);
    signal?.addEventListener("abort", () => end({ ok: false, problem: "cancelled" }), { once: true });
    child.on("message", (m: { told?: unknown; answer?: T }) => {
      if ("answer" in m) end({ ok: true, answer: m.answer as T });
      else onTold?.(m.told);
    });
    child.on("error", (e) => end({ ok: false, problem: e.message }));
    child.on("exit", (code) =>
      end({
        ok: false,
        problem: /heap out of memory/i.test(errors)
          ? "larger than this machine's memory allows"
          : `ended by itself (${code}): ${errors.split("\n").find((l) => /Error/.test(l)) ?? ""}`,
      }),
    );
    child.send(ask as object);
  });
}
