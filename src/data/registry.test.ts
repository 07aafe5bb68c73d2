import { readFileSync } from "node:fs";
import { ISO, serverDb } from "@tests/serverDb";
import { describe, expect, it } from "vitest";
import { connection } from "./connection";
import { listReference, referenceByHash, replaceRows, saveReference } from "./referenceStore";
import { liftRow, type ReferenceKind, readRow, SNAPSHOT_KINDS, snapshotProblem, TABLES } from "./registry";

serverDb("registry");
const kinds = Object.keys(TABLES) as ReferenceKind[];
const read = (f: string) => JSON.parse(readFileSync(f, "utf8"));

describe("the registry of reference tables", () => {
  it("every kind ships rows that are read as what they are, each under its own id", async () => {
    const { db } = connection();
    for (const kind of kinds) {
      const rows = await listReference(db, kind);
      expect(rows.length, kind).toBeGreaterThan(0);
      const id = TABLES[kind].id as (row: unknown) => string;
      for (const r of rows) {
        expect(readRow(kind, r.data), `${kind} ${r.id}`).toMatchObject({ ok: true });
        expect(id(r.data)).toBe(r.id);
        expect(r.version).toBe(1);
      }
      expect(new Set(rows.map((r) => r.id)).size).toBe(rows.length);
    }
  });
  it("what jobs keep is kept by its hash, and nothing else is a snapshot", async () => {
    const { db } = connection();
    expect(Object.keys(SNAPSHOT_KINDS).sort()).toEqual(kinds.filter((k) => TABLES[k].snapshot).sort());
    for (const kind of kinds) {
      const row = (await listReference(db, kind))[0]!;
      const stored = await referenceByHash(db, row.hash);
      expect(stored).toMatchObject({ kind });
      const wrong = snapshotProblem({ kind, data: JSON.parse(stored!.json) });
      if (TABLES[kind].snapshot) expect(wrong, kind).toBeNull();
      else expect(wrong, kind).toBe("an unknown kind of snapshot");
    }
    expect(await referenceByHash(db, "0".repeat(64))).toBeNull();
    expect(snapshotProblem({ kind: "toString", data: {} })).toBe("an unknown kind of snapshot");
  });
  it("a row that is wrong is told by its field, a build also by what its shape cannot say", () => {
    expect(readRow("offer", { panel: "x" })).toMatchObject({ ok: false, problem: expect.stringMatching(/^seller: /) });
    expect(readRow("policy", 4)).toMatchObject({ ok: false, problem: expect.stringMatching(/^policy: /) });
    const build = read("data/demo/builds/ostrel-kestrel-14.json");
    build.screwGroups[0].holds = "ghost";
    expect(readRow("build", build)).toEqual({ ok: false, problem: 'screwGroups[0].holds: there is no part "ghost"' });
    expect(snapshotProblem({ kind: "build", data: build })).toMatch(/no part "ghost"/);
  });
  it("only a kind with older shapes lifts, and only what is older", () => {
    const old = read("tests/fixtures/build-v1-pellow-lune-13.json");
    expect(liftRow("build", old)).toMatchObject({ version: 3, subject: { kind: "lidAssembly" } });
    expect(liftRow("panel", old)).toBe(old);
    expect(liftRow("no-such-kind", old)).toBe(old);
    expect(readRow("build", old)).toMatchObject({ ok: true, row: { version: 3 } });
  });
});

describe("saving rows", () => {
  it("over the version that was read, or not at all; what comes from outside as a whole replaces what is there", async () => {
    const { db } = connection();
    const [first] = await listReference(db, "offer");
    const changed = { ...first!.data, priceMinor: 1 };
    expect(await saveReference(db, "offer", first!.id, changed, 7, ISO)).toEqual({ ok: false, current: 1 });
    expect(await saveReference(db, "offer", first!.id, changed, 1, ISO)).toMatchObject({ ok: true, version: 2 });
    const fresh = { ...changed, seller: "Nonesuch Parts" };
    await replaceRows(
      db,
      "offer",
      [
        { id: first!.id, data: { ...changed, priceMinor: 2 } },
        { id: "new-one", data: fresh },
      ],
      ISO,
    );
    const rows = await listReference(db, "offer");
    expect(rows.find((r) => r.id === first!.id)).toMatchObject({ version: 3, data: { priceMinor: 2 } });
    expect(rows.find((r) => r.id === "new-one")).toMatchObject({ version: 1, data: { seller: "Nonesuch Parts" } });
  });
});
