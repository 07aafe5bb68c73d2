import { MENDED_WORDS } from "../build";
import { alignHinges, type HingeReading } from "../hinge";
import { UNPAIRED } from "../panel";
import { counted, durationWords, formatMoney, listed } from "../quantity";
import { type Hold, holdOf } from "../tape";
import { type ChangedDrawing, changedDrawing } from "./changedDrawing";
import { buildOf, candidateOf, checksOf, type JobView, oldPanelOf, policyOf, screwsOpen } from "./derived";
import type { Payload } from "./payloads";
import type { CheckAnswer } from "./state";

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
  /** The machine with what was changed; null before anything new is in. */
  drawing: ChangedDrawing | null;
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

/** How a check was answered, in words. */
export const CHECK_WORDS: Readonly<Record<CheckAnswer["result"], string>> = {
  pass: "holds",
  fail: "failed",
  unclear: "no answer",
  deferred: "left for later",
};

const FAULT_WORDS = { bright: "bright", dark: "dark", subPixel: "of one colour only", cluster: "close together" } as const;
const SCREW_WORDS: Record<string, string> = { staysOut: "stays out", replaced: "replaced", missing: "missing" };

/** From when on new tape holds, at worst; nothing where nothing was pressed. */
function tapeCaution(v: JobView): string[] {
  const build = buildOf(v)?.build;
  if (!build || !v.state.bond.pressedClock) return [];
  const hold = holdOf(build, v.state.bondTold, candidateOf(v)?.outline.value);
  if (!hold) return [];
  const late = (m: Hold["carried"]) => (m ? `${durationWords(m.lateMin)} after it was pressed` : null);
  const carried = late(hold.carried);
  return [
    `New tape is at full strength after three days: do not press on the frame before then. ${carried ? `Carry it in a bag from ${carried}, not sooner.` : "The tape alone does not hold it in a bag that is knocked about: frame and screws do as well."}`,
  ];
}

/** A cause by the table the job kept. */
function causeName(v: JobView, cause: string): string {
  const t = v.state.after.causesHash ? v.snapshots[v.state.after.causesHash] : undefined;
  return (t?.kind === "causes" && t.data.causes.find((c) => c.id === cause)?.name) || cause;
}

/** How the lid stands to the base, in a line. */
function hingeWords(h: Payload<"after.hingesRead">): string {
  const a = alignHinges({
    hingeSpanMm: h.spanMm,
    clearanceMm: h.clearanceMm,
    readings: h.readings as HingeReading[],
    ...(h.heights ? { heights: h.heights } : {}),
    toleranceMm: h.toleranceMm,
  });
  const most = Math.max(0, ...h.readings.map((r) => Math.abs(r.mm - (r.nominalMm ?? 0))));
  return a.verdict === "aligned"
    ? `in line within ${h.toleranceMm} mm`
    : `out of line by ${most.toFixed(2)} mm at most${a.why ? `, ${a.why}` : ""}`;
}

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
  const left = s.changesMade.pairing === true ? undefined : s.changesMade.pairing;
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
  const pass = (name: "open" | "closed"): SheetSection => {
    const checks = checksOf(v).filter((c) => c.pass === name);
    const answer = (id: string) => s.prove[name][id];
    // What plainly holds is one line; everything else has its own, with its note.
    const plain = checks.filter((c) => answer(c.id)?.result === "pass" && !answer(c.id)!.note);
    const open = checks.filter((c) => !answer(c.id));
    const told = checks.filter((c) => !plain.includes(c) && !open.includes(c));
    return {
      title: name === "open" ? "Tested before closing" : "Tested closed up",
      rows: [
        ...(plain.length ? [{ name: "Holds", value: plain.map((c) => c.name).join("; ") }] : []),
        ...told.map((c) => {
          const r = answer(c.id)!;
          return { name: c.name, value: `${CHECK_WORDS[r.result]}${r.note ? `, ${r.note}` : ""}` };
        }),
        ...(open.length ? [{ name: "Not tested", value: open.map((c) => c.name).join("; ") }] : []),
      ],
    };
  };
  const last = s.after.hinges.filter((h) => h.when === "after").at(-1);
  const after: SheetSection = {
    title: "Hinges, faults mended",
    rows: [
      ...(last ? [{ name: "Hinges", value: hingeWords(last) }] : []),
      ...s.after.tried
        .filter((t) => t.result === "held")
        .map((t) => ({ name: "Mended", value: `${causeName(v, t.cause)}: the check holds since` })),
      ...(left ? [{ name: "Pairing", value: `not done: ${left.why}` }] : []),
      ...s.mends.map((m) => ({
        name: "Mended",
        value: `${MENDED_WORDS[m.what]} of ${b?.part.get(m.part)?.name.toLowerCase() ?? m.part}${m.how ? `, ${m.how}` : ""}`,
      })),
    ],
  };
  const { out } = screwsOpen(s);
  const byClass = (["bright", "dark", "subPixel", "cluster"] as const).flatMap((k) => {
    const n = faults.filter((f) => f.class === k).length;
    return n ? [`${n} ${FAULT_WORDS[k]}`] : [];
  });
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
      ...(after.rows.length ? [after] : []),
      {
        title: "Pixel faults",
        rows: [
          { name: "Found", value: faults.length ? `${counted(faults.length, "fault")}: ${listed(byClass)}` : "none" },
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
    drawing: changedDrawing(v),
    cautions: [
      ...tapeCaution(v),
      ...(left ? [`The panel is not paired to the board, taken so by ${left.by}. ${UNPAIRED}`] : []),
      "The old panel goes to electronics recycling under local rules.",
      "If the picture flickers, goes dark or smells warm: switch off, mains out, and bring it back.",
    ],
  };
}
