"use client";
import { useState } from "react";
import type { NamedHit } from "@/client/catalogue";
import type { Hit } from "@/core/catalogue";
import { differenceWords } from "@/core/catalogue";
import { decodeEdid, type Edid, readEdidText } from "@/core/edid";
import { edidTexts, nearestHits } from "@/core/identify";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import type { CatalogueHandle } from "../job/useCatalogue";

type State =
  | { kind: "idle" | "busy" }
  | { kind: "wrong"; words: string; silent?: boolean }
  | { kind: "read"; edid: Edid; hits: Hit[]; dump: string };

const hexOf = (b: Uint8Array) => [...b].map((x) => x.toString(16).padStart(2, "0")).join("");

/** Reads an EDID from the machine's port, a file or pasted text, and finds the panel it names. */
export function EdidReader({ catalogue, onTake }: { catalogue: CatalogueHandle; onTake: (code: string, dump: string) => void }) {
  const { jobId, log, reference, view } = useBench();
  const table = reference.triage;
  const known = view.state.triage.findings.edidMissing;
  const [text, setText] = useState("");
  const [state, setState] = useState<State>({ kind: "idle" });
  const show = async (bytes: Uint8Array) => {
    const edid = decodeEdid(bytes);
    const found: NamedHit[][] = [];
    for (const text of edidTexts(edid))
      found.push((await catalogue.search(text, 4)).filter((h) => h.names.some((n) => n.kind === "code")));
    setState({ kind: "read", edid, hits: nearestHits(found, 5), dump: hexOf(bytes) });
  };
  const fromText = async (t: string) => {
    const r = readEdidText(t);
    if (!r.ok) return setState({ kind: "wrong", words: r.problem });
    await show(r.found[0]!.bytes);
  };
  const fromFile = async (file: File | undefined) => {
    if (!file) return;
    if (file.size > 2_000_000)
      return setState({
        kind: "wrong",
        words: `${file.name} is ${Math.round(file.size / 1e6)} MB; an EDID dump has 2 MB at most.`,
      });
    const bytes = new Uint8Array(await file.arrayBuffer());
    if (bytes[0] === 0 && bytes[1] === 0xff) await show(bytes);
    else await fromText(new TextDecoder().decode(bytes));
  };
  const fromPort = async () => {
    setState({ kind: "busy" });
    const res = await fetch("/api/edid", {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ jobId }),
    }).catch(() => null);
    const body = await res?.json().catch(() => null);
    if (!res?.ok)
      return setState({
        kind: "wrong",
        words: body?.problem ?? "The port was not reached. Paste a dump, or drop its file.",
        // The machine answered and its panel did not: that is a finding, not a fault of the network.
        silent: res?.status === 503,
      });
    await fromText(body.hex);
  };
  return (
    <section className="flex flex-col gap-2">
      <h2 className="sec">By EDID</h2>
      <div className="flex flex-wrap items-end gap-2">
        <button type="button" className="btn" data-edid disabled={state.kind === "busy"} onClick={() => void fromPort()}>
          {state.kind === "busy" ? "Reading the EDID" : "Read the machine's EDID"}
        </button>
        <label className="field grow">
          <span className="vh">EDID file</span>
          <input type="file" aria-label="EDID file" onChange={(e) => void fromFile(e.target.files?.[0])} />
        </label>
      </div>
      <label className="field">
        <span>Or a dump, pasted</span>
        <textarea
          className="mono"
          rows={1}
          value={text}
          maxLength={200_000}
          spellCheck={false}
          onChange={(e) => setText(e.target.value)}
          placeholder="00 ff ff ff ff ff ff 00 …"
        />
      </label>
      {text.trim() && (
        <button type="button" className="btn self-start" onClick={() => void fromText(text)}>
          Read the dump
        </button>
      )}
      {state.kind === "wrong" && (
        <div className="refusal" role="alert">
          <Mark kind="stop" size={24} />
          <div className="flex flex-col items-start gap-2">
            <p>{state.words}</p>
            {state.silent && table && (
              <button
                type="button"
                className="btn quiet"
                disabled={known === "yes"}
                onClick={() =>
                  log.record({
                    type: "triage.testDone",
                    payload: { finding: "edidMissing", outcome: "yes", tableHash: table.hash },
                  })
                }
              >
                {known === "yes" ? "Recorded as a finding in Triage" : "Record it as a finding in Triage"}
              </button>
            )}
          </div>
        </div>
      )}
      {state.kind === "read" && <Read edid={state.edid} hits={state.hits} onTake={(code) => onTake(code, state.dump)} />}
    </section>
  );
}

function Read({ edid: e, hits, onTake }: { edid: Edid; hits: readonly Hit[]; onTake: (code: string) => void }) {
  const t = e.detailedTimings[0];
  const facts: [string, string][] = [
    ["Maker", e.manufacturerId ?? "not given"],
    ["Product", e.productCode === null ? "not given" : `0x${e.productCode.toString(16).padStart(4, "0")}`],
    ["Made", e.year === null ? "not given" : `${e.week ? `week ${e.week}, ` : ""}${e.year}${e.modelYear ? " (model)" : ""}`],
    [
      "First mode",
      t
        ? `${t.hActive} × ${t.vActive} at ${t.refreshHz?.toFixed(2) ?? "?"} Hz, ${(t.pixelClockKHz / 1000).toFixed(2)} MHz`
        : "none",
    ],
    [
      "Picture",
      t?.widthMm && t.heightMm ? `${t.widthMm} × ${t.heightMm} mm` : e.widthCm ? `${e.widthCm} × ${e.heightCm} cm` : "not given",
    ],
    ["Bits per colour", e.bitsPerColor === null ? "not given" : String(e.bitsPerColor)],
  ];
  return (
    <div aria-label="EDID read" role="group">
      <ul className="rows">
        {facts.map(([name, value]) => (
          <li key={name}>
            <span style={{ width: 130 }}>{name}</span>
            <b className="mono grow">{value}</b>
            <em>E</em>
          </li>
        ))}
        {e.texts.map((x, i) => (
          <li key={i}>
            <span style={{ width: 130 }}>{x.tag === 0xff ? "Serial text" : "Text"}</span>
            <b className="mono grow">{x.text}</b>
            <em>E</em>
          </li>
        ))}
      </ul>
      {e.problems.map((p, i) => (
        <p key={i} className="q">
          <Mark kind={p.severity === "error" ? "stop" : "look"} size={16} /> Byte {p.offset}: expected {p.expected}, found{" "}
          {p.found}.
        </p>
      ))}
      {hits.length === 0 ? (
        <div className="look">
          <Mark kind="look" size={24} />
          <p>No text in it names a panel of the catalogue. Read the label.</p>
        </div>
      ) : (
        <ul className="rows" aria-label="Panels the EDID names">
          {hits.map((h) => (
            <li key={h.code} style={{ alignItems: "center" }}>
              <b className="mono">{h.code}</b>
              <span className="grow q">{h.differences.map(differenceWords).join(", ") || "as its text says"}</span>
              <button type="button" className="btn quiet" aria-label={`Take ${h.code} by EDID`} onClick={() => onTake(h.code)}>
                Take by EDID (E)
              </button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
