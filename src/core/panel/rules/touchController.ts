import { codeKey } from "../codeKey";
import { asked } from "./asked";

declare module "./row" {
  interface FitFields {
    touchController: true;
  }
}

export const touchController = asked(
  "touchController",
  "Touch controller",
  "Read the controller's mark on the touch lead",
  (was, is) =>
    codeKey(was) === codeKey(is)
      ? null
      : {
          verdict: "ask",
          words: `${is}, not ${was}`,
          reason:
            "Firmware and system may not know this controller: touch may stay dead or want other software. Ask, and test loose.",
        },
);
