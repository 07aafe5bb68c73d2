import { spawnSync } from "node:child_process";
import { cpSync, mkdirSync, rmSync, writeFileSync } from "node:fs";
import { type Running, startServer } from "../e2e/server";
import { say } from "./stats";

type Note = (jobId: string, device: string) => { id: string; jobId: string };
type Send = (url: string, event: { jobId: string }) => Promise<Response>;

/** A small disk of its own, mounted for real; null where this account may not mount one. */
function smallDisk(at: string): { full(): void; room(): void; readOnly(on: boolean): boolean; away(): void } | null {
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
    const words = /is full/;
    {
      const taken: string[] = [];
      let said = 0;
      let shown = 0;
      let healthSays = 0;
      const rounds = 3;
      for (let i = 0; i < rounds; i++) {
        const before = note(jobs[0]!, "dev-disk");
        if ((await send(s.url, before)).ok) taken.push(before.id);
        small.full();
        const acts = Array.from({ length: 4 }, (_, w) => note(jobs[w % jobs.length]!, `dev-d-${w}`));
        // A full disk may have room in the write-ahead file for a few acts yet: until one is refused.
        for (let n = 0, refused = false; n < 400 && !refused; n++) {
          const e = n < acts.length ? acts[n]! : note(jobs[n % jobs.length]!, `dev-d-${n % 4}`);
          const r = await send(s.url, e);
          if (r.ok) taken.push(e.id);
          else {
            refused = true;
            acts.push(e);
            const body = (await r.json().catch(() => null)) as { problem?: string } | null;
            if (words.test(body?.problem ?? "")) said += 1;
            else console.log(`  disk full: ${r.status} ${body?.problem ?? "no words"}`);
          }
        }
        const page = await fetch(s.url);
        if (page.ok && words.test(await page.text())) shown += 1;
        if (!(await fetch(`${s.url}/api/health`)).ok) healthSays += 1;
        small.room();
        for (const e of acts) {
          const r = await send(s.url, e);
          if (r.ok && !taken.includes(e.id)) taken.push(e.id);
        }
      }
      const well = (await fetch(`${s.url}/api/health`)).ok;
      const there = idsIn(`${at}/shop.sqlite`);
      const lost = taken.filter((id) => !there.has(id)).length;
      say(
        `disk full, ${rounds} times: refused in words, page says so, health says so, acknowledged, lost, well again without restart`,
        `${said}, ${shown}, ${healthSays}, ${taken.length}, ${lost}, ${well ? "yes" : "no"}`,
        `${rounds}, ${rounds}, ${rounds}, -, 0, yes`,
        said === rounds && shown === rounds && healthSays === rounds && lost === 0 && well,
      );
    }
    await s.stop();
    // A disk that is read-only when the shop is opened: said, and nothing stays that answers every page with an error.
    const there = idsIn(`${at}/shop.sqlite`).size;
    const turned = small.readOnly(true);
    const refused = await startServer(`${at}/shop.sqlite`, { HELVANE_BACKUPS: ".bench/diskBackups" }).then(
      async (x) => {
        await x.stop();
        return "it started";
      },
      (e: Error) => e.message,
    );
    small.readOnly(false);
    const again = await startServer(`${at}/shop.sqlite`, { HELVANE_BACKUPS: ".bench/diskBackups" });
    await again.stop();
    const after = idsIn(`${at}/shop.sqlite`).size;
    const good = turned && /can only be read|cannot be written|write-protected|read-only/i.test(refused) && after === there;
    say(
      "opened on a read-only disk: refused in words, and whole once it may be written to",
      good ? `yes, ${after} events` : `NO: ${refused.slice(0, 200)}`,
      "yes",
      good,
    );
  } finally {
    small.away();
    rmSync(at, { recursive: true, force: true });
  }
}
