"use client";
import { useEffect, useMemo, useState } from "react";
import type { NamedHit } from "@/client/catalogue";
import { differenceWords } from "@/core/catalogue";
import { lineToRead, loneOf, type Nearest, nearestOf, readLabel } from "@/core/identify";
import { panelReading, sameCode } from "@/core/job";
import { readPartCode } from "@/core/panel";
import { KeysLine } from "../controls/KeysLine";
import { PhotoField, usePhoto } from "../controls/PhotoField";
import { Plate } from "../controls/Plate";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { StationLink } from "../job/StationLink";
import { useCatalogue } from "../job/useCatalogue";
import { useOpenForLabel } from "./AimBox";
import { EdidReader } from "./EdidReader";
import { LabelField } from "./LabelField";
import { CLASS_WORDS, LabelLines } from "./LabelLines";
import { MachinesNamed } from "./MachinesNamed";
import { RefusalBox } from "./RefusalBox";
import { WayChoice } from "./WayChoice";

const SOURCE_SENTENCE: Record<string, string> = {
  L: "Read from the label (L).",
  E: "Read from the EDID (E): tabs, finish and the connector's side are not in it.",
  S: "By machine model or spare-part number only (S): several panels go by either, and this may be another.",
  G: "Guessed.",
};

/** Which panel is fitted: by its label, its EDID or the machine's model; what each costs here and leaves open. */
export function IdentifyStation() {
  const { log, reference, view, setKeys } = useBench();
  const openForLabel = useOpenForLabel();
  const catalogue = useCatalogue();
  const [text, setText] = useState("");
  const [picked, setPicked] = useState<string | null>(null);
  const photo = usePhoto();
  const [named, setNamed] = useState<readonly NamedHit[]>([]);
  const s = view.state;
  const codes = useMemo(() => reference.panels.map((p) => p.data.code), [reference]);
  const machines = useMemo(() => reference.machines.flatMap((m) => [m.model, ...m.codes]), [reference]);
  const spares = useMemo(
    () => new Map(reference.panels.flatMap((p) => (p.data.otherNames ?? []).map((n) => [n.text, p.data.code] as const))),
    [reference],
  );
  const label = useMemo(() => readLabel(text, codes, machines, undefined, spares), [text, codes, machines, spares]);
  const reading = panelReading(s);
  const typedMachine = label.lines.find((l) => l.class === "machineModel");
  const machine = reference.machines.find((m) =>
    typedMachine
      ? [m.model, ...m.codes].some((c) => sameCode(c, typedMachine.text))
      : m.model === s.job?.machineModel || m.codes.some((c) => c === s.job?.serial),
  );
  const line = picked ?? lineToRead(label);
  useEffect(() => {
    if (!line || !catalogue.size) return setNamed([]);
    let gone = false;
    void catalogue.search(line, 6).then((h) => {
      if (!gone) setNamed(h);
    });
    return () => {
      gone = true;
    };
  }, [line, catalogue.search, catalogue.size]);
  const hits = useMemo(() => nearestOf(named), [named]);
  const nearMachines = named.flatMap((h) => h.names.filter((n) => n.kind === "machine" && n.machine !== machine?.model));
  const seenHere = (code: string) =>
    reference.panels.some((p) => p.data.code === code && (machine?.panels.includes(p.data.id) ?? false));
  const { lone, exact, best } = loneOf(hits, seenHere);
  const guess = line && hits.length === 0 ? readPartCode(line) : null;
  const take = async (code: string, source: "L" | "E" | "S", readText: string) => {
    const ok = await photo.record((p) =>
      log.record({
        type: "identify.panelRead",
        payload: {
          way: source === "E" ? "edid" : "label",
          text: readText.slice(0, 4000),
          code,
          panelHash: reference.panels.find((x) => x.data.code === code)?.hash ?? catalogue.hashOf(code),
          source,
          ...p,
        },
      }),
    );
    if (ok) {
      setText("");
      setPicked(null);
    }
  };
  // A spare-part number may cover several panels: it is the shop's record that names this one, not the label.
  const takeNear = (n: Nearest) => take(n.code, n.by ? "S" : "L", text.trim());
  const byLabel = () => {
    if (lone) return takeNear(lone);
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
    const here = reference.panels.find((x) => x.data.id === id);
    const p = here
      ? { code: here.data.code, hash: here.hash }
      : named
          .flatMap((h) => h.names)
          .flatMap((n) => n.panels)
          .find((x) => x.id === id);
    if (p)
      log.record({
        type: "identify.panelRead",
        payload: { way: "model", text: machine?.model ?? p.code, code: p.code, panelHash: p.hash, source: "S" },
      });
  };
  setKeys({ space: byLabel, enter: byLabel, scan: (t) => setText((old) => (old.trim() ? `${old.trim()}\n${t}` : t)) });
  const target = lone?.code ?? (hits.length === 0 ? label.code : null);
  return (
    <>
      <h1 className={`step${reading ? " long" : ""}`}>{reading ? reading.code : "Which panel is fitted?"}</h1>
      {reading && (
        <p className="q">
          {SOURCE_SENTENCE[reading.source]}{" "}
          {reading.panelHash ? "In the catalogue." : "Not in the catalogue: everything but the code is unknown."}{" "}
          {reading.photo && (
            <a className="link" href={`/api/blobs/${reading.photo.hash}`} target="_blank" rel="noreferrer">
              Photo of its label
            </a>
          )}{" "}
          <StationLink className="link" to="match">
            Match it next
          </StationLink>
        </p>
      )}
      <RefusalBox />
      <LabelField
        text={text}
        onText={(t) => {
          setText(t);
          setPicked(null);
        }}
        onEnter={target ? byLabel : null}
      />
      {text.trim() && <PhotoField photo={photo} label="Photo of the label, kept beside its text" />}
      {text.trim() && (
        <Plate
          keyCap="Enter"
          line1={target ? `Take ${target}` : hits.length > 1 ? "Pick one of the equals" : "Take the part code"}
          line2={
            lone?.by
              ? `By ${lone.by}, another number of it (S): it may cover more panels than this one.`
              : lone && lone.cost > 0
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
              <span className="grow q">
                {h.by && `by ${h.by}${h.shared ? ", which several panels go by" : ", another number of it"}. `}
                {h.differences.map(differenceWords).join(", ")}
              </span>
              <em className="mono">{h.cost.toFixed(2)}</em>
              <button type="button" className="btn quiet" aria-label={`Take ${h.code}`} onClick={() => takeNear(h)}>
                Take
              </button>
            </li>
          ))}
        </ul>
      )}
      <MachinesNamed machines={nearMachines} onTake={byModel} />
      {!reading && (
        <WayChoice
          machine={machine ?? null}
          onFollow={(w, usual) => {
            if (w === "model" && usual) byModel(usual);
            else if (w === "label") openForLabel();
            else document.querySelector<HTMLElement>("[data-edid]")?.focus();
          }}
        />
      )}
      {label.lines.length > 0 && <LabelLines lines={label.lines} picked={picked} onPick={setPicked} />}
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
      <KeysLine
        keys={[
          ["Enter", "take the code"],
          ["Backspace", "take back"],
          ["W", "note, photo"],
          ["J", "the job"],
          ["?", "all keys"],
        ]}
      />
    </>
  );
}
