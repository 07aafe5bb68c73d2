import { POCKET, parts, reference, STRIPS, sweep } from "@tests/heatLids";
import { type ReferenceLid, referenceRun } from "@tests/heatReference";
import { describe, expect, it } from "vitest";
import { type Act, type CoverKind, type Face, lidModel, simulate } from ".";

describe("against a fine solver of another kind", () => {
  it.each<[CoverKind, ReferenceLid["construction"], Face, "jet" | "mat"]>([
    ["al", "rearTaped", "back", "jet"],
    ["pcabs", "rearTaped", "back", "jet"],
    ["al", "rearTaped", "back", "mat"],
    ["pcabs", "glassFront", "back", "mat"],
    ["mg", "glassFront", "front", "jet"],
  ])("%s, %s, heated from the %s by %s: tape, peaks and energy", (cover, construction, face, by) => {
    const act: Act =
      by === "jet"
        ? { ...sweep, seconds: 60 }
        : { do: "mat", face, rect: { xMm: 0, yMm: 40, widthMm: 120, heightMm: 80 }, setC: 65, seconds: 90 };
    const acts: Act[] = [act, { do: "rest", seconds: 20 }];
    const want = referenceRun(reference(cover, construction, face), acts);
    // Heated from the front the glass bridges tape and display within a cell: it is compared on finer ones.
    const cellMm = construction === "glassFront" && face === "front" ? 2 : 4;
    const got = simulate(lidModel(parts(), { cover, construction, cellMm }), acts, { face });
    for (const [k, t] of want.t.entries()) {
      const i = got.t.findIndex((x) => Math.abs(x - t) < 1e-6);
      expect(i, `a sample at ${t} s`).toBeGreaterThanOrEqual(0);
      for (const s of STRIPS)
        for (const [q, tol] of [
          ["q10", 1.6],
          ["median", 1.5],
          ["min", 2.5],
          ["max", 2],
        ] as const)
          expect(Math.abs(got.tapes[s.id]![q][i]! - want.tapes[s.id]![q][k]!), `${s.id} ${q} at ${t} s`).toBeLessThan(tol);
    }
    for (const k of ["surface", "cover", "film", "lcd"] as const) {
      const tol = construction === "glassFront" && (k === "film" || k === "lcd") ? 3 : 1.2;
      expect(Math.abs(got.peaks[k].maxC - want.peaks[k].maxC), `${k} peak`).toBeLessThan(tol);
    }
    expect(Math.abs(got.energy.inJ / want.inJ - 1)).toBeLessThan(0.012);
    expect(Math.abs(got.energy.storedJ - got.energy.inJ) / got.energy.absJ).toBeLessThan(1e-9);
  });
  it("at 2 mm and a quarter second within 0.4 K", () => {
    const acts: Act[] = [{ ...sweep, seconds: 40 }];
    const want = referenceRun(reference("al", "rearTaped", "back"), acts, { coastS: 0 });
    const got = simulate(lidModel(parts(), { cover: "al", cellMm: 2 }), acts, { dtS: 0.25 });
    for (const s of STRIPS)
      for (const q of ["q10", "median"] as const)
        expect(Math.abs(got.tapes[s.id]![q].at(-1)! - want.tapes[s.id]![q].at(-1)!), `${s.id} ${q}`).toBeLessThan(0.4);
  });
  it("without tape every column is five nodes, and those are reckoned exactly", () => {
    // A mat over everything holds one temperature: five nodes between two faces, by small steps of Runge and Kutta.
    const m = lidModel(parts([], POCKET, []), { cover: "pcabs" });
    const mat: Act = {
      do: "mat",
      face: "back",
      rect: { xMm: -50, yMm: -50, widthMm: 400, heightMm: 400 },
      setC: 60,
      seconds: 120,
      warm: true,
      powerW: 1e6,
      capacityJK: 1e9,
    };
    const got = simulate(m, [mat], { fieldsAtS: [120], coastS: 0 });
    const face = m.inner.face("back");
    const { c, gz, rTop, rFar, area } = face.net;
    const n = m.nx * m.ny;
    const C = [0, 1, 2, 3, 4].map((l) => c[l * n]! / area);
    const g = [0, 1, 2, 3].map((l) => gz[l * n]! / area);
    let t = [23, 23, 23, 23, 23];
    const slope = (x: number[]): number[] => {
      const h4 = 3 + 0.9 * 5.670374419e-8 * ((x[4]! + 273.15) ** 2 + 296.15 ** 2) * (x[4]! + 273.15 + 296.15);
      return x.map((_, l) => {
        let q = 0;
        if (l) q += g[l - 1]! * (x[l - 1]! - x[l]!);
        if (l < 4) q += g[l]! * (x[l + 1]! - x[l]!);
        if (l === 0) q += (60 - x[0]!) / (1 / 150 + rTop[0]!);
        if (l === 4) q += (23 - x[4]!) / (1 / h4 + rFar[0]!);
        return q / C[l]!;
      });
    };
    // The air has no mass to speak of: steps of half a millisecond.
    const h = 5e-4;
    for (let k = 0; k < 120 / h; k++) {
      const a = slope(t);
      const b = slope(t.map((x, l) => x + (h / 2) * a[l]!));
      t = t.map((x, l) => x + h * b[l]!);
    }
    for (const l of [0, 2, 3, 4]) expect(Math.abs(got.fields[0]!.layers[l * n + 30]! - t[l]!), `layer ${l}`).toBeLessThan(0.25);
  });
});
