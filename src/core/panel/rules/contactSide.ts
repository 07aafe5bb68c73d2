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
);
