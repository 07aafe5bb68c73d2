export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  const { startOrEnd } = await import("./server/start");
  await startOrEnd();
}
