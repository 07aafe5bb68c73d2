import { EventEmitter } from "node:events";

const store = globalThis as typeof globalThis & { helvaneLive?: EventEmitter };

/** Told whenever a job's log has grown, to wake the pages that follow it. */
export function live(): EventEmitter {
  store.helvaneLive ??= new EventEmitter().setMaxListeners(200);
  return store.helvaneLive;
}

export const announce = (jobId: string): void => {
  live().emit("job", jobId);
};
