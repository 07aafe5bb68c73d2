"use client";
import { zodResolver } from "@hookform/resolvers/zod";
import { useForm } from "react-hook-form";
import { z } from "zod";
import { HEADS } from "@/core/build";
import type { ShopOrder } from "@/core/job";
import { readNumber } from "@/core/quantity";
import { type ItemKind, itemName, LOT_STATES, LOT_TESTS, readItem, readScrew, readTape, screwItem, tapeItem } from "@/core/stock";
import { Choose } from "../controls/Choose";
import type { StockHandle } from "./useStock";
import { STATE_WORDS, TEST_WORDS } from "./words";

const KINDS: readonly (readonly [ItemKind, string])[] = [
  ["panel", "A panel"],
  ["tape", "A roll of tape"],
  ["screw", "Screws of a type"],
  ["part", "A part: cover, cable, bracket, tabs"],
  ["film", "Film, cloth, wipes, foam"],
  ["tool", "A tool: bit, blade, pick"],
  ["donor", "A donor: dead lid or machine"],
];

const number = (least: number, most: number, unit: string) =>
  z.string().refine((t) => {
    const n = readNumber(t);
    return n !== null && n >= least && n <= most;
  }, `a number of ${least} to ${most}${unit}`);
const Form = z
  .object({
    kind: z.enum(["panel", "tape", "screw", "part", "film", "tool", "donor"]),
    what: z.string().trim().max(70),
    width: z.string(),
    thickness: z.string(),
    length: z.string(),
    head: z.string(),
    count: z.string(),
    lot: z.string().trim().min(1, "its label, or a name of your own").max(80),
    place: z.string().trim().max(80),
    state: z.string(),
    test: z.enum(LOT_TESTS),
    expires: z.string().trim().max(10),
    price: z.string().trim(),
    seller: z.string().trim().max(80),
  })
  .superRefine((f, ctx) => {
    const ask = (path: string, shape: z.ZodType) => {
      const r = shape.safeParse(f[path as keyof typeof f]);
      if (!r.success) ctx.addIssue({ code: "custom", path: [path], message: r.error.issues[0]!.message });
    };
    if (f.kind === "tape") {
      ask("width", number(0.5, 60, " mm"));
      ask("thickness", number(0.02, 3, " mm"));
      ask("count", number(0.05, 500, " m"));
    } else ask("count", number(1, 100_000, " pieces"));
    if (f.kind === "screw") {
      ask("length", number(0.8, 40, " mm"));
      if (!/^M\d+(\.\d+)?$/.test(f.what)) ctx.addIssue({ code: "custom", path: ["what"], message: "a thread, as M2 or M1.6" });
    } else if (f.kind !== "tape" && f.what.length < 1) ctx.addIssue({ code: "custom", path: ["what"], message: "what it is" });
    if (f.expires && !/^\d{4}-\d{2}(-\d{2})?$/.test(f.expires))
      ctx.addIssue({ code: "custom", path: ["expires"], message: "a month or day, as 2027-05" });
    if (f.price) ask("price", number(0, 100_000, ""));
  });
type Form = z.infer<typeof Form>;

const itemOf = (f: Form): string =>
  f.kind === "tape"
    ? tapeItem(readNumber(f.width)!, readNumber(f.thickness)!)
    : f.kind === "screw"
      ? screwItem({ thread: f.what, lengthMm: readNumber(f.length)!, head: f.head })
      : itemName(f.kind, f.what);

/** What the form begins with: an order's line, a scanned label, or nothing. */
export interface CameInStart {
  line: ShopOrder["lines"][number] | null;
  seller: string;
  label: string;
  item: string | null;
}
function startOf(s: CameInStart): Form {
  const item = s.line?.item ?? s.item;
  const read = item ? readItem(item) : null;
  const tape = item ? readTape(item) : null;
  const screw = item ? readScrew(item) : null;
  const left = s.line ? s.line.count - s.line.came : null;
  return {
    kind: read?.kind ?? "panel",
    what: tape ? "" : screw ? screw.thread : (read?.what ?? ""),
    width: tape ? String(tape.widthMm) : "",
    thickness: tape ? String(tape.thicknessMm) : "",
    length: screw ? String(screw.lengthMm) : "",
    head: screw?.head ?? "pan",
    count: left === null ? (tape ? "" : "1") : String(tape ? left / 1000 : left),
    lot: s.label,
    place: "",
    state: "new",
    test: "notTested",
    expires: "",
    price: s.line ? String(s.line.priceMinor / 100 / (tape ? s.line.count / 1000 : s.line.count)) : "",
    seller: s.seller,
  };
}

