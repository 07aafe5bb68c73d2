"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { SaidBox } from "../controls/SaidBox";

type Problem = { where: string; message: string };
const MOST_MB = 2;

/** Reads a machine build from a JSON file: validated whole by the server; the text stays here until it is right. */
export function BuildImport({ onRead }: { onRead?: () => void }) {
  const router = useRouter();
  const [text, setText] = useState("");
  const [name, setName] = useState("");
  const [state, setState] = useState<
    { kind: "idle" | "busy" } | { kind: "done"; words: string } | { kind: "wrong"; problem: string; details: Problem[] }
  >({ kind: "idle" });
  const pick = async (file: File | undefined) => {
    if (!file) return;
    if (file.size > MOST_MB * 1e6)
      return setState({
        kind: "wrong",
        problem: `${file.name} is ${Math.round(file.size / 1e6)} MB; a build has ${MOST_MB} MB at most. Nothing was read.`,
        details: [],
      });
    setName(file.name);
    setText(await file.text());
    setState({ kind: "idle" });
  };
  const send = async () => {
    setState({ kind: "busy" });
    const res = await fetch("/api/builds", {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ text, replaceVersion: null }),
    }).catch(() => null);
    if (!res) return setState({ kind: "wrong", problem: "The server was not reached. The text is kept here.", details: [] });
    const body = await res.json();
    if (!res.ok) return setState({ kind: "wrong", problem: body.problem, details: body.details ?? [] });
    setState({
      kind: "done",
      words: `${body.name} read, version ${body.version}${body.replaced ? ", in place of the one before. Running jobs keep theirs." : "."}`,
    });
    if (onRead) onRead();
    else router.refresh();
  };
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        void send();
      }}
    >
      <label className="field">
        <span>Build file (JSON)</span>
        <input type="file" accept=".json,application/json" onChange={(e) => void pick(e.target.files?.[0])} />
      </label>
      <label className="field">
        <span>Or paste it here{name && `: ${name}`}</span>
        <textarea className="mono" rows={6} value={text} spellCheck={false} onChange={(e) => setText(e.target.value)} />
      </label>
      <SaidBox
        said={
          state.kind === "wrong"
            ? { ok: false, words: state.problem, details: state.details }
            : state.kind === "done"
              ? { ok: true, words: state.words }
              : null
        }
      />
      <button type="submit" className="btn self-start" disabled={state.kind === "busy"}>
        {state.kind === "busy" ? "Reading the build" : "Read the build"}
      </button>
    </form>
  );
}
