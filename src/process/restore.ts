import { closeConnection, connection, migrate } from "@/data/connection";
import { takeLock } from "@/data/lock";
import { lookIntoShop, takeShop } from "@/server/backup/carry";
import { restoreBackup } from "@/server/backup/restore";
import { verifyFile } from "@/server/backup/verify";
import { databaseFile } from "@/server/databaseFile";
import { nowIso } from "@/server/now";

/** `npm run restore -- FILE [--yes]`: reads a backup back and says what is in it; with --yes puts the shop back from it. */
async function main(args: readonly string[]): Promise<number> {
  const file = args.find((a) => !a.startsWith("--"));
  if (!file) {
    console.error("Which file? npm run restore -- FILE. Backups lie beside the database, see Settings.");
    return 1;
  }
  const got = takeLock(databaseFile(), { port: null, what: "restoring", since: nowIso() });
  if (!got.ok) {
    const h = got.holder;
    console.error(
      `A Helvane has this shop open (process ${h?.pid ?? "?"}${h?.port ? `, at http://127.0.0.1:${h.port}` : ""}). Stop it first, or restore in its Settings.`,
    );
    return 1;
  }
  try {
    if (file.endsWith(".zip")) return await shopFile(file, args.includes("--yes"));
    if (!args.includes("--yes")) {
      const read = await verifyFile(file);
      if (!read.ok) {
        console.error(`${file} is not good, nothing was changed:\n${read.problems.map((p) => `  ${p}`).join("\n")}`);
        return 1;
      }
      console.log(`${file} is whole: ${read.jobs} jobs, ${read.events} events, ${read.photos} photos. Nothing was changed.`);
      console.log(`To put the shop back from it: npm run restore -- ${file} --yes`);
      return 0;
    }
    const done = await restoreBackup(file, nowIso());
    if (!done.ok) {
      console.error(`${file} was not used, the shop is as it was:\n${done.problems.map((p) => `  ${p}`).join("\n")}`);
      return 1;
    }
    console.log(
      `The shop is as it was in ${file}: ${done.read.jobs} jobs, ${done.read.events} events, ${done.read.photos} photos.`,
    );
    if (done.before) console.log(`The one from before is kept in ${done.before}.`);
    return 0;
  } finally {
    closeConnection();
    got.lock.release();
  }
}

/** A whole shop from another machine; its passphrase is taken from HELVANE_PASSPHRASE. */
async function shopFile(file: string, sure: boolean): Promise<number> {
  await migrate(connection());
  const phrase = process.env.HELVANE_PASSPHRASE ?? null;
  const done = sure ? await takeShop(file, phrase) : await lookIntoShop(file, phrase);
  if (!done.ok) {
    console.error(`${file} was not used, nothing was changed:\n${done.problems.map((p) => `  ${p}`).join("\n")}`);
    return 1;
  }
  const { read } = done;
  console.log(
    `${file} is whole: ${read.counts.jobs} jobs, ${read.counts.events} events, ${read.counts.photos} photos; ${read.jobsNew} jobs and ${read.eventsNew} events are new here.`,
  );
  for (const c of read.conflicts) console.log(`  stays as it is here: ${c}`);
  console.log(sure ? "It is taken over." : `Nothing was changed. To take it over: npm run restore -- ${file} --yes`);
  return 0;
}

main(process.argv.slice(2)).then(
  (code) => process.exit(code),
  (e) => {
    console.error((e as Error).message);
    process.exit(1);
  },
);
