import Link from "next/link";
import type { ReactNode } from "react";
import { STATIONS, type Station } from "@/core/teardown";
import type { MarkKind } from "../draw/Mark";

export const STATION_NAMES = ["Triage", "Identify", "Match", "Plan", "Open", "Swap", "Bond", "Prove", "Close"] as const;
export const STATION_PATHS = STATIONS;
export type StationPath = Station;

/** What a page of a job is called, among other tabs. @example stationTitle("H-2417", "open") // "H-2417 Open, Helvane" */
export const stationTitle = (number: string, station: string): string =>
  `${number} ${station[0]!.toUpperCase()}${station.slice(1)}, Helvane`;

export function Logo() {
  return (
    <svg width="34" height="30" viewBox="0 0 34 30" aria-hidden="true">
      <path d="M8 24H31M8 24L17.5 3" stroke="var(--ink)" strokeWidth="4" fill="none" strokeLinecap="round" />
      <circle cx="8" cy="24" r="4.2" fill="var(--mark)" stroke="var(--ink)" strokeWidth="3" />
    </svg>
  );
}

export const Brand = () => (
  <Link href="/" className="brand" aria-label="Helvane: to the bench">
    <Logo />
    <span>Helvane</span>
  </Link>
);

export interface RouteCell {
  s: "proven" | "assumed" | "now" | "ahead";
  note: string;
  mark?: MarkKind;
}

/** A long code is set smaller: it is never wrapped. */
const codeClass = (code: string | null): string => `mono${code && code.length > 20 ? " long" : ""}`;

export interface StripFacts {
  number: string;
  customer: string;
  machine: string;
  serial: string;
  oldCode: string | null;
  oldNote: string;
  newCode: string | null;
  newNote: string;
  promise: string;
  left: string;
}

export function JobStrip({ facts, children }: { facts: StripFacts; children: ReactNode }) {
  return (
    <header className="strip">
      <div className="facts">
        <Brand />
        <div className="fact">
          <b className="mono">{facts.number}</b>
          <span className="name">{facts.customer}</span>
        </div>
        <div className="fact">
          <b>{facts.machine}</b>
          <span className="mono">{facts.serial || "no serial"}</span>
        </div>
        <div className="fact pair">
          <div>
            <b className={codeClass(facts.oldCode)}>{facts.oldCode ?? "Panel not known"}</b>
            <span>{facts.oldNote}</span>
          </div>
          {facts.newCode && (
            <>
              <svg width="34" height="14" viewBox="0 0 34 14" aria-hidden="true">
                <path d="M1 7H30M24 1.5L30.5 7L24 12.5" stroke="var(--ink)" strokeWidth="2" fill="none" />
              </svg>
              <div className="fact new" style={{ padding: 0, border: 0 }}>
                <b className={codeClass(facts.newCode)}>{facts.newCode}</b>
                <span>{facts.newNote}</span>
              </div>
            </>
          )}
        </div>
        <div className="fact last">
          <b>{facts.promise}</b>
          <span>{facts.left}</span>
        </div>
      </div>
      {children}
    </header>
  );
}
