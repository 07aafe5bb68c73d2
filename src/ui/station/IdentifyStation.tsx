"use client";
import Link from "next/link";
import { useMemo, useState } from "react";
import { type LineClass, readLabel } from "@/core/catalogue";
import { panelReading, sameCode } from "@/core/job";
import { readPartCode } from "@/core/panel";
import { Plate } from "../controls/Plate";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { RefusalBox } from "./RefusalBox";

const CLASS_WORDS: Record<LineClass, string> = {
  partCode: "part code",
  serial: "serial",
  date: "date",
  sparePart: "spare-part number",
  machineModel: "machine",
  other: "not read",
};

/** Which panel is fitted: label text typed, pasted or scanned, or the machine's model. */
export function IdentifyStation() {
  const { log, reference, view, offer, jobId } = useBench();
  const [text, setText] = useState("");
  const s = view.state;
  const codes = useMemo(() => reference.panels.map((p) => p.data.code), [reference]);
  const machines = useMemo(() => reference.machines.flatMap((m) => [m.model, ...m.codes]), [reference]);
  const label = useMemo(() => readLabel(text, codes, machines), [text, codes, machines]);
  const reading = panelReading(s);
  const known = label.code ? reference.panels.find((p) => sameCode(p.data.code, label.code!)) : undefined;
  const guess = label.code ? readPartCode(label.code) : null;
  const typedMachine = label.lines.find((l) => l.class === "machineModel");
  const machine = reference.machines.find((m) =>
    typedMachine
      ? [m.model, ...m.codes].some((c) => sameCode(c, typedMachine.text))
      : m.model === s.job?.machineModel || m.codes.some((c) => c === s.job?.serial),
  );
  const byLabel = () => {
    if (!label.code)
      return log.refuse({
        gate: "label",
        reason: text.trim()
          ? `No line reads as a panel code: ${label.lines.map((l) => `"${l.text}" is ${l.class === "other" ? "not known" : `the ${CLASS_WORDS[l.class]}`}`).join("; ") || "nothing read"}. Type the large line on the panel's back.`
          : "Type, paste or scan the label's text first.",
      });
    if (
      log.record({
        type: "identify.panelRead",
        payload: {
          way: "label",
          text: text.trim(),
          code: known?.data.code ?? label.code,
          panelHash: known?.hash ?? null,
          source: "L",
        },
      })
    )
      setText("");
  };
  const byModel = (id: string) => {
    const p = reference.panels.find((x) => x.data.id === id);
    if (p)
      log.record({
        type: "identify.panelRead",
        payload: { way: "model", text: machine?.model ?? "", code: p.data.code, panelHash: p.hash, source: "S" },
      });
  };
  offer({ space: byLabel, scan: (t) => setText((old) => (old.trim() ? `${old.trim()}\n${t}` : t)) });
  return (
    <>
      <h1 className={`step${reading ? " long" : ""}`}>{reading ? reading.code : "Read the panel's label"}</h1>
      {reading && (
        <p className="q">
          {reading.source === "L"
            ? "Read from the label (L)."
            : reading.source === "S"
              ? "By machine model only (S): one model ships with several panels, and this may be another."
              : "Typed."}{" "}
          {reading.panelHash ? "In the catalogue." : "Not in the catalogue: everything but the code is unknown."}{" "}
          <Link className="link" href={`/jobs/${jobId}/match`}>
            Match it next
          </Link>
        </p>
      )}
      <RefusalBox />
      <label className="field">
        <span>Label text, whole or in part</span>
        <textarea
          className="mono"
          value={text}
          maxLength={4000}
          onChange={(e) => setText(e.target.value)}
          placeholder={"GV140FHB-K31\nS/N …"}
          spellCheck={false}
          autoCapitalize="characters"
        />
        <span className="hint">The part code is usually the larger line above the serial and bar code. A scan lands here.</span>
      </label>
      {label.lines.length > 0 && (
        <ul className="rows" aria-label="What each line is">
          {label.lines.map((l, i) => (
            <li key={`${i}-${l.text}`}>
              <b className="mono">{l.text}</b>
              <span className="grow q">{l.reason}</span>
              <em>{CLASS_WORDS[l.class]}</em>
            </li>
          ))}
        </ul>
      )}
      {guess && !known && (
        <div className="look">
          <Mark kind="look" size={26} />
          <div>
            <b>{label.code} is not in the catalogue.</b> Inferred (G), weaker than any label or datasheet: {guess.reason}
          </div>
        </div>
      )}
      {guess && known && <p className="q">Inferred from the code (G): {guess.reason}</p>}
      <Plate
        line1={label.code ? `Take ${known?.data.code ?? label.code}` : "Take the part code"}
        line2={label.code ? "As read from the label (L)." : "Type, paste or scan the label first."}
        onAct={byLabel}
      />
      <h2 className="sec">By machine model</h2>
      {machine && machine.panels.length > 0 ? (
        <ul className="rows">
          {machine.panels.map((id) => {
            const p = reference.panels.find((x) => x.data.id === id);
            return p ? (
              <li key={id} style={{ alignItems: "center" }}>
                <b className="mono">{p.data.code}</b>
                <span className="grow q">seen in {machine.model}</span>
                <button type="button" className="btn quiet" onClick={() => byModel(id)}>
                  Take by model (S)
                </button>
              </li>
            ) : null;
          })}
        </ul>
      ) : (
        <div className="empty">
          <b>No panel on record for {s.job?.machineModel ?? "this machine"}.</b> Open and read the label, or type its code above.
        </div>
      )}
      <p className="keys">
        <span>
          <kbd>Space</kbd>take the code
        </span>
        <span>
          <kbd>Backspace</kbd>take back
        </span>
        <span>
          <kbd>W</kbd>note
        </span>
        <span>
          <kbd>?</kbd>all keys
        </span>
      </p>
    </>
  );
}
