import { readJobZip } from "@/server/jobZip";
import { answering } from "./answer";

answering(async (ask: { zip: Uint8Array; nowMs: number }) => {
  try {
    return await readJobZip(ask.zip, ask.nowMs);
  } catch (e) {
    return {
      ok: false as const,
      problems: [{ where: "file", message: `cannot be read: ${(e as Error).message.slice(0, 200)}` }],
    };
  }
});
