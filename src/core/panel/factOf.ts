import type { Sourced } from "../quantity";
import type { FactName } from "./factNames";
import type { Panel } from "./schema";

/**
 * A fact of a panel by its name, with its source; undefined where the record does not speak of it.
 * @example factOf(panel, "contacts").value // 30
 */
export const factOf = (p: Panel, fact: FactName): Sourced<unknown> | undefined => p[fact] as Sourced<unknown> | undefined;
