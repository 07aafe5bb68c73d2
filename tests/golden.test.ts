import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { FamilyTable, familyOf } from "@/core/build";
import { cvtReducedBlanking, decodeEdid } from "@/core/edid";
import { readLabel } from "@/core/identify";
import { compareFit, overallVerdict, panelEdid, readPartCode } from "@/core/panel";
import { panelParts, QuotePolicy, quoteOptions } from "@/core/quote";
import { cutList } from "@/core/tape";
import { kitOf, makePlan, otherGoals, screwSheet, screwSheetSvg, ToolStock } from "@/core/teardown";
import { advise, type Findings, NOTHING_KNOWN, posterior, sensitivity } from "@/core/triage";
import { builds, panels, triageTable } from "./bench";
import { short } from "./golden";

// Taken before the house was moved; a line that differs is a change somebody has to answer for.
const golden = (name: string) => `golden/${name}.txt`;
const file = (name: string): unknown => JSON.parse(readFileSync(`data/${name}.json`, "utf8"));
const all = Object.values(builds);
const round = (x: unknown): unknown =>
  JSON.parse(JSON.stringify(x, (_, v) => (typeof v === "number" ? Number(v.toPrecision(9)) : v)));
const line = (...x: unknown[]) => x.map((y) => (typeof y === "string" ? y : JSON.stringify(round(y)))).join(" | ");

