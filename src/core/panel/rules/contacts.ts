import { destroying } from "./destroying";

declare module "./row" {
  interface FitFields {
    contacts: true;
  }
}

export const contacts = destroying("contacts", "Contacts", (v) => `${v} pins`, "Count the contacts in the connector");
