/** One question from the server, one answer back; see `src/server/apart.ts`. */
export function answering<A, T>(work: (ask: A, tell: (told: unknown) => void) => Promise<T> | T): void {
  process.once("message", async (ask) => {
    const answer = await work(ask as A, (told) => process.send?.({ told }));
    process.send?.({ answer });
  });
}
