"use client";
import { useState } from "react";
import { useBench } from "../job/context";
import { ProcedureTimer } from "./ProcedureTimer";

/** The procedures of this machine's maker: the one that is due, or one at hand. */
export function Procedures({ own }: { own: boolean }) {
  const { reference } = useBench();
  const [shown, setShown] = useState<string | null>(null);
  const all = reference.procedures;
  const chosen = all.find((p) => p.hash === shown) ?? (own ? all[0] : undefined);
  if (all.length === 0)
    return own ? (
      <p className="q">
        No procedure of this maker is written down.{" "}
        <a className="link" href="/procedures">
          Write it down once
        </a>
        , or follow the maker's own.
      </p>
    ) : null;
  return (
    <>
      {(!own || all.length > 1) && (
        <div className="flex flex-wrap gap-2">
          {all.map((p) => (
            <button
              key={p.hash}
              type="button"
              className="btn quiet"
              aria-pressed={p.hash === chosen?.hash}
              onClick={() => setShown(shown === p.hash ? null : p.hash)}
            >
              {p.data.maker}: {p.data.id.replace(`${p.data.maker.toLowerCase()}-`, "").replaceAll("-", " ")}
            </button>
          ))}
        </div>
      )}
      {chosen && <ProcedureTimer hash={chosen.hash} procedure={chosen.data} due={own} />}
    </>
  );
}
