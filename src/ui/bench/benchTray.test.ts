import { describe, expect, it } from "vitest";
import type { JobCard } from "@/wire/jobCard";
import { atHand, trayOf } from "./benchTray";

const card = (number: string, more: Partial<JobCard>): JobCard =>
  ({
    number,
    open: false,
    heat: null,
    screwsOut: 0,
    power: { isolated: false, live: false, title: "Off" },
    ...more,
  }) as JobCard;

describe("the tray of the bench", () => {
  it("says what heats, whichever machine lies open as well", () => {
    const t = trayOf([card("H-1", { open: true }), card("H-2", { open: true, heat: "Mat 58 °C" }), card("H-3", {})]);
    expect(t.heat).toEqual({ title: "Mat 58 °C", note: "on at H-2", on: true });
    expect(t.cautions).toMatchObject({ title: "2 open", count: 2 });
  });
  it("says it of a machine that is closed, too: a mat under a shut lid", () => {
    const cards = [card("H-1", {}), card("H-2", { heat: "Hair dryer 90 °C" })];
    expect(trayOf(cards).power.note).toBe("H-2 heats");
    expect(trayOf(cards).heat.on).toBe(true);
    expect(atHand(cards)?.number).toBe("H-2");
  });
  it("is empty with nothing open and nothing hot", () => {
    expect(trayOf([card("H-1", {})]).heat.on).toBe(false);
    expect(atHand([card("H-1", {})])).toBeUndefined();
  });
});
