import { comesBack } from "../../build";
import { listed } from "../../quantity";
import { no } from "../answer";
import { placeOf } from "../clock";
import { checksOf, checkTableOf, passStatus } from "../derived";
import { endIsolation, wake } from "../power";
import type { RulesOf } from "../rule";
import { seated } from "../subject";
import type { provePayloads } from "./payloads";

export const proveRules = {
  "prove.checkDone": {
    name: "a check",
    on: "machine",
    powers: true,
    may: (p, v) => {
      const { s, b } = v;
      if (!seated(s)) return no("prove", "The new panel is not seated.");
      if (s.bench.mains !== "in" && s.bench.shutDown) return no("prove", "Power is off: start the machine first.");
      const known = checksOf(v).some((x) => x.id === p.check && x.pass === p.pass);
      if (!known && !checkTableOf(v).checks.some((x) => x.id === p.check && x.pass === p.pass))
        return no("prove", `There is no check "${p.check}" in the ${p.pass} pass.`);
      const c = checksOf(v).find((x) => x.id === p.check && x.pass === p.pass);
      if (c?.home && s.connectors[c.home] === "off")
        return no("prove", `${c.name}: looked at once ${b.connector.get(c.home)!.name.toLowerCase()} is home.`);
      if (p.result === "deferred") {
        if (!c?.deferrable) return no("prove", `${c?.name ?? p.check} cannot be left for later.`);
        if (!p.note) return no("prove", "Say why it is left for later.");
      }
      if (p.pass === "open") return null;
      const away = b.build.parts.filter(
        (x) => (x.role === "bezel" || x.role === "baseCover") && s.parts[x.id] === "out" && comesBack(x),
      );
      if (away.length)
        return no("prove", `The closed pass comes after closing up: ${listed(away.map((x) => x.name.toLowerCase()))} still off.`);
      return passStatus(v, "open").complete ? null : no("prove", "The open pass is not complete.");
    },
    apply: (s, p, { e }) => {
      s.prove[p.pass][p.check] = { result: p.result, note: p.note };
      // What was mended for this check: it tells whether that was it.
      const tried = s.after.tried.at(-1);
      if (
        tried?.result === null &&
        tried.check === p.check &&
        tried.pass === p.pass &&
        (p.result === "pass" || p.result === "fail")
      ) {
        tried.result = p.result === "pass" ? "held" : "still";
        s.after.chase = null;
      }
      // Looked at on a machine that runs: it is shut down again before a hand goes in, whatever was recorded before.
      wake(s);
      endIsolation(s, placeOf(e));
    },
  },
  "prove.faultTapped": {
    name: "a pixel fault",
    on: "machine",
    relies: { policyHash: "policy" },
    apply: (s, p, { e }) => {
      s.prove.faults.push({ eventId: e.id, class: p.class, xMm: p.xMm, yMm: p.yMm });
      s.prove.policyHash = p.policyHash;
      s.prove.accepted = null;
    },
  },
  "prove.faultsAccepted": {
    name: "pixel faults accepted",
    on: "machine",
    apply: (s, p) => {
      s.prove.accepted = p;
    },
  },
} satisfies RulesOf<typeof provePayloads>;
