import { describe, expect, it } from "vitest";
import { pedalAct, pedalRefusal, readPedals } from "./pedals";

describe("pedals", () => {
  it("take a key that writes nothing and means nothing, one for each act", () => {
    for (const key of ["F9", "F13", "PageDown", "Home", "MediaPlayPause"])
      expect(pedalRefusal(key, key, {}, "act"), key).toBeNull();
    for (const key of ["b", "7", " ", "Enter", "Tab", "Escape", "Backspace", "ArrowLeft", "Shift", "Unidentified"])
      expect(pedalRefusal(key, key, {}, "act"), key).not.toBeNull();
    expect(pedalRefusal("F9", "F9", { back: "F9" }, "act")).toMatch(/other thing/);
    expect(pedalRefusal("F9", "F9", { act: "F9" }, "act")).toBeNull();
  });
  it("do what they were given to, and nothing else", () => {
    expect(pedalAct({ act: "F9", back: "F10" }, "F10")).toBe("back");
    expect(pedalAct({ act: "F9" }, "F10")).toBeNull();
  });
  it("are read back as kept; what is no map is none", () => {
    expect(readPedals('{"act":"F9","back":"F10"}')).toEqual({ act: "F9", back: "F10" });
    for (const bad of [null, "", "[", "7", '{"act":4}', '{"other":"F9"}']) expect(readPedals(bad)).toEqual({});
  });
});
