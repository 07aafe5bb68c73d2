"use client";
import { EDGES, type Motion } from "@/core/build";
import { Num, Pick, Row, Txt } from "./fields";

type Stage = NonNullable<Motion["stages"]>[number];
const MOST = 6;

/** A part that comes away bit by bit: which stretch first, over which edge, how deep. */
export function Stages({ stages, onPut }: { stages: readonly Stage[]; onPut: (s: Stage[]) => void }) {
  const put = (i: number, next: Stage | null) => onPut(stages.flatMap((x, k) => (k === i ? (next ? [next] : []) : [x])));
  return (
    <details open={stages.length > 0}>
      <summary className="min-h-9 cursor-pointer leading-9">
        <b>It comes away in stages</b>
        {stages.length > 0 && `: ${stages.length}`}
      </summary>
      {stages.map((s, i) => (
        <Row key={`${i} ${s.words}`}>
          <Txt
            label={`Stage ${i + 1}`}
            max={120}
            empty
            value={s.words}
            onPut={(words) => put(i, words ? { ...s, words } : null)}
          />
          <Pick
            label="Edge"
            width={112}
            value={s.edge ?? "none"}
            of={["none", ...EDGES] as const}
            words={(e) => e}
            onPut={(e) => {
              const { edge: _, ...rest } = s;
              put(i, e === "none" ? rest : { ...rest, edge: e });
            }}
          />
          <Num
            label="Deep, mm"
            width={84}
            value={s.depthMm ?? null}
            from={0.1}
            to={60}
            empty={() => {
              const { depthMm: _, ...rest } = s;
              put(i, rest);
            }}
            onPut={(depthMm) => put(i, { ...s, depthMm })}
          />
        </Row>
      ))}
      {stages.length > 0 && (
        <p className="q">In the order of work; an emptied stage goes. Depth left empty: as the pry map says.</p>
      )}
      <button
        type="button"
        className="btn quiet mt-2"
        disabled={stages.length >= MOST}
        onClick={() => onPut([...stages, { words: stages.length ? "Then the rest" : "The rim first" }])}
      >
        Another stage
      </button>
    </details>
  );
}
