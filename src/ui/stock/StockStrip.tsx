"use client";
import { format } from "date-fns";
import type { RefObject } from "react";
import { msOf, placeOf, ruleOf } from "@/core/job";
import { counted } from "@/core/quantity";
import { Brand } from "../shell/JobStrip";
import type { StockHandle } from "./useStock";

/** The strip of the stock: what is short, the one field for every scan, what the marks mean, and the last act to take back. */
export function StockStrip({
  nowMs,
  short,
  waiting,
  log,
  typed,
  onType,
  onLook,
  onCameIn,
  find,
}: {
  nowMs: number;
  /** How many things are short, and how many jobs wait for them. */
  short: number;
  waiting: number;
  log: StockHandle["log"];
  typed: string;
  onType: (text: string) => void;
  onLook: (text: string) => void;
  onCameIn: () => void;
  find: RefObject<HTMLInputElement | null>;
}) {
  const last = log.canTakeBack;
  return (
    <header className="strip">
      <div className="facts">
        <Brand />
        <div className="fact">
          <b>Stock</b>
          <span suppressHydrationWarning>{format(nowMs, "EEE d MMM, HH:mm")}</span>
        </div>
        <div className="fact">
          <b>{short === 0 ? "Nothing short" : `${counted(short, "thing")} short`}</b>
          <span>
            {waiting === 0
              ? "no job waits for stock"
              : `${counted(waiting, "job")} ${waiting === 1 ? "waits" : "wait"} for ${short === 1 ? "it" : "them"}`}
          </span>
        </div>
        <div className="finder">
          <form
            className="grow"
            onSubmit={(e) => {
              e.preventDefault();
              onLook(typed);
            }}
          >
            <input
              ref={find}
              value={typed}
              onChange={(e) => onType(e.target.value)}
              placeholder="Scan, code or shelf"
              aria-label="Scan, code or shelf"
              maxLength={80}
              autoComplete="off"
            />
          </form>
          <kbd>/</kbd>
        </div>
        <button type="button" className="fact flex items-center gap-2 camein" onClick={onCameIn}>
          <b>Came in</b>
          <kbd>A</kbd>
        </button>
      </div>
      <p className="stocklegend">
        <b>Everything in its own shape.</b>
        <span className="key free" /> here and free
        <span className="key kept" /> here, kept for a job
        <span className="key need" /> needed, not here
        <span className="grow" />
        {last && (
          <button type="button" className="link" onClick={() => log.takeBack()}>
            Take back: {ruleOf(last.type).name}, {format(msOf(placeOf(last)), "HH:mm")} <kbd>Z</kbd>
          </button>
        )}
      </p>
    </header>
  );
}
