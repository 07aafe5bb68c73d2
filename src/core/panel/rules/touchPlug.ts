import { codeKey } from "../codeKey";
import { asked } from "./asked";

declare module "./row" {
  interface FitFields {
    touchPlug: true;
  }
}

export const touchPlug = asked("touchPlug", "Touch plug", "Hold the touch lead's plug against its socket", (was, is) =>
  codeKey(was) === codeKey(is)
    ? null
    : {
        verdict: "ask",
        words: `${is}, not ${was}`,
        reason: "The touch lead does not go into the machine's socket: touch stays dead. Never force it. Ask the customer.",
      },
);
