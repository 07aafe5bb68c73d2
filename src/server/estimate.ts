import { format } from "date-fns";
import { fold, type JobState, panelReading } from "@/core/job";
import { formatMoney, sureWords } from "@/core/quantity";
import { connection } from "@/data/connection";
import { readLog } from "@/data/eventStore";
import type { Promised } from "@/wire/promise";
import { MARGIN, openSheet } from "./pdf";

const day = (ms: number) => format(ms, "EEE d MMM yyyy");

const OPTION_WORDS: Record<NonNullable<JobState["quote"]>["option"], string> = {
  cover: "Use the warranty or accident cover",
  makerService: "Send it to the maker's service",
  lidAssembly: "Replace the whole lid assembly",
  panelNew: "Replace the panel with a new one",
  panelUsed: "Replace the panel with a used one",
  cableJob: "Replace the cable between screen and machine",
  reseat: "Clean and reseat the cable between screen and machine",
  touchUnit: "Replace the touch layer or the front unit",
  boardSpecialist: "Have a specialist repair the main board",
  diagnosis: "Diagnosis only: no part is replaced",
  none: "Do not repair",
};

/** What was found, in the customer's words; a fault of the shop's own table stands by its id. */
const FAULT_WORDS: Readonly<Record<string, string>> = {
  panelCell: "The screen itself is broken",
  cellLine: "The screen itself draws lines",
  panelBacklight: "The screen's light has failed",
  filmPressure: "The screen was pressed",
  displayCable: "The cable to the screen",
  boardBacklight: "The main board no longer feeds the screen's light",
  boardGraphics: "The main board's graphics",
  digitizer: "The touch layer",
  lidSensor: "The sensor that tells whether the lid is open",
  inverterLamp: "The screen's lamp or what feeds it",
  oledDriver: "The screen itself",
  software: "A setting or a program, no part",
  noneOfThese: "Not found yet",
  noFault: "Nothing is broken",
};

/** The estimate chosen in a job, or null when none is. */
export async function readEstimate(jobId: string): Promise<JobState | null> {
  const log = await readLog(connection().db, jobId);
  const state = fold(log.events, log.snapshots);
  return state.quote && state.job ? state : null;
}

/**
 * The estimate as one A4 page: what is proposed, price and bad case, when it is ready, until when it holds, what it stands on.
 * @param told when it would be done if it were agreed now; null where only days are known
 */
export function estimatePdf(state: JobState, dated: Date, told: Promised | null = null): Promise<Buffer> {
  const q = state.quote!;
  const job = state.job!;
  const { width, write, rule, done } = openSheet(`Estimate ${job.number}`, dated);
  let y = write(`Estimate ${job.number}`, MARGIN, 40, 22, 700, width);
  y =
    write(
      `${job.machineModel}${job.serial ? `, ${job.serial}` : ""}, for ${job.customer}. ${dated.toISOString().slice(0, 10)}`,
      MARGIN,
      y + 2,
      11,
      400,
      width,
    ) + 8;
  rule(MARGIN, y, width, 1.5);
  y = write(OPTION_WORDS[q.option], MARGIN, y + 8, 16, 700, width) + 6;
  const fault = state.triage.concluded;
  const rows: [string, string][] = [
    [q.option === "cover" ? "Expected price" : "Expected price, tax included", formatMoney(q.expectedMinor, q.currency)],
    ["Bad case, not passed in four jobs of five", formatMoney(q.p80Minor, q.currency)],
    ...(q.option === "cover" ? [] : [["Tax", `${q.taxPercent} %`] as [string, string]]),
    told
      ? ["Ready, agreed today", `likely ${day(told.p50Ms)}, ${sureWords(told.sure)} by ${day(told.byMs)}`]
      : ["Ready in about", `${q.days} days`],
    ["This estimate holds until", q.validUntil.slice(0, 10)],
    ["Asked again when the price moves by more than", `${q.marginPercent} %`],
    ...(fault
      ? [
          ["Found", `${FAULT_WORDS[fault.fault] ?? fault.fault}, ${Math.round(fault.probability * 100)} % sure`] as [
            string,
            string,
          ],
        ]
      : []),
    ...(panelReading(state) ? [["Panel fitted", panelReading(state)!.code] as [string, string]] : []),
    ...(q.agreedBy ? [["Agreed by", q.agreedBy] as [string, string]] : []),
  ];
  for (const [name, value] of rows) {
    const a = write(name, MARGIN, y, 11, 400, width * 0.55);
    const b = write(value, MARGIN + width * 0.57, y, 11, 700, width * 0.43);
    y = Math.max(a, b) + 4;
  }
  y += 8;
  rule(MARGIN, y, width, 1);
  y = write("What it stands on", MARGIN, y + 6, 12, 700, width) + 2;
  for (const a of q.assumptions) y = write(`- ${a}`, MARGIN, y, 10.5, 400, width) + 1;
  y += 10;
  write(
    "An estimate, not a promise. Opening a machine may end its warranty. The maker's service information and local codes come first.",
    MARGIN,
    y,
    9.5,
    400,
    width,
  );
  return done();
}