/** Something came in: what it is, how much, where it lies. One lot, by its own label. */
export function CameIn({ stock, start, onDone }: { stock: StockHandle; start: CameInStart; onDone: (words: string) => void }) {
  const { register, handleSubmit, watch, setValue, setError, formState } = useForm<Form>({
    resolver: zodResolver(Form),
    defaultValues: startOf(start),
  });
  const [kind, state, test, head] = watch(["kind", "state", "test", "head"]);
  const errors = formState.errors;
  const save = (f: Form) => {
    const n = readNumber(f.count)!;
    const price = f.price ? readNumber(f.price) : null;
    const item = itemOf(f);
    const ok = stock.log.record({
      type: "stock.received",
      payload: {
        item,
        lot: f.lot,
        count: Math.max(1, Math.round(f.kind === "tape" ? n * 1000 : n)),
        place: f.place,
        state: f.state,
        ...(f.kind === "panel" ? { test: f.test } : {}),
        ...(f.expires ? { expires: f.expires.length === 7 ? `${f.expires}-28` : f.expires } : {}),
        ...(price === null ? {} : { priceMinor: Math.round(price * 100) }),
        ...(f.seller ? { seller: f.seller } : {}),
        ...(start.line ? { orderLine: start.line.line } : {}),
        ...(start.line?.job ? { job: start.line.job } : {}),
      },
    });
    if (!ok) return setError("lot", { message: "Not recorded: see below." });
    // What was ordered for a job is kept for it from now on.
    if (start.line?.job)
      stock.log.record({
        type: "stock.reserved",
        payload: { item, count: Math.max(1, Math.round(f.kind === "tape" ? n * 1000 : n)), job: start.line.job },
      });
    onDone(`${f.lot} is on record${start.line?.job ? `, kept for ${start.line.job}` : ""}.`);
  };
  const field = (k: keyof Form, label: string, more: { mode?: "decimal"; width?: number } = {}) => (
    <label className="field" style={more.width ? { width: more.width } : undefined}>
      <span>{label}</span>
      <input {...register(k)} autoComplete="off" inputMode={more.mode} maxLength={80} aria-invalid={!!errors[k]} />
      {errors[k] && <span className="wrong">{errors[k].message}</span>}
    </label>
  );
  return (
    <form className="flex flex-col gap-3" onSubmit={handleSubmit(save)} noValidate>
      <div className="field">
        <span>What came</span>
        <Choose value={kind} options={KINDS} onValue={(v) => setValue("kind", v)} label="What came" />
      </div>
      {kind === "tape" ? (
        <div className="grid grid-cols-3 gap-3">
          {field("width", "Width, mm", { mode: "decimal" })}
          {field("thickness", "Thickness, mm", { mode: "decimal" })}
          {field("count", "Length, m", { mode: "decimal" })}
        </div>
      ) : (
        <div className="grid grid-cols-3 gap-3">
          {field("what", kind === "panel" ? "Panel code" : kind === "screw" ? "Thread" : "What it is")}
          {kind === "screw" && field("length", "Length, mm", { mode: "decimal" })}
          {kind === "screw" && (
            <div className="field">
              <span>Head</span>
              <Choose
                value={head}
                options={HEADS.map((h) => [h, h] as const)}
                onValue={(v) => setValue("head", v)}
                label="Head"
              />
            </div>
          )}
          {field("count", "Pieces", { mode: "decimal" })}
        </div>
      )}
      <div className="grid grid-cols-2 gap-3">
        {field("lot", "Its label: scan it, or name it")}
        {field("place", "Where it lies")}
        {kind === "panel" && (
          <div className="field">
            <span>State</span>
            <Choose
              value={state}
              options={LOT_STATES.map((v) => [v, STATE_WORDS[v]!] as const)}
              onValue={(v) => setValue("state", v)}
              label="State"
            />
          </div>
        )}
        {kind === "panel" && (
          <div className="field">
            <span>Tried</span>
            <Choose
              value={test}
              options={LOT_TESTS.map((v) => [v, TEST_WORDS[v]!] as const)}
              onValue={(v) => setValue("test", v)}
              label="Tried"
            />
          </div>
        )}
        {(kind === "tape" || kind === "film") && field("expires", "Good until, as 2027-05")}
        {field("price", kind === "tape" ? "Price of a metre" : "Price of one", { mode: "decimal" })}
        {field("seller", "From whom")}
      </div>
      {stock.log.refusal && (
        <p className="wrong" role="alert">
          {stock.log.refusal.reason}
        </p>
      )}
      <button type="submit" className="btn self-start">
        Put it on record
      </button>
    </form>
  );
}
