import { createHash, randomBytes, scryptSync, timingSafeEqual } from "node:crypto";
import { hostname, networkInterfaces } from "node:os";
import { connection } from "@/data/connection";
import {
  endAllSessions,
  endOldSessions,
  endSession,
  listSessions,
  openSession,
  seeSession,
  sessionOf,
} from "@/data/sessionStore";
import { readSetting, writeSetting } from "@/data/settingStore";
import { nowIso, nowMs } from "./now";

export interface NetworkSetting {
  on: boolean;
  salt: string;
  passcodeHash: string;
  /** Names this machine is also reached under, as the owner added them. */
  hosts?: string[];
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
  hosts?: readonly string[],
): Promise<{ ok: true; addresses: string[] } | { ok: false; reason: string }> {
  const { db } = connection();
  const now = await readNetwork();
  if (on && !passcode && !now?.passcodeHash) return { ok: false, reason: "Set a passcode first: other devices need it." };
  const salt = passcode ? randomBytes(16).toString("hex") : (now?.salt ?? "");
  const next: NetworkSetting = {
    on,
    salt,
    passcodeHash: passcode ? hashOf(passcode, salt) : (now?.passcodeHash ?? ""),
    hosts: hosts ? hosts.map((h) => h.toLowerCase()) : (now?.hosts ?? []),
  };
  const l = listener();
  if (on && !l) return { ok: false, reason: "This server was not started by `npm run demo`; it has no second listener to open." };
  if (!on || passcode) await endAllSessions(db);
  if (passcode) tries.clear();
  try {
    if (!on) await l?.close();
    const addresses = on ? await l!.open() : [];
    await writeSetting(db, "network", next);
    return { ok: true, addresses };
  } catch (e) {
    return { ok: false, reason: `The bench network could not be opened: ${(e as Error).message}` };
  }
}

/** Wrong tries from one address: after a handful each further one waits twice as long as the last. */
const tries = new Map<string, { wrong: number; untilMs: number }>();
const FREE_TRIES = 5;
const FIRST_WAIT_MS = 5_000;
const LONGEST_WAIT_MS = 15 * 60_000;
/** Addresses remembered; a device that has this many neighbours guessing has other troubles. */
const MOST_ADDRESSES = 1000;

const waitWords = (ms: number) => (ms < 90_000 ? `${Math.ceil(ms / 1000)} s` : `${Math.ceil(ms / 60_000)} min`);

export type Unlocked = { ok: true; token: string; maxAgeS: number } | { ok: false; status: number; reason: string };

/**
 * Checks a passcode from the bench network and lets the device in under a name. Wrong ones cost the address they come from growing
 * waits, nobody else; a new passcode set at the bench ends them.
 */
export async function unlock(passcode: string, name: string, address: string): Promise<Unlocked> {
  const now = nowMs();
  const t = tries.get(address);
  if (t && t.untilMs > now)
    return {
      ok: false,
      status: 429,
      reason: `Too many wrong tries from this device. Wait ${waitWords(t.untilMs - now)}, or set a new passcode at the bench: that ends the wait.`,
    };
  const set = await readNetwork();
  if (!set?.on || !set.passcodeHash) return { ok: false, status: 403, reason: "The bench network is off." };
  const same = timingSafeEqual(Buffer.from(hashOf(passcode, set.salt), "hex"), Buffer.from(set.passcodeHash, "hex"));
  if (!same) {
    const wrong = (t?.wrong ?? 0) + 1;
    const over = wrong - FREE_TRIES;
    const untilMs = over < 0 ? 0 : now + Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** Math.min(over, 20));
    if (tries.size >= MOST_ADDRESSES) tries.delete(tries.keys().next().value!);
    tries.set(address, { wrong, untilMs });
    return { ok: false, status: 403, reason: "That is not the passcode." };
  }
  tries.delete(address);
  const { db } = connection();
  await endOldSessions(db, nowIso());
  const token = randomBytes(32).toString("base64url");
  await openSession(db, {
    token_hash: tokenHash(token),
    name: name.trim().slice(0, 60) || "Unnamed device",
    address: address.slice(0, 60),
    opened_at: nowIso(),
    seen_at: nowIso(),
    expires_at: new Date(now + HOURS * 3_600_000).toISOString(),
  });
  return { ok: true, token, maxAgeS: HOURS * 3600 };
}

/** Told at most this often that a device was seen, ms. */
const SEEN_MS = 5 * 60_000;

/** Whether a session token is good. */
export async function sessionHolds(token: string | undefined): Promise<boolean> {
  if (!token) return false;
  const { db } = connection();
  const s = await sessionOf(db, tokenHash(token));
  if (!s || Date.parse(s.expires_at) <= nowMs()) return false;
  // No reason not to let it in, when that cannot be noted.
  if (nowMs() - Date.parse(s.seen_at) > SEEN_MS) await seeSession(db, s.token_hash, nowIso()).catch(() => undefined);
  return true;
}

/** A device that is let in, as Settings lists it. */
export interface Device {
  id: string;
  name: string;
  address: string;
  openedAt: string;
  seenAt: string;
}
const ID_LETTERS = 16;
export const devices = async (): Promise<Device[]> =>
  (await listSessions(connection().db, nowIso())).map((s) => ({
    id: s.token_hash.slice(0, ID_LETTERS),
    name: s.name,
    address: s.address,
    openedAt: s.opened_at,
    seenAt: s.seen_at,
  }));
/** Ends the session of one device, or of all. What they recorded meanwhile stays on them until they unlock anew. */
export async function revoke(id: string | null): Promise<boolean> {
  const { db } = connection();
  if (id !== null) return endSession(db, id);
  await endAllSessions(db);
  return true;
}
/** Ends a device's own session. */
export async function logOut(token: string | undefined): Promise<void> {
  if (token) await endSession(connection().db, tokenHash(token));
}

/** Names and addresses this machine answers to on the bench network: its own, and those the owner added. */
export async function answersTo(host: string): Promise<boolean> {
  const name = host
    .replace(/:\d+$/, "")
    .replace(/^\[|\]$/g, "")
    .toLowerCase();
  const own = hostname().toLowerCase();
  if (name === "localhost" || name === own || name === `${own}.local`) return true;
  const addresses = Object.values(networkInterfaces()).flatMap((list) => (list ?? []).map((i) => i.address.toLowerCase()));
  if (addresses.includes(name)) return true;
  return ((await readNetwork())?.hosts ?? []).includes(name);
}
