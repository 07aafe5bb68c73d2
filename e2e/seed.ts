import { freshScratch, SEEDED, startServer } from "./server";

/** One seeded database, made by the real start of the product; each worker copies it. */
export default async function seed(): Promise<void> {
  freshScratch();
  const s = await startServer(SEEDED);
  await s.stop();
}
