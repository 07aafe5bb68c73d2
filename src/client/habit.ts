import { useSyncExternalStore } from "react";
import { type DateOrder, inchesBeside } from "@/core/quantity";

/** Habits of the shop as this page was made with them: on the page's root element, for whoever writes a date. */
export function readHabit(name: "dateOrder"): DateOrder {
  const said = typeof document === "undefined" ? undefined : document.documentElement.dataset[name];
  return said === "mdy" || said === "ymd" ? said : "dmy";
}

const never = () => () => {};
/** How this shop reads a text with lengths in it: as it is, or with inches beside. The server writes mm alone. */
export function useLengths(): (text: string) => string {
  const beside = useSyncExternalStore(
    never,
    () => document.documentElement.dataset.lengths === "mmInch",
    () => false,
  );
  return beside ? inchesBeside : (text) => text;
}
