import { hostname, networkInterfaces } from "node:os";
import { serverDb } from "@tests/serverDb";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { connection } from "@/data/connection";
import { readSetting, writeSetting } from "@/data/settingStore";
import {
  answersTo,
  devices,
  logOut,
  type NetworkSetting,
  readNetwork,
  revoke,
  sessionHolds,
  setNetwork,
  unlock,
} from "./session";

serverDb("session", { reference: false });
const at = (iso: string) => {
  process.env.HELVANE_NOW = iso;
};
const g = globalThis as { helvaneListener?: unknown };
beforeEach(async () => {
  at("2026-06-01T08:00:00.000Z");
  g.helvaneListener = { open: async () => [], close: async () => {}, addresses: () => [] };
  expect(await setNetwork(true, "paper-lantern")).toMatchObject({ ok: true });
});
afterEach(() => {
  delete process.env.HELVANE_NOW;
  delete g.helvaneListener;
});
const letIn = async (name: string, address: string) => {
  const u = await unlock("paper-lantern", name, address);
  if (!u.ok) throw new Error(u.reason);
  return u.token;
};

describe("wrong passcodes", () => {
  it("cost the address they come from growing waits and nobody else; the right one in time is let in", async () => {
    const waits: number[] = [];
    for (let i = 0, ms = Date.parse("2026-06-01T08:00:00Z"); i < 20; i++) {
      at(new Date(ms).toISOString());
      const u = await unlock("guess", "", "10.0.0.66");
      expect(u.ok).toBe(false);
      if (u.ok || u.status !== 429) continue;
      const said = /Wait (\d+) (s|min)/.exec(u.reason)!;
      const wait = Number(said[1]) * (said[2] === "s" ? 1 : 60);
      waits.push(wait);
      ms += wait * 1000 + 1;
    }
    expect(waits.length).toBeGreaterThan(5);
    for (const [i, w] of waits.entries()) if (i) expect(w).toBeGreaterThanOrEqual(waits[i - 1]!);
    expect(waits[0]).toBe(5);
    expect(Math.max(...waits)).toBeLessThanOrEqual(15 * 60);
    // Another device is not kept out.
    expect(await sessionHolds(await letIn("Tablet", "10.0.0.7"))).toBe(true);
  });
  it("a new passcode set at the bench ends every wait", async () => {
    for (let i = 0; i < 6; i++) await unlock("guess", "", "10.0.0.5");
    expect(await unlock("paper-lantern", "", "10.0.0.5")).toMatchObject({
      ok: false,
      status: 429,
      reason: expect.stringMatching(/new passcode at the bench/),
    });
    await setNetwork(true, "paper-lantern-2");
    expect(await unlock("paper-lantern-2", "", "10.0.0.5")).toMatchObject({ ok: true });
    expect(await unlock("paper-lantern", "", "10.0.0.6")).toMatchObject({ ok: false, status: 403 });
  });
});

describe("devices", () => {
  it("are listed by name with when they were last seen, and signed out one by one or all", async () => {
    const one = await letIn("Tablet at bench 2", "10.0.0.7");
    const two = await letIn("", "10.0.0.8");
    at("2026-06-01T09:00:00.000Z");
    expect(await sessionHolds(one)).toBe(true);
    const list = await devices();
    expect(list.map((d) => [d.name, d.address, d.seenAt.slice(11, 16)])).toEqual([
      ["Tablet at bench 2", "10.0.0.7", "09:00"],
      ["Unnamed device", "10.0.0.8", "08:00"],
    ]);
    expect(await revoke(list[0]!.id)).toBe(true);
    expect(await revoke(list[0]!.id)).toBe(false);
    expect([await sessionHolds(one), await sessionHolds(two)]).toEqual([false, true]);
    await logOut(two);
    expect(await sessionHolds(two)).toBe(false);
    const three = await letIn("x", "a");
    await revoke(null);
    expect(await sessionHolds(three)).toBe(false);
    expect(await devices()).toEqual([]);
  });
  it("end after twelve hours, and leave nothing behind", async () => {
    const token = await letIn("Tablet", "10.0.0.7");
    at("2026-06-01T19:59:00.000Z");
    expect(await sessionHolds(token)).toBe(true);
    at("2026-06-01T20:00:00.000Z");
    expect(await sessionHolds(token)).toBe(false);
    expect(await devices()).toEqual([]);
    await letIn("Other", "10.0.0.9");
    expect(connection().raw.prepare("select name from sessions").all()).toEqual([{ name: "Other" }]);
    expect([await sessionHolds(undefined), await sessionHolds("made-up")]).toEqual([false, false]);
  });
  it("all end when the network closes", async () => {
    const token = await letIn("Tablet", "10.0.0.7");
    await setNetwork(false, undefined);
    expect(await sessionHolds(token)).toBe(false);
    expect(await unlock("paper-lantern", "", "a")).toMatchObject({ ok: false, status: 403, reason: "The bench network is off." });
  });
});

describe("the name in the address line", () => {
  it("is this machine's own, or one the owner added", async () => {
    const own = Object.values(networkInterfaces()).flatMap((l) => (l ?? []).map((i) => i.address));
    for (const h of [
      "127.0.0.1:4181",
      "localhost",
      hostname(),
      `${hostname().toUpperCase()}.local:80`,
      ...own.filter((a) => !a.includes(":")),
    ])
      expect(await answersTo(h), h).toBe(true);
    for (const h of ["evil.example", "evil.example:4181", "", "127.0.0.1.evil.example", "10.99.98.97"])
      expect(await answersTo(h), h).toBe(false);
    await setNetwork(true, undefined, ["Bench.Home"]);
    expect(await answersTo("bench.home:4181")).toBe(true);
    expect((await readNetwork())?.hosts).toEqual(["bench.home"]);
    // What was kept before names were is read as it is.
    const kept = (await readSetting<NetworkSetting>(connection().db, "network"))!;
    await writeSetting(connection().db, "network", { on: kept.on, salt: kept.salt, passcodeHash: kept.passcodeHash });
    expect(await answersTo("bench.home")).toBe(false);
  });
});
