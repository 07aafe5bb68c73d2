import { closeConnection, connection, migrate } from "@/data/connection";
import { takeLock } from "@/data/lock";
import { backUp } from "@/server/backup/schedule";
import { databaseFile } from "@/server/databaseFile";
import { nowIso } from "@/server/now";
import { startProblem } from "@/server/trouble";

/** `npm run backup`: asks the server that runs, else does it here. */
async function main(): Promise<number> {
  const got = takeLock(databaseFile(), { port: null, what: "backing up", since: nowIso() });
  if (!got.ok) {
    const port = got.holder?.port;
    if (!port) {
      console.error(
        `Another process has this shop open (${got.holder?.what ?? "unknown"}, process ${got.holder?.pid ?? "?"}). Try again when it is through.`,
      );
      return 1;
    }
    const res = await fetch(`http://127.0.0.1:${port}/api/backup`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: "{}",
    });
    const said = (await res.json()) as { file?: string; problem?: string | null; events?: number; jobs?: number };
    return tell(said);
  }
  try {
    const wrong = startProblem();
    if (wrong) {
      console.error(wrong);
      return 1;
    }
    await migrate(connection());
    return tell(await backUp());
  } finally {
    closeConnection();
    got.lock.release();
  }
}

function tell(said: { file?: string | null; problem?: string | null; events?: number; jobs?: number }): number {
  if (said.file) console.log(`${said.file}: ${said.jobs} jobs, ${said.events} events${said.problem ? "" : ", read back whole"}`);
  if (said.problem) console.error(said.problem);
  return said.problem ? 1 : 0;
}

main().then(
  (code) => process.exit(code),
  (e) => {
    console.error((e as Error).message);
    process.exit(1);
  },
);
