import { z } from "zod";

/** Sends back what becomes of an order, real or simulated. */
export interface OrderDesk {
  about(
    seller: string,
    order: string,
    lines: readonly AskedLine[],
    dueInDays: number,
  ): Promise<{ ok: true; is: "confirmed" | "shipped"; rows: unknown[] } | { ok: false; problem: string }>;
}

/** A line that is asked after: what was ordered and has not come. */
export interface AskedLine {
  line: string;
  code: string;
  count: number;
}

/** One row of an answer as sellers send it: what goes out of a line, and in how many days it is here. */
const AnswerRow = z.strictObject({
  line: z.string().trim().min(1).max(80),
  code: z.string().trim().min(1).max(80),
  count: z.int().min(0).max(10_000_000),
  days: z.int().min(0).max(365),
});

/** What a seller says of one line, held against what was ordered. */
export interface LineAnswer extends AskedLine {
  /** How many go out, of what, and in how many days they are here. */
  sends: number;
  sendsCode: string;
  inDays: number;
  /** The code is another one: wrong before it is even packed. */
  wrong: boolean;
  /** How many fewer than ordered. */
  short: number;
  /** Days later than he said when it was ordered; 0 where it is not later. */
  lateDays: number;
}

export interface OrderAnswer {
  is: "confirmed" | "shipped";
  lines: LineAnswer[];
  /** Lines he says nothing of. */
  silent: string[];
  /** When the last of what goes out is here, days from now; null where nothing does. */
  inDays: number | null;
  /** Rows not taken: which and why. */
  problems: string[];
}

const plain = (code: string): string => code.toUpperCase().replace(/[^A-Z0-9.]/g, "");

/**
 * Reads what a seller answered of an order, row by row, and says where it is not what was ordered. A row that cannot be read is named
 * and left out; a line of which nothing is said is silent, never taken for sent.
 * @param asked lines that did not come yet
 * @param dueInDays days from now by his first word
 * @example readOrderAnswer([{ line: "B-1/1", code: "A1", count: 2 }], 3, "confirmed", [{ line: "B-1/1", code: "A1", count: 1, days: 5 }]).lines[0].short // 1
 */
export function readOrderAnswer(
  asked: readonly AskedLine[],
  dueInDays: number,
  is: "confirmed" | "shipped",
  rows: readonly unknown[],
): OrderAnswer {
  const problems: string[] = [];
  const lines: LineAnswer[] = [];
  for (const [i, raw] of rows.slice(0, 500).entries()) {
    const row = AnswerRow.safeParse(raw);
    if (!row.success) {
      const issue = row.error.issues[0]!;
      problems.push(`Row ${i + 1}${issue.path.length ? `, ${issue.path.join(".")}` : ""}: ${issue.message}`);
      continue;
    }
    const { line, code, count, days } = row.data;
    const of = asked.find((a) => a.line === line);
    if (!of) problems.push(`Row ${i + 1}: this order has no open line "${line}"`);
    else if (lines.some((l) => l.line === line)) problems.push(`Row ${i + 1}: "${line}" is there twice; the first counts`);
    else
      lines.push({
        ...of,
        sends: count,
        sendsCode: code,
        inDays: days,
        wrong: count > 0 && plain(code) !== plain(of.code),
        short: Math.max(0, of.count - count),
        lateDays: count > 0 ? Math.max(0, days - Math.max(0, Math.ceil(dueInDays))) : 0,
      });
  }
  const out = lines.filter((l) => l.sends > 0);
  return {
    is,
    lines,
    silent: asked.filter((a) => !lines.some((l) => l.line === a.line)).map((a) => a.line),
    inDays: out.length ? Math.max(...out.map((l) => l.inDays)) : null,
    problems,
  };
}

/**
 * What stands against an answer, in sentences; none where he sends all of it, as ordered, in time.
 * @example answerTrouble({ is: "confirmed", lines: [], silent: ["B-1/1"], inDays: null, problems: [] })[0] // "Nothing is said of B-1/1."
 */
export function answerTrouble(a: OrderAnswer): string[] {
  const days = (n: number) => (n === 1 ? "1 day" : `${n} days`);
  return [
    ...a.lines.flatMap((l) => [
      ...(l.wrong ? [`${l.sendsCode} goes out for ${l.code}: not what was ordered. Ask before it is packed.`] : []),
      ...(l.short && l.sends === 0 ? [`Nothing of ${l.code} goes out now.`] : []),
      ...(l.short && l.sends > 0 ? [`${l.sends} of ${l.count} ${l.code} go out now, ${l.short} later.`] : []),
      ...(l.lateDays ? [`${l.code} is here in ${days(l.inDays)}: ${days(l.lateDays)} later than he said.`] : []),
    ]),
    ...a.silent.map((line) => `Nothing is said of ${line}.`),
    ...a.problems.map((p) => `Not read: ${p}.`),
  ];
}
