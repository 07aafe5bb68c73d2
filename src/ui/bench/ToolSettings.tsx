"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Said } from "@/client/send";
import { send } from "@/client/send";
import type { ToolStock } from "@/core/teardown";
import { SaidBox } from "../controls/SaidBox";
import { Tick } from "../controls/Tick";
import { ToolWall } from "./ToolWall";

type Sub = ToolStock["substitutes"][number];
const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();

/** What hangs on the wall, and what may stand in for what does not: every plan's kit is told from it. */
export function ToolSettings({ stock, version, asked }: { stock: ToolStock; version: number; asked: string[] }) {
  const router = useRouter();
  const [have, setHave] = useState(stock.have);
  const [subs, setSubs] = useState<Sub[]>(stock.substitutes);
  const [name, setName] = useState("");
  const [at, setAt] = useState(version);
  const [said, setSaid] = useState<Said | null>(null);
  const [busy, setBusy] = useState(false);
  const missing = asked.filter((t) => !have.some((h) => same(h, t)));
  const add = (tool: string) => {
    const t = tool.trim();
    if (!t) return setSaid({ ok: false, words: "Name the tool first." });
    if (have.some((h) => same(h, t))) return setSaid({ ok: false, words: `${t} hangs there already.` });
    setHave([...have, t]);
    setName("");
    setSaid(null);
  };
  const save = async () => {
    const bad = subs.find((s) => !s.for.trim() || !s.use.trim());
    if (bad) return setSaid({ ok: false, words: "A substitute needs both: for which tool, and what is used." });
    setBusy(true);
    const r = await send<{ version: number }>("PUT", "/api/tools", { have, substitutes: subs, version: at });
    setBusy(false);
    if (!r.ok) return setSaid(r.said);
    setAt(r.body.version);
    setSaid({ ok: true, words: "Saved. Kits are told from it from now on." });
    router.refresh();
  };
  const put = (i: number, over: Partial<Sub>) => setSubs(subs.map((s, k) => (k === i ? { ...s, ...over } : s)));
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <h2 className="sec">Tools on the wall</h2>
      <p className="q">
        Dashed: a build asks for it and it is not here. {missing.length === 0 ? "Nothing a build asks for is missing." : ""}
      </p>
      <ToolWall have={have} missing={missing} onGone={(t) => setHave(have.filter((x) => x !== t))} onHang={add} />
      <div className="flex items-end gap-2">
        <label className="field grow">
          <span>Another tool</span>
          <input value={name} maxLength={60} list="asked" placeholder="6-lobe T3" onChange={(e) => setName(e.target.value)} />
          <datalist id="asked">
            {missing.map((t) => (
              <option key={t} value={t} />
            ))}
          </datalist>
        </label>
        <button type="button" className="btn" onClick={() => add(name)}>
          Hang it up
        </button>
      </div>
      <h3 className="font-bold">What may stand in</h3>
      {subs.map((s, i) => (
        <div key={i} className="flex flex-wrap items-end gap-2 border-b border-hair pb-2">
          <label className="field grow">
            <span>For</span>
            <input className="cell" value={s.for} maxLength={60} onChange={(e) => put(i, { for: e.target.value })} />
          </label>
          <label className="field grow">
            <span>Use</span>
            <input className="cell" value={s.use} maxLength={60} onChange={(e) => put(i, { use: e.target.value })} />
          </label>
          <label className="field grow" style={{ flexBasis: 220 }}>
            <span>To mind</span>
            <input className="cell" value={s.note} maxLength={160} onChange={(e) => put(i, { note: e.target.value })} />
          </label>
          <label className="flex min-h-9 items-center gap-2">
            <Tick on={s.have} onPut={(have) => put(i, { have })} />
            here
          </label>
          <button type="button" className="link min-h-9" onClick={() => setSubs(subs.filter((_, k) => k !== i))}>
            take away
          </button>
        </div>
      ))}
      <SaidBox said={said} />
      <div className="flex gap-3">
        <button
          type="button"
          className="btn quiet"
          onClick={() => setSubs([...subs, { for: "", use: "", have: true, note: "" }])}
        >
          Another substitute
        </button>
        <button type="submit" className="btn" disabled={busy}>
          Save the tools
        </button>
      </div>
    </form>
  );
}
