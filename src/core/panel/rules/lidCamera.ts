import { belongs, wordOf } from "./boughtAs";

declare module "./row" {
  interface FitFields {
    lidCamera: true;
  }
}

export const lidCamera = belongs(
  "lidCamera",
  ["lidAssembly", "frontUnit"],
  "Camera",
  "See whether a camera is fitted, and whether it has a slide over it",
  wordOf,
  { verdict: "ask" },
  (was, is) =>
    was === is
      ? null
      : is === "none"
        ? {
            verdict: "ask",
            words: "no camera",
            reason: "The machine had one. Moving it over opens the new part: ask the customer.",
          }
        : was === "none"
          ? {
              verdict: "ask",
              words: "a camera",
              reason: "The machine had none, and may have no socket for it: it stays dead. Ask the customer.",
            }
          : {
              verdict: "ask",
              words: is === "withSlide" ? "with a slide" : "without a slide",
              reason: "The slide over the camera differs. Ask the customer.",
            },
);
