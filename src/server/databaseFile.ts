/** The file this shop's data lies in. */
export const databaseFile = (): string => process.env.HELVANE_DB ?? "data-local/helvane.sqlite";
