import { type Act, passStatus } from "../../job";
import type { Pass } from "../../proof";
import type { AtStep } from "../step";

/**
 * The next check of a pass that nobody answered, taken to hold.
 * @example nextCheck(atStep, "open").payload.check // "picture"
 */
export function nextCheck(v: AtStep, pass: Pass): Act | null {
  const check = passStatus(v, pass).untested[0];
  return check ? { type: "prove.checkDone", payload: { pass, check: check.id, result: "pass", note: "" } } : null;
}
