"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { type Said, send } from "@/client/send";
import { hoursText, readHours, type ShopHours } from "@/core/promise";
import { readNumber, sureWords } from "@/core/quantity";
import { Choose } from "../controls/Choose";
import { SaidBox } from "../controls/SaidBox";

const DAYS = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];
const SHORT = "Mon Tue Wed Thu Fri Sat Sun";

/** Bench hours, hand-over, the carrier, holidays: what a promised date goes by. */
export function HoursSettings({ hours, weekStart }: { hours: ShopHours; weekStart: number }) {
  const router = useRouter();
  const short = SHORT.split(" ");
  const [bench, setBench] = useState(hours.bench.map(hoursText));
  const [f, setF] = useState({
    handover: hoursText([hours.handover]),
    call: hoursText([[hours.deliveryAtMin, hours.deliveryAtMin]]).split("-")[0]!,
    callDays: hours.deliveryDays.map((d) => short[d]).join(" "),
    holidays: hours.holidays.join(", "),
    evenings: hours.evenings.map((e) => `${e.day} ${hoursText([[0, e.untilMin]]).split("-")[1]}`).join(", "),
    benches: String(hours.benches),
    lend: String(hours.lend),
    dwell: String(hours.glassDwellMin / 60),
    wrong: String(Math.round(hours.wrongChance * 100)),
  });
  const [sure, setSure] = useState<ShopHours["sure"]>(hours.sure);
  const [said, setSaid] = useState<Said | null>(null);
  const save = async () => {
    const no = (words: string) => setSaid({ ok: false, words });
    const read = bench.map(readHours);
    const bad = read.indexOf(null);
    if (bad >= 0) return no(`${DAYS[bad]}: "${bench[bad]}" cannot be read. Write 9:00-12:30, 13:15-17:00, or leave it empty.`);
    const handover = readHours(f.handover);
    if (handover?.length !== 1) return no(`Hand-over: "${f.handover}" cannot be read. Write 10:00-17:00.`);
    const call = /^\s*(\d{1,2})(?:[:.](\d{2}))?\s*$/.exec(f.call);
    if (!call) return no(`The carrier's call: "${f.call}" is no time.`);
    const evenings = f.evenings
      .split(/[,;]/)
      .map((t) => t.trim())
      .filter(Boolean)
      .map((t) => ({ t, m: /^(\d{4}-\d{2}-\d{2})\s+(?:until\s+)?(\d{1,2})(?:[:.](\d{2}))?$/.exec(t) }));
    const odd = evenings.find((e) => !e.m);
    if (odd) return no(`Longer evenings: "${odd.t}" cannot be read. Write 2026-12-02 21:00.`);
    const days = f.callDays.split(/[\s,]+/).filter(Boolean);
    const unknown = days.find((d) => !short.some((s) => d.toLowerCase().startsWith(s.toLowerCase())));
    if (unknown) return no(`The carrier's days: "${unknown}" is no weekday.`);
    const [benches, lend, dwell, wrong] = [f.benches, f.lend, f.dwell, f.wrong].map(readNumber);
    if (!Number.isInteger(benches) || !Number.isInteger(lend) || dwell === null || wrong === null)
      return no("Benches, machines to lend, dwell and wrong parts are numbers.");
    const r = await send<ShopHours>("PUT", "/api/hours", {
      bench: read,
      handover: handover[0],
      deliveryAtMin: Number(call[1]) * 60 + Number(call[2] ?? 0),
      deliveryDays: short.flatMap((s, i) => (days.some((d) => d.toLowerCase().startsWith(s.toLowerCase())) ? [i] : [])),
      holidays: f.holidays.split(/[\s,]+/).filter(Boolean),
      evenings: evenings.map(({ m }) => ({ day: m![1]!, untilMin: Number(m![2]) * 60 + Number(m![3] ?? 0) })),
      benches,
      lend,
      glassDwellMin: Math.round(dwell! * 60),
      wrongChance: wrong! / 100,
      sure,
      costs: hours.costs,
    });
    if (!r.ok) return setSaid(r.said);
    setSaid({ ok: true, words: "Kept. Dates on the bench follow." });
    router.refresh();
  };
  const field = (k: keyof typeof f, label: string, max = 200) => (
    <label className="field">
      <span>{label}</span>
      <input value={f[k]} maxLength={max} autoComplete="off" onChange={(e) => setF({ ...f, [k]: e.target.value })} />
    </label>
  );
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <h2 className="sec">When the shop works</h2>
      <p className="q">Promised dates go by these: bench hours, when machines are handed over, when parcels come.</p>
      <div className="grid grid-cols-2 gap-3">
        {DAYS.map((_, k) => (k + weekStart) % 7).map((i) => (
          <label key={i} className="field">
            <span>{DAYS[i]}</span>
            <input
              value={bench[i]}
              placeholder="closed"
              maxLength={60}
              autoComplete="off"
              onChange={(e) => setBench(bench.map((b, k) => (k === i ? e.target.value : b)))}
            />
          </label>
        ))}
        {field("handover", "Hand-over, on working days", 20)}
        {field("call", "The carrier calls at", 8)}
        {field("callDays", "The carrier's days", 40)}
        {field("benches", "Benches", 2)}
        {field("lend", "Machines to lend", 2)}
        {field("dwell", "Taped glass lies before hand-over, h", 5)}
        {field("wrong", "Wrong part comes, %", 4)}
        <label className="field">
          <span>What is promised holds</span>
          <Choose
            value={String(sure)}
            options={([0.8, 0.9] as const).map((s) => [String(s), sureWords(s)] as const)}
            onValue={(s) => setSure(s === "0.9" ? 0.9 : 0.8)}
          />
        </label>
      </div>
      {field("evenings", "Longer evenings, as 2026-12-02 21:00", 2400)}
      {field("holidays", "Holidays, as 2026-12-25, 2026-12-26", 1200)}
      <SaidBox said={said} />
      <button type="submit" className="btn self-start">
        Save the hours
      </button>
    </form>
  );
}
