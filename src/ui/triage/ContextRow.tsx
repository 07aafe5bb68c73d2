"use client";
import type { Payload } from "@/core/job";
import { Choose } from "../controls/Choose";
import { useBench } from "../job/context";

type Context = Payload<"triage.contextSet">;
const ASKED: { key: keyof Context; name: string; options: [string, string][] }[] = [
  {
    key: "happened",
    name: "What happened",
    options: [
      ["unknown", "not known"],
      ["drop", "dropped"],
      ["pressure", "pressed"],
      ["liquid", "liquid"],
      ["wear", "wear"],
      ["nothing", "nothing"],
    ],
  },
  {
    key: "backlight",
    name: "Backlight",
    options: [
      ["unknown", "not known"],
      ["led", "LED"],
      ["ccfl", "lamp"],
      ["oled", "OLED"],
    ],
  },
  {
    key: "touch",
    name: "Touch",
    options: [
      ["unknown", "not known"],
      ["yes", "yes"],
      ["no", "no"],
    ],
  },
  {
    key: "touchKind",
    name: "Touch layer",
    options: [
      ["unknown", "not known"],
      ["inGlass", "in the glass"],
      ["separate", "by itself"],
    ],
  },
  {
    key: "repaired",
    name: "Repaired before",
    options: [
      ["unknown", "not known"],
      ["yes", "yes"],
      ["no", "no"],
    ],
  },
  {
    key: "age",
    name: "Age, years",
    options: [
      ["unknown", "not known"],
      ["under2", "under 2"],
      ["from2to5", "2 to 5"],
      ["over5", "over 5"],
    ],
  },
  {
    key: "cover",
    name: "Cover",
    options: [
      ["unknown", "not asked"],
      ["yes", "yes"],
      ["no", "no"],
    ],
  },
  {
    key: "coverKind",
    name: "Kind of cover",
    options: [
      ["unknown", "not known"],
      ["warranty", "warranty"],
      ["accident", "accident"],
    ],
  },
];

/** What is known of the machine before it is looked at: it moves where the reckoning starts. */
export function ContextRow() {
  const { log, view } = useBench();
  const now = view.state.triage.context;
  return (
    <fieldset className="grid grid-cols-3 gap-2">
      <legend className="vh">What is known of the machine</legend>
      {ASKED.map((q) => (
        <label key={q.key} className="field">
          <span className="text-[14px]">{q.name}</span>
          <Choose
            value={String(now[q.key] ?? "unknown")}
            options={q.options}
            onValue={(v) => log.record({ type: "triage.contextSet", payload: { ...now, [q.key]: v } as Context })}
          />
        </label>
      ))}
    </fieldset>
  );
}
