import { counted, formatMoney, listed } from "../quantity";
import { buildOf, candidateOf, checksOf, type JobView, oldPanelOf, policyOf, screwsOpen } from "./derived";
import type { Payload } from "./payloads";

export interface SheetSection {
  title: string;
  rows: { name: string; value: string }[];
}
export interface HandoverSheet {
  number: string;
  customer: string;
  machine: string;
  handedTo: string | null;
  sections: SheetSection[];
  cautions: string[];
}

export const CONDITION_WORDS: Record<Payload<"triage.conditionNoted">["kind"], string> = {
  mark: "Mark or scratch",
  missingScrew: "Missing screw",
  missingFoot: "Missing foot",
  keys: "Keys",
  hinge: "Hinge",
  dirt: "Dirt",
  earlierRepair: "Sign of an earlier repair",
  other: "Other",
};
export const LOGIN_WORDS: Record<Payload<"triage.intakeAgreed">["login"], string> = {
  guest: "guest mode",
  ownerPresent: "the owner types it",
  testAccount: "a test account",
  firmwareOnly: "firmware screens only",
  notNeeded: "not needed",
};

const SCREW_WORDS: Record<string, string> = { staysOut: "stays out", replaced: "replaced", missing: "missing" };

/**
 * The hand-over sheet: panel and code, tests of both passes, screws, time, cautions. Everything comes from the log.
 * @param v the job
 * @param minutes hands-on minutes the plan expects, or null
 * @returns null before the job was opened
 * @example handoverSheet(view, 55).sections[0].title // "Machine"
 */
export function handoverSheet(v: JobView, minutes: number | null): HandoverSheet | null {
  const s = v.state;
  if (!s.job) return null;
  const old = oldPanelOf(v);
  const cand = candidateOf(v);
  const b = buildOf(v);
  const faults = s.prove.faults;
  const where = (id: string) => {
    const g = b?.groupOfScrew.get(id);
    return g ? `${g.name.toLowerCase()}, ${g.screws.find((x) => x.id === id)!.where.toLowerCase()}` : id;
  };
  const odd = Object.entries(s.screws)
    .filter(([, st]) => st in SCREW_WORDS)
    .map(([id, st]) => `${where(id)}: ${SCREW_WORDS[st]}, ${s.screwNotes[id] ?? ""}`);
  const states = Object.values(s.screws);
  const taken = states.filter((x) => x !== "loosened" && x !== "tightened").length;
  const back = states.filter((x) => x === "back" || x === "replaced").length;
  const pass = (name: "open" | "closed"): SheetSection => ({
    title: name === "open" ? "Tested before closing" : "Tested closed up",
    rows: checksOf(v)
      .filter((c) => c.pass === name)
      .map((c) => {
        const r = s.prove[name][c.id];
        return {
          name: c.name,
          value: r
            ? `${r.result === "pass" ? "holds" : r.result === "fail" ? "failed" : "no answer"}${r.note ? `, ${r.note}` : ""}`
            : "not tested",
        };
      }),
  });
  const { out } = screwsOpen(s);
  return {
    number: s.job.number,
    customer: s.job.customer,
    machine: s.job.machineModel,
    handedTo: s.close.handedOver?.to ?? null,
    sections: [
      {
        title: "Machine",
        rows: [
          { name: "Model", value: s.job.machineModel },
          { name: "Serial", value: s.job.serial || "not recorded" },
          { name: "As told", value: s.job.words || s.job.happened || "nothing" },
          {
            name: "As found",
            value: s.triage.damage.length
              ? listed(
                  s.triage.damage.map(
                    (d) =>
                      `${d.kind === "dim" ? "dim zone" : d.kind === "deadTouch" ? "dead touch zone" : d.kind} of about ${d.sizeMm} mm`,
                  ),
                )
              : "no damage marked",
          },
        ],
      },
      ...(s.triage.condition.length || s.triage.intake
        ? [
            {
              title: "Condition when it came in",
              rows: [
                ...s.triage.condition.map((c) => ({
                  name: CONDITION_WORDS[c.kind],
                  value: `${c.view}, ${Math.round(c.xMm)}, ${Math.round(c.yMm)} mm${c.note ? `: ${c.note}` : ""}${c.photo ? " (photo)" : ""}`,
                })),
                ...(s.triage.intake
                  ? [
                      { name: "In the customer's words", value: s.triage.intake.words || "nothing" },
                      { name: "Agreed by", value: s.triage.intake.agreedBy },
                      { name: "How the test logs in", value: LOGIN_WORDS[s.triage.intake.login] },
                    ]
                  : []),
              ],
            },
          ]
        : []),
      {
        title: "Panel",
        rows: [
          { name: "Old", value: old ? old.code : "not identified" },
          { name: "New", value: cand ? cand.code : "none" },
          {
            name: "From",
            value: s.match.order
              ? `${s.match.order.seller}, ${formatMoney(s.match.order.priceMinor, s.match.order.currency)}`
              : "not ordered",
          },
        ],
      },
      pass("open"),
      pass("closed"),
      {
        title: "Pixel faults",
        rows: [
          { name: "Found", value: faults.length ? counted(faults.length, "fault") : "none" },
          ...(policyOf(v) ? [{ name: "Held against", value: policyOf(v)!.name }] : []),
          ...(s.prove.accepted ? [{ name: "Accepted by", value: s.prove.accepted.by }] : []),
        ],
      },
      {
        title: "Screws and seams",
        rows: [
          { name: "Screws", value: `${taken} out, ${back} back${out.length ? `, ${out.length} still out` : ""}` },
          ...odd.map((o) => ({ name: "Screw", value: o })),
          ...s.extraScrews.map((x) => ({ name: "Extra", value: `${x.words}: ${x.settled}` })),
          { name: "Seams looked at", value: listed(Object.keys(s.close.seams)) || "none" },
          { name: "Lid stays at", value: s.close.angleDeg === null ? "not checked" : `${s.close.angleDeg} degrees` },
        ],
      },
      {
        title: "Time",
        rows: [{ name: "Hands-on, expected (P50)", value: minutes === null ? "no plan" : `${Math.round(minutes)} min` }],
      },
    ],
    cautions: [
      "New tape is at full strength after three days: do not press on the frame before then.",
      "The old panel goes to electronics recycling under local rules.",
      "If the picture flickers, goes dark or smells warm: switch off, mains out, and bring it back.",
    ],
  };
}
