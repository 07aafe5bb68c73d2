import { destroying } from "./destroying";

declare module "./row" {
  interface FitFields {
    contactSide: true;
  }
}

const SIDE_WORDS = { shell: "the shell", glass: "the glass" } as const;

export const contactSide = destroying(
  "contactSide",
  "Contacts face",
  (v) => SIDE_WORDS[v],
  "Contacts face the shell or the glass: hold it beside the old one",
  (a: keyof typeof SIDE_WORDS, b: keyof typeof SIDE_WORDS) =>
    a === b
      ? null
      : {
          verdict: "stop",
          words: `${SIDE_WORDS[b]}, not ${SIDE_WORDS[a]}`,
          reason:
            "Every contact is mirrored: the first meets the last, so a supply lies on ground and the board burns when it is mated.",
        },
);
