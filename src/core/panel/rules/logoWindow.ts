import { belongs } from "./boughtAs";

declare module "./row" {
  interface FitFields {
    logoWindow: true;
  }
}

export const logoWindow = belongs(
  "logoWindow",
  ["lidAssembly"],
  "Window in the lid's back",
  "See whether the back has a window that lets the light through",
  String,
  { verdict: "ask" },
  (was, is) =>
    was === is
      ? null
      : {
          verdict: "ask",
          words: is === "yes" ? "has a window" : "has no window",
          reason:
            "It looks different from behind, and light that shines through a window makes an uneven spot. Ask the customer.",
        },
);
