import { resolve } from "node:path";
import { bundleProcesses } from "../scripts/processes.mjs";

/** Before any test: what the server runs in processes of its own, bundled once instead of translated at each start. */
export default async function processes(): Promise<void> {
  const out = resolve(".unit", "process");
  await bundleProcesses(out);
  process.env.HELVANE_PROCESSES = out;
}
