"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useEffect, useMemo, useState } from "react";
import { differenceWords, type Hit, type LineClass, readLabel } from "@/core/catalogue";
import { panelReading, sameCode } from "@/core/job";
import { readPartCode } from "@/core/panel";
import { Plate } from "../controls/Plate";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { useCatalogue } from "../job/useCatalogue";
import { EdidReader } from "./EdidReader";
import { RefusalBox } from "./RefusalBox";
import { WayChoice } from "./WayChoice";

const CLASS_WORDS: Record<LineClass, string> = {
  partCode: "part code",
  serial: "serial",
  date: "date",
  sparePart: "spare-part number",
  machineModel: "machine",
  other: "not read",
};
const SOURCE_SENTENCE: Record<string, string> = {
  L: "Read from the label (L).",
  E: "Read from the EDID (E): tabs, finish and the connector's side are not in it.",
  S: "By machine model only (S): one model ships with several panels, and this may be another.",
  G: "Guessed.",
};

/** Which panel is fitted: by its label, its EDID or the machine's model; what each costs here and leaves open. */
export function IdentifyStation() {
  const { log, reference, view, offer, jobId } = useBench();
  const router = useRouter();
  const catalogue = useCatalogue();
  const [text, setText] = useState("");
  const [picked, setPicked] = useState<string | null>(null);
  const [hits, setHits] = useState<readonly Hit[]>([]);
  const s = view.state;
  const codes = useMemo(() => reference.panels.map((p) => p.data.code), [reference]);
  const machines = useMemo(() => reference.machines.flatMap((m) => [m.model, ...m.codes]), [reference]);
  const label = useMemo(() => readLabel(text, codes, machines), [text, codes, machines]);
  const reading = panelReading(s);
  const typedMachine = label.lines.find((l) => l.class === "machineModel");
  const machine = reference.machines.find((m) =>
    typedMachine
      ? [m.model, ...m.codes].some((c) => sameCode(c, typedMachine.text))
      : m.model === s.job?.machineModel || m.codes.some((c) => c === s.job?.serial),
  );
  // The line that names the panel, else the one that looks most like it: a serial is never taken for one.
  const line =
    picked ?? label.code ?? label.lines.find((l) => l.class === "other" && /\d/.test(l.text) && l.text.length >= 6)?.text ?? null;
  useEffect(() => {
    if (!line || !catalogue.size) return setHits([]);
    let gone = false;
    void catalogue.search(line, 5).then((h) => {
      if (!gone) setHits(h);
    });
    return () => {
      gone = true;
    };
  }, [line, catalogue.search, catalogue.size]);
  const exact = hits.find((h) => h.cost === 0);
  // A machine in hand breaks ties; luck never does.
  const best = hits.filter((h) => h.cost === hits[0]?.cost);
  const here = best.filter((h) => reference.panels.some((p) => p.data.code === h.code && machine?.panels.includes(p.data.id)));
  const lone = exact ?? (best.length === 1 ? best[0] : here.length === 1 ? here[0] : undefined);
  const guess = line && hits.length === 0 ? readPartCode(line) : null;
  const take = (code: string, source: "L" | "E", readText: string) => {
    const ok = log.record({
      type: "identify.panelRead",
      payload: {
        way: source === "L" ? "label" : "edid",
        text: readText.slice(0, 4000),
        code,
        panelHash: reference.panels.find((p) => p.data.code === code)?.hash ?? catalogue.hashOf(code),
        source,
      },
    });
    if (ok) {
      setText("");
      setPicked(null);
    }
  };
  const byLabel = () => {
    if (lone) return take(lone.code, "L", text.trim());
    if (hits.length > 1)
      return log.refuse({
        gate: "label",
        reason: `${best.length} codes are equally near: ${best.map((h) => h.code).join(", ")}. Pick the one on the label; look at the end of the code.`,
      });
    if (label.code) return take(label.code, "L", text.trim());
    log.refuse({
      gate: "label",
      reason: text.trim()
        ? `No line reads as a panel code: ${label.lines.map((l) => `"${l.text}" is ${l.class === "other" ? "not known" : `the ${CLASS_WORDS[l.class]}`}`).join("; ") || "nothing read"}. Type the large line on the panel's back.`
        : "Type, paste or scan the label's text first.",
    });
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
  const target = lone?.code ?? (hits.length === 0 ? label.code : null);
  return (
    <>
      <h1 className={`step${reading ? " long" : ""}`}>{reading ? reading.code : "Which panel is fitted?"}</h1>
      {reading && (
        <p className="q">
          {SOURCE_SENTENCE[reading.source]}{" "}
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
          rows={2}
          value={text}
          maxLength={4000}
          onChange={(e) => {
            setText(e.target.value);
            setPicked(null);
          }}
          placeholder={"GV140FHB-K31\nS/N …"}
          spellCheck={false}
          autoCapitalize="characters"
        />
        <span className="hint">The part code is usually the larger line above the serial and bar code. A scan lands here.</span>
      </label>
      {text.trim() && (
        <Plate
          line1={target ? `Take ${target}` : hits.length > 1 ? "Pick one of the equals" : "Take the part code"}
          line2={
            lone && lone.cost > 0
              ? `${lone.differences.map(differenceWords).join(", ")}.`
              : lone
                ? "As read from the label (L), in the catalogue."
                : target
                  ? "Not in the catalogue; as read (L)."
                  : hits.length > 1
                    ? "Equally near: the end of the code tells them apart."
                    : "No line reads as a panel code."
          }
          onAct={byLabel}
        />
      )}
      {hits.length > 0 && !exact && (
        <ul className="rows" aria-label="Nearest in the catalogue">
          {hits.map((h) => (
            <li key={h.code} style={{ alignItems: "center" }}>
              <b className="mono">{h.code}</b>
              <span className="grow q">{h.differences.map(differenceWords).join(", ")}</span>
              <em className="mono">{h.cost.toFixed(2)}</em>
              <button
                type="button"
                className="btn quiet"
                aria-label={`Take ${h.code}`}
                onClick={() => take(h.code, "L", text.trim())}
              >
                Take
              </button>
            </li>
          ))}
        </ul>
      )}
      {!reading && (
        <WayChoice
          machine={machine ?? null}
          onFollow={(w, usual) => {
            if (w === "model" && usual) byModel(usual);
            else if (w === "label") router.push(`/jobs/${jobId}/plan`);
            else document.querySelector<HTMLElement>("[data-edid]")?.focus();
          }}
        />
      )}
      {label.lines.length > 0 && (
        <ul className="rows" aria-label="What each line is">
          {label.lines.map((l, i) => (
            <li key={`${i}-${l.text}`} style={{ alignItems: "center" }}>
              <b className="mono">{l.text}</b>
              <span className="grow q">
                {picked === l.text && l.class !== "partCode" ? `${l.reason} Taken as the code all the same?` : l.reason}
              </span>
              <em>{CLASS_WORDS[l.class]}</em>
              {l.class !== "partCode" && l.class !== "machineModel" && (
                <button
                  type="button"
                  className="btn quiet"
                  aria-label={`${l.text} is the code`}
                  onClick={() =>
                    l.class === "serial" || l.class === "date" || l.class === "sparePart"
                      ? log.refuse({
                          gate: "label",
                          reason: `"${l.text}" is the ${CLASS_WORDS[l.class]}. ${l.reason} The part code stands larger, above or beside the bar code.`,
                        })
                      : setPicked(l.text)
                  }
                >
                  The code?
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
      {guess && label.code && (
        <div className="look">
          <Mark kind="look" size={26} />
          <div>
            <b>{label.code} is not in the catalogue, and nothing near it.</b> Inferred (G), weaker than any label or datasheet:{" "}
            {guess.reason}
          </div>
        </div>
      )}
      <EdidReader catalogue={catalogue} onTake={(code, dump) => take(code, "E", dump)} />
      <h2 className="sec">By machine model</h2>
      {machine && machine.panels.length > 0 ? (
        <ul className="rows">
          {machine.panels.map((id) => {
            const p = reference.panels.find((x) => x.data.id === id);
            return p ? (
              <li key={id} style={{ alignItems: "center" }}>
                <b className="mono">{p.data.code}</b>
                <span className="grow q">
                  seen {machine.seen?.[id] ?? 1} times in {machine.model}
                </span>
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
