import { SERVES_OF_LEAD } from "../../causes";
import { no } from "../answer";
import { buildOf, changesOf, checksOf, passStatus } from "../derived";
import type { RulesOf } from "../rule";
import { seated } from "../subject";
import type { afterPayloads } from "./payloads";

export const afterRules = {
  "after.seen": {
    name: "what is seen after the repair",
    on: "desk",
    relies: { causesHash: "causes" },
    may: (p, v) => {
      const t = v.snapshots[p.causesHash];
      return t?.kind === "causes" && !t.data.findings.some((f) => f.id === p.finding)
        ? no("after", `The table of causes has no finding "${p.finding}".`)
        : null;
    },
    apply: (s, p) => {
      s.after.causesHash = p.causesHash;
      s.after.seen[p.finding] = p.answer;
    },
  },
  "after.chased": {
    name: "a cause gone after",
    on: "desk",
    relies: { causesHash: "causes" },
    may: (p, v) => {
      const t = v.snapshots[p.causesHash];
      if (t?.kind === "causes" && !t.data.causes.some((c) => c.id === p.cause))
        return no("after", `The table has no cause "${p.cause}".`);
      if (v.s.after.chase && !v.s.after.chase.mended) return no("after", "Another cause is being gone after: end that first.");
      if (!checksOf(v).some((c) => c.id === p.check && c.pass === p.pass))
        return no("after", `This repair asks for no check "${p.check}".`);
      return null;
    },
    apply: (s, p, { b, snapshots }) => {
      const t = snapshots[p.causesHash];
      const lead = t?.kind === "causes" ? t.data.causes.find((c) => c.id === p.cause)?.lead : undefined;
      const serves = lead ? SERVES_OF_LEAD[lead] : [];
      const all = b?.build.connectors.filter((c) => serves.includes(c.serves)) ?? [];
      const touched = all.filter((c) => s.touched[c.id]);
      s.after.causesHash = p.causesHash;
      s.after.chase = {
        cause: p.cause,
        pass: p.pass,
        check: p.check,
        leads: (touched.length ? touched : all).map((c) => c.id),
        reseated: {},
        mended: false,
      };
      s.after.reached = [...new Set([...s.after.reached, ...s.after.chase.leads])];
    },
  },
  "after.mended": {
    name: "a cause mended",
    on: "desk",
    may: (p, { s }) => (s.after.chase?.cause === p.cause ? null : no("after", "That cause is not being gone after.")),
    apply: (s, p) => {
      const c = s.after.chase;
      if (c?.cause !== p.cause) return;
      c.mended = true;
      s.after.tried.push({ cause: c.cause, pass: c.pass, check: c.check, result: null });
      // The check speaks for the machine as it was: it is asked again.
      delete s.prove[c.pass][c.check];
    },
  },
  "after.left": {
    name: "a cause let go",
    on: "desk",
    may: (_, { s }) => (s.after.chase ? null : no("after", "No cause is being gone after.")),
    apply: (s) => {
      // What was taken off for it still has to go back; what was not touched is of no interest any more.
      s.after.reached = s.after.reached.filter((c) => s.touched[c]);
      s.after.chase = null;
    },
  },
  "after.pairingLeft": {
    name: "pairing left undone",
    on: "desk",
    may: (_, v) => {
      const c = changesOf(v).find((x) => x.field === "pairing");
      if (!c) return no("change", "This machine does not pair its panel.");
      if (c.made) return no("change", "That is done.");
      return passStatus(v, "open").complete && seated(v.s)
        ? null
        : no("change", "First power and picture are proven: nobody can say before that what is left.");
    },
    apply: (s, p) => {
      s.changesMade.pairing = p;
    },
  },
  "after.hingesRead": {
    name: "hinge readings",
    on: "desk",
    may: (p, v) =>
      p.when === "after" && buildOf(v) && !seated(v.s)
        ? no("after", "The new panel is not seated: this is a reading from before.")
        : null,
    apply: (s, p) => {
      s.after.hinges.push(p);
    },
  },
  "after.torqueRead": {
    name: "a hinge torque",
    on: "desk",
    apply: (s, p) => {
      s.after.torque[p.when] = p;
    },
  },
  "after.procedureDid": {
    name: "a step of a procedure",
    on: "desk",
    powers: true,
    relies: { procedureHash: "procedure" },
    may: (p, v) => {
      const t = v.snapshots[p.procedureHash];
      const { did } = p;
      return did.kind === "done" && t?.kind === "procedure" && !t.data.steps.some((x) => x.id === did.step)
        ? no("procedure", `The procedure has no step "${did.step}".`)
        : null;
    },
    apply: (s, p) => {
      s.after.procedures[p.procedureHash] = [...(s.after.procedures[p.procedureHash] ?? []), p];
    },
  },
} satisfies RulesOf<typeof afterPayloads>;