describe("as it was before the house was moved", () => {
  it("plans, other goals, kits, cut lists and screw sheets of every build", async () => {
    const stock = ToolStock.parse(file("reference/tools"));
    const out: string[] = [];
    for (const b of all) {
      const made = makePlan(b);
      if (!made.ok) throw new Error(made.problem);
      const { plan } = made;
      out.push(`== ${b.id}`, line("worth", plan.objective.value, plan.objective.bound, plan.objective.proven, plan.minutes));
      for (const s of plan.out)
        out.push(`out ${line(s.id, s.station, s.title, s.how, s.minutes, s.because ?? "", s.caution ?? "", s.tool ?? "")}`);
      for (const s of plan.in)
        out.push(`in ${line(s.id, s.station, s.title, s.how, s.minutes, s.because ?? "", s.caution ?? "", s.tool ?? "")}`);
      for (const s of plan.skipped) out.push(`skipped ${line(s.id, s.cost)}`);
      for (const n of plan.objective.near) out.push(`near ${line(n)}`);
      for (const g of otherGoals(b)) out.push(`goal ${line(g.goal, g.value, g.proven, g.steps)}`);
      for (const k of kitOf(plan.tools, stock)) out.push(`kit ${line(k.name, k.words, k.state, k.by ?? "", k.for)}`);
      for (const c of cutList(b)) out.push(`cut ${line(c)}`);
      const sheet = screwSheet(b, plan.out, "a4", b.machineModel, "http://127.0.0.1:4180");
      out.push(`sheet ${short(round(sheet))} svg ${short(screwSheetSvg(sheet, 0, [[true, false]]))}`);
    }
    await expect(`${out.join("\n")}\n`).toMatchFileSnapshot(golden("plans"));
  });
  it("every panel against every other in every build that could take it", async () => {
    const out: string[] = [];
    for (const b of [null, ...all])
      for (const a of Object.values(panels))
        for (const c of Object.values(panels)) {
          if (Math.abs((a.diagonalIn.value ?? 0) - (c.diagonalIn.value ?? 0)) > 3) continue;
          const rows = compareFit(a, c, b);
          const o = overallVerdict(rows);
          out.push(
            line(
              b?.id ?? "no build",
              a.code,
              c.code,
              o.kind,
              String(o.conditional),
              o.words,
              rows.map((r) => r.verdict[0]).join(""),
              short(round(rows)),
            ),
          );
        }
    await expect(`${out.join("\n")}\n`).toMatchFileSnapshot(golden("fit"));
  });
  it("the demo jobs, their prices, advice and what every finding would change", async () => {
    const out: string[] = [];
    const policy = QuotePolicy.parse(file("reference/quote"));
    const { offers } = file("demo/offers") as { offers: never[] };
    for (const build of all)
      for (const cover of ["yes", "no", "unknown"] as const)
        for (const old of [null, ...Object.values(panels).slice(0, 4)]) {
          const parts = panelParts(old, Object.keys(panels), Object.values(panels), offers, build);
          const made = makePlan(build);
          const options = quoteOptions({
            policy,
            family: build.family,
            machineModel: build.machineModel,
            plan: made.ok ? made.plan.minutes : null,
            panelNew: parts.panelNew,
            panelUsed: parts.panelUsed,
            cover,
            replacementMinor: null,
            log: { ratios: [1.2, 0.9, 1.4], jobs: 3, mishaps: { films: 1 } },
          });
          for (const o of options)
            out.push(
              line(
                "quote",
                build.id,
                cover,
                old?.code ?? "unread",
                o.id,
                o.likelyMinor,
                o.expectedMinor,
                o.p80Minor,
                o.days,
                short(round(o)),
              ),
            );
        }
    const cases = file("../tests/triageCases") as { name: string; context?: object; findings: Findings }[];
    const single = triageTable.findings.map((f) => ({ name: f.id, findings: { [f.id]: "yes" as const } as Findings }));
    for (const c of [...cases, ...single] as typeof cases) {
      const context = { ...NOTHING_KNOWN, ...c.context };
      const p = posterior(triageTable, context, c.findings);
      const lead = p.ranking.slice(0, 3).map((r) => `${r.fault} ${r.p.toFixed(4)}`);
      out.push(
        line("triage", c.name, lead.join(", "), short(round(p)), short(round(sensitivity(triageTable, context, c.findings)))),
      );
      const a = advise(triageTable, context, c.findings, { opened: cases.includes(c), openMinutes: 20 });
      out.push(
        line(
          "advice",
          a.tests
            .slice(0, 2)
            .map((t) => t.test)
            .join(", "),
          short(round(a)),
        ),
      );
    }
    await expect(`${out.join("\n")}\n`).toMatchFileSnapshot(golden("judgement"));
  });
  it("labels, codes, EDIDs and families", async () => {
    const out: string[] = [];
    const codes = Object.values(panels).map((p) => p.code);
    for (const c of codes) {
      out.push(line("code", c, short(round(readPartCode(c)))));
      const text = `P/N 5D10Q${c.length}4421\n${c}\nS/N 7A${c.length}00912345\n2231\n${c.slice(0, 6)} 0A1`;
      out.push(
        line(
          "label",
          c,
          short(
            round(
              readLabel(
                text,
                codes,
                all.map((b) => b.machineModel),
              ),
            ),
          ),
        ),
      );
    }
    for (const p of Object.values(panels)) {
      const made = panelEdid(p);
      out.push(line("edid", p.code, short(round(made))));
      if (made.ok) out.push(line("decoded", short(round(decodeEdid(made.bytes)))));
    }
    for (const [h, v, refreshHz] of [
      [1920, 1080, 60],
      [1600, 900, 60],
      [2256, 1504, 60],
      [3840, 2160, 60],
      [1920, 1080, 120],
    ] as const)
      for (const version of [1, 2] as const)
        out.push(
          line(
            "cvt",
            `${h} x ${v} at ${refreshHz}, v${version}`,
            cvtReducedBlanking({ hActive: h, vActive: v, refreshHz, version }),
          ),
        );
    const table = FamilyTable.parse(file("reference/families"));
    const looks = table.looks.map((l) => l.id);
    for (let n = 0; n < 60; n++) {
      const seen = Object.fromEntries(looks.flatMap((l, i) => ((n >> (i % 5)) % 3 === 2 ? [] : [[l, (n >> (i % 5)) % 3 === 0]])));
      out.push(line("family", String(n), short(round(familyOf(table, seen)))));
    }
    await expect(`${out.join("\n")}\n`).toMatchFileSnapshot(golden("reading"));
  });
});
