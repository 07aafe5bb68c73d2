import { describe, expect, it } from "vitest";
import { handoverSheet } from "@/core/job";
import { progressOf, screwSheet } from "@/core/teardown";
import { sheetPdf } from "@/server/handover";
import { screwSheetPdf } from "@/server/screwSheet";
import { pdfText } from "../e2e/pdfText";
import { builds, jobOn } from "./bench";

// Taken before the house was moved; a line that differs is a change somebody has to answer for.
const golden = (name: string) => `golden/${name}.txt`;
const all = Object.values(builds);

describe("as it was before the house was moved", () => {
  it("printed sheets: hand-over and screws of every build, read back from the PDF", async () => {
    const out: string[] = [];
    const dated = new Date("2026-06-01T08:00:00.000Z");
    for (const build of all) {
      const b = jobOn(build.id).until(null);
      const sheet = screwSheet(build, progressOf(b.view)!.plan.out, "a4", build.machineModel, "http://127.0.0.1:4180");
      out.push(`== ${build.id}`, pdfText(await sheetPdf(handoverSheet(b.view, 50)!, dated)));
      out.push(pdfText(await screwSheetPdf(sheet, dated)));
    }
    await expect(`${out.join("\n")}\n`).toMatchFileSnapshot(golden("papers"));
  });
});
