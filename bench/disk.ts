import { spawnSync } from "node:child_process";
import { cpSync, mkdirSync, rmSync, writeFileSync } from "node:fs";
import { type Running, startServer } from "../e2e/server";
import { say } from "./stats";

type Note = (jobId: string, device: string) => { id: string; jobId: string };
type Send = (url: string, event: { jobId: string }) => Promise<Response>;

/** A small disk of its own, mounted for real; null where this account may not mount one. */
function smallDisk(at: string): { full(): void; room(): void; readOnly(on: boolean): void; away(): void } | null {
  mkdirSync(at, { recursive: true });
  const mount = (...args: string[]) => spawnSync("mount", args).status === 0;
  if (!mount("-t", "tmpfs", "-o", "size=24m", "tmpfs", at)) return null;
  return {
    full: () => {
      // To the last byte: what the device says itself, not what a test says of it.
      for (const size of [1 << 20, 1 << 14, 1 << 10, 1])
        for (let i = 0; ; i++)
          try {
            writeFileSync(`${at}/filler-${size}-${i}`, Buffer.alloc(size));
          } catch {
            break;
          }
    },
    room: () => spawnSync("sh", ["-c", `rm -f ${at}/filler-*`]),
    readOnly: (on) => mount("-o", `remount,${on ? "ro" : "rw"}`, at),
    away: () => spawnSync("umount", [at]),
  };
}

/** Disk full and disk read-only under the full server: refused in words, nothing acknowledged lost, goes on by itself. */
export async function disk(
  note: Note,
  send: Send,
  jobsOf: (s: Running) => Promise<string[]>,
  idsIn: (db: string) => Map<string, number>,
) {
  const at = ".bench/smallDisk";
  const small = smallDisk(at);
  if (!small) return say("disk full, read-only", "not tried: this account may not mount a disk");
  try {
    await (await startServer(".bench/forDisk.sqlite")).stop();
    cpSync(".bench/forDisk.sqlite", `${at}/shop.sqlite`);
    const s = await startServer(`${at}/shop.sqlite`, { HELVANE_BACKUPS: ".bench/diskBackups" });
    const jobs = await jobsOf(s);
    for (const [what, begin, end, words] of [
      ["full", small.full, small.room, /is full/],
      ["read-only", () => small.readOnly(true), () => small.readOnly(false), /can only be read|cannot be read or written/],
    ] as const) {
      const taken: string[] = [];
      let said = 0;
      let shown = 0;
      let healthSays = 0;
      const rounds = 3;
      for (let i = 0; i < rounds; i++) {
        const before = note(jobs[0]!, "dev-disk");
        if ((await send(s.url, before)).ok) taken.push(before.id);
        begin();
        const acts = Array.from({ length: 4 }, (_, w) => note(jobs[w % jobs.length]!, `dev-d-${w}`));
        // A full disk may have room in the write-ahead file for a few acts yet: until one is refused.
        for (let n = 0, refused = false; n < 400 && !refused; n++) {
          const e = n < acts.length ? acts[n]! : note(jobs[n % jobs.length]!, `dev-d-${n % 4}`);
          const r = await send(s.url, e);
          if (r.ok) taken.push(e.id);
          else {
            refused = true;
            acts.push(e);
            if (words.test(((await r.json().catch(() => null)) as { problem?: string } | null)?.problem ?? "")) said += 1;
          }
        }
        const page = await fetch(s.url);
        if (page.ok && words.test(await page.text())) shown += 1;
        if (!(await fetch(`${s.url}/api/health`)).ok) healthSays += 1;
        end();
        for (const e of acts) {
          const r = await send(s.url, e);
          if (r.ok && !taken.includes(e.id)) taken.push(e.id);
        }
      }
      const well = (await fetch(`${s.url}/api/health`)).ok;
      const there = idsIn(`${at}/shop.sqlite`);
      const lost = taken.filter((id) => !there.has(id)).length;
      say(
        `disk ${what}, ${rounds} times: refused in words, page says so, health says so, acknowledged, lost, well again without restart`,
        `${said}, ${shown}, ${healthSays}, ${taken.length}, ${lost}, ${well ? "yes" : "no"}`,
        `${rounds}, ${rounds}, ${rounds}, -, 0, yes`,
        said === rounds && shown === rounds && healthSays === rounds && lost === 0 && well,
      );
    }
    await s.stop();
  } finally {
    small.away();
    rmSync(at, { recursive: true, force: true });
  }
}
