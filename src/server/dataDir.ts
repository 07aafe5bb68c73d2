import { join } from "node:path";

/** Where the shipped data files lie. */
export const dataDir = (): string => process.env.HELVANE_DATA ?? join(process.cwd(), "data");
