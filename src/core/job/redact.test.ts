import { plannedJob, snapshots } from "@tests/bench";
import { SAMPLES } from "@tests/samples";
import { describe, expect, it } from "vitest";
import { z } from "zod";
import type { JobEvent } from "./event";
import { counting, fold } from "./fold";
import { handsOnMinutes } from "./handsOn";
import { parseEvent } from "./parseEvent";
import { type EventType, PAYLOADS } from "./payloads";
import { personalIn, REMOVED, redacted } from "./redact";

const OF_THE_SHELF = new Set(["item", "lot", "place", "seller", "job", "orderLine", "expires", "state", "donor"]);
/** Free text that stays: codes, sellers, parts and places, said from the trade and not from the code. */
const STAYS = [
  "identify.panelRead.code",
  "identify.panelRead.text",
  "job.actDiscarded.type",
  "job.edited.machineModel",
  "job.opened.machineModel",
  "match.arrived.codeRead",
  "match.chosen.code",
  "match.ordered.currency",
  "match.ordered.line",
  "match.ordered.seller",
  "open.found.words",
  "open.stuck.target",
  "quote.chosen.currency",
];
const WORDS = new Set(["words", "note", "by", "to", "how", "why", "reason", "agreedBy", "settled"]);
const kinds = Object.keys(PAYLOADS) as EventType[];
const event = (type: EventType, payload: object): JobEvent =>
  ({ ...plannedJob("C").events[0]!, type, v: 1, payload }) as JobEvent;

describe("taking personal words out", () => {
  it("every free text of every kind either goes, or is of the machine and the trade", () => {
    const left: string[] = [];
    for (const type of kinds) {
      const shape = z.toJSONSchema(PAYLOADS[type], { io: "input", unrepresentable: "any" }) as {
        properties?: Record<string, { type?: string; enum?: unknown; pattern?: string; format?: string }>;
      };
      for (const [field, f] of Object.entries(shape.properties ?? {})) {
        if (f.type !== "string" || f.enum || f.pattern || f.format) continue;
        // What lies on which shelf, from which seller, for which job number, is of the trade; why it was thrown away is not.
        if (type.startsWith("stock.") && OF_THE_SHELF.has(field)) continue;
        if (personalIn(event(type, { [field]: "her name" })).length === 0) left.push(`${type}.${field}`);
      }
    }
    expect(left.sort()).toEqual(STAYS);
  });
  it("leaves an event that is still read, of the same id, clock and kind, with nothing of the words in it", () => {
    for (const type of kinds) {
      const photo = { hash: "a".repeat(64), widthPx: 1, heightPx: 1, bytes: 1 };
      const full = Object.fromEntries(
        Object.entries(SAMPLES[type]).map(([k, v]) => [
          k,
          typeof v === "string" && personalIn(event(type, { [k]: "x" })).length ? "Ada at desk nine" : v,
        ]),
      );
      const withPhoto = parseEvent({ ...event(type, { ...full, photo }), v: 99 }).ok ? { ...full, photo } : full;
      const e = event(type, withPhoto);
      const r = redacted(e);
      expect(JSON.stringify(r), type).not.toContain("Ada at desk nine");
      expect(r, type).toMatchObject({ id: e.id, clock: e.clock, type: e.type });
      expect(personalIn(r), type).toEqual([]);
      expect(redacted(r), type).toEqual(r);
      const shape = PAYLOADS[type].safeParse(r.payload);
      expect(shape.error?.issues, type).toBeUndefined();
    }
    const noted = event("job.noted", { text: "call her", photo: { hash: "a".repeat(64), widthPx: 1, heightPx: 1, bytes: 1 } });
    expect(personalIn(noted)).toEqual(["text", "photo"]);
    expect(redacted(noted).payload).toEqual({ text: REMOVED });
  });
  it("changes nothing physical: the same screws, connectors, passes, minutes and verdicts", () => {
    const b = plannedJob("C").until(null);
    const plain = (events: readonly JobEvent[]) => {
      const s = fold(events, snapshots);
      const { job, notes, breaches, ...rest } = s;
      expect(breaches).toEqual([]);
      return {
        rest: JSON.stringify(rest, (k, v) => (WORDS.has(k) && typeof v === "string" ? "" : v)),
        model: job?.machineModel,
        notes: notes.length,
        minutes: handsOnMinutes(counting(events)),
      };
    };
    const strip = (x: unknown) => JSON.stringify(x);
    expect(strip(plain(b.events.map(redacted)))).toBe(strip(plain(b.events)));
  });
});
