"use client";
import { useState } from "react";
import { candidateOf } from "@/core/job";
import { judgeTouch, readTouchCode } from "@/core/proof";
import { CodeField } from "../controls/CodeField";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";

/** Touch is tested on the machine itself; what it found comes back over a short code. */
export function TouchCode({ onDone }: { onDone: (result: "pass" | "fail" | "unclear", note: string) => void }) {
  const { view, build } = useBench();
  const [code, setCode] = useState("");
  const active = candidateOf(view)?.active.value ?? build?.data.lid.opening ?? null;
  const href = `/pattern/touch${active ? `?w=${Math.round(active.widthMm)}&h=${Math.round(active.heightMm)}` : ""}`;
  const read = code.trim() ? readTouchCode(code) : null;
  const judged = read?.ok ? judgeTouch(read.result) : null;
  return (
    <section aria-label="Touch on the machine" className="flex flex-col gap-3">
      <p>
        On the machine under test open{" "}
        <a className="link mono" href={href} target="_blank" rel="noreferrer">
          {href}
        </a>
        , or from a stick{" "}
        <a className="link" href={href.replace("/pattern/touch", "/pattern.html")}>
          the pattern file
        </a>{" "}
        (T starts it): draw over the whole glass, ruled lines and fingers where there is time, then hands off. Thirty minutes
        without a tap say fewer than 6 an hour; inside the dwell they cost nothing.
      </p>
      <CodeField
        label="Code from the machine"
        value={code}
        max={30}
        like="XXXX-XXXX-XXXX-X"
        problem={read?.ok === false ? read.problem : null}
        onText={setCode}
      />
      {judged && (
        <>
          <p role="status" className="flex items-start gap-3">
            <Mark kind={judged.verdict === "pass" ? "same" : judged.verdict === "fail" ? "stop" : "look"} size={26} />
            <b>{judged.words}.</b>
          </p>
          {judged.again.length > 0 && (
            <ul className="list-disc pl-6">
              {judged.again.map((t) => (
                <li key={t}>{t}</li>
              ))}
            </ul>
          )}
          <button type="button" className="btn self-start" onClick={() => onDone(judged.verdict, judged.words.slice(0, 200))}>
            Record: {judged.verdict === "pass" ? "holds" : judged.verdict === "fail" ? "fails" : "not settled"}
          </button>
        </>
      )}
    </section>
  );
}
