import { createHash, randomBytes, scryptSync, timingSafeEqual } from "node:crypto";
import { connection } from "@/data/connection";
import { endAllSessions, openSession, sessionEnd } from "@/data/sessionStore";
import { readSetting, writeSetting } from "@/data/settingStore";
import { nowMs } from "./now";

export interface NetworkSetting {
  on: boolean;
  salt: string;
  passcodeHash: string;
}

export const SESSION_COOKIE = "helvane-bench";
const HOURS = 12;

export const readNetwork = () => readSetting<NetworkSetting>(connection().db, "network");

const hashOf = (passcode: string, salt: string) => scryptSync(passcode.normalize("NFC"), salt, 32).toString("hex");
const tokenHash = (t: string) => createHash("sha256").update(t).digest("hex");

/** The server's second listener, on the bench network, as the start script offers it. */
interface Listener {
  open(): Promise<string[]>;
  close(): Promise<void>;
  addresses(): string[];
}
export const listener = (): Listener | null =>
  (globalThis as typeof globalThis & { helvaneListener?: Listener }).helvaneListener ?? null;

/** Switches the bench network on (a passcode is needed the first time) or off. All sessions end when it goes off or the passcode changes. */
export async function setNetwork(
  on: boolean,
  passcode: string | undefined,
): Promise<{ ok: true; addresses: string[] } | { ok: false; reason: string }> {
  const { db } = connection();
  const now = await readNetwork();
  if (on && !passcode && !now?.passcodeHash) return { ok: false, reason: "Set a passcode first: other devices need it." };
  const salt = passcode ? randomBytes(16).toString("hex") : (now?.salt ?? "");
  const next: NetworkSetting = { on, salt, passcodeHash: passcode ? hashOf(passcode, salt) : (now?.passcodeHash ?? "") };
  const l = listener();
  if (on && !l) return { ok: false, reason: "This server was not started by `npm run demo`; it has no second listener to open." };
  if (!on || passcode) await endAllSessions(db);
  try {
    if (!on) await l?.close();
    const addresses = on ? await l!.open() : [];
    await writeSetting(db, "network", next);
    return { ok: true, addresses };
  } catch (e) {
    return { ok: false, reason: `The bench network could not be opened: ${(e as Error).message}` };
  }
}

const tries = { count: 0, since: 0 };

/** Checks a passcode from the bench network; ten tries in a quarter of an hour, then a pause. */
export async function unlock(
  passcode: string,
): Promise<{ ok: true; token: string; maxAgeS: number } | { ok: false; status: number; reason: string }> {
  const now = nowMs();
  if (now - tries.since > 15 * 60_000) Object.assign(tries, { count: 0, since: now });
  if (++tries.count > 10)
    return { ok: false, status: 429, reason: "Too many tries. Wait a quarter of an hour, or set a new passcode at the bench." };
  const set = await readNetwork();
  if (!set?.on || !set.passcodeHash) return { ok: false, status: 403, reason: "The bench network is off." };
  const same = timingSafeEqual(Buffer.from(hashOf(passcode, set.salt), "hex"), Buffer.from(set.passcodeHash, "hex"));
  if (!same) return { ok: false, status: 403, reason: "That is not the passcode." };
  tries.count = 0;
  const token = randomBytes(32).toString("base64url");
  await openSession(connection().db, tokenHash(token), new Date(now + HOURS * 3_600_000).toISOString());
  return { ok: true, token, maxAgeS: HOURS * 3600 };
}

/** Whether a session token is good. */
export async function sessionHolds(token: string | undefined): Promise<boolean> {
  if (!token) return false;
  const end = await sessionEnd(connection().db, tokenHash(token));
  return end !== null && Date.parse(end) > nowMs();
}
