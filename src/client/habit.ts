import type { DateOrder } from "@/core/quantity";

/** Habits of the shop as this page was made with them: on the page's root element, for whoever writes a date. */
export function readHabit(name: "dateOrder"): DateOrder {
  const said = typeof document === "undefined" ? undefined : document.documentElement.dataset[name];
  return said === "mdy" || said === "ymd" ? said : "dmy";
}
