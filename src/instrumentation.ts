export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  const { CannotStart, start } = await import("./server/start");
  try {
    await start();
  } catch (e) {
    // In words, and gone: a process that stays and answers every page with an error helps nobody.
    console.error(e instanceof CannotStart ? `[helvane] ${e.message}` : e);
    process.exit(1);
  }
}
