import { describe, expect, it } from "vitest";
import type { JobEvent } from "@/core/job";
import { dropSent, failedToSend, keepUnsent, unsentHere, unsentOf } from "./outbox";

const event = (n: number, jobId = "job-a") =>
  ({ id: `e${n}`, jobId, clock: String(n).padStart(15, "0"), type: "job.noted", payload: { text: "x" } }) as unknown as JobEvent;

describe("what is recorded and not sent yet", () => {
  it("is at hand at once, in the order it was recorded, by job, even where the browser keeps nothing", async () => {
    // Not awaited: the next station asks in the same moment.
    void keepUnsent(event(2));
    void keepUnsent(event(1));
    void keepUnsent(event(3, "job-b"));
    expect(unsentHere("job-a").map((e) => e.id)).toEqual(["e1", "e2"]);
    expect(unsentHere("job-b").map((e) => e.id)).toEqual(["e3"]);
    expect(await unsentOf("job-a")).toEqual([]);
  });
  it("is gone once acknowledged, and with it that its sending had failed", async () => {
    failedToSend.add("e1");
    await dropSent(event(1));
    expect(unsentHere("job-a").map((e) => e.id)).toEqual(["e2"]);
    expect(failedToSend.has("e1")).toBe(false);
    await dropSent(event(2));
    expect(unsentHere("job-a")).toEqual([]);
  });
});
