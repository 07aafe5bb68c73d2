import type { ReactNode } from "react";
import type { ScrewType } from "@/core/build";
import { MarkShape } from "../draw/Mark";
import { ScrewSide, ScrewTop } from "../draw/screws";

export interface TrayFacts {
  power: { state: "isolated" | "live" | "unknown" | "off" | "clear"; title: string; note: string };
  bit: { drive: ScrewType["drive"] | null; title: string; note: string };
  screws: { title: string; note: string; groups: { type: ScrewType; total: number; out: number }[] };
  film: { title: string; note: string; on: boolean | null };
  heat: { title: string; note: string; on: boolean };
  cautions: { title: string; note: string; stopped: boolean; count: number };
}

function Plug({ live }: { live: boolean }) {
  return (
    <svg width={64} height={44} aria-hidden="true" className={live ? "tl" : "tk"}>
      <path d="M2 22H16M48 22H62" strokeWidth={3} />
      <rect x={14} y={11} width={live ? 16 : 12} height={22} />
      {live ? (
        <rect x={30} y={11} width={18} height={22} className="ff" />
      ) : (
        <>
          <rect x={38} y={11} width={12} height={22} />
          <path d="M26 17h5M26 27h5" strokeWidth={3} />
        </>
      )}
    </svg>
  );
}

function TrayScrews({ groups }: { groups: TrayFacts["screws"]["groups"] }) {
  const s = 4.2;
  let x = 2;
  const drawn: ReactNode[] = [];
  for (const [gi, g] of groups.entries()) {
    for (let i = 0; i < g.total; i++) {
      drawn.push(
        <ScrewSide
          key={`${gi}-${i}`}
          x={x + (g.type.headDiameterMm * s) / 2}
          y={17}
          type={g.type}
          s={s}
          className={i < g.out ? "tscr" : "tghost"}
        />,
      );
      x += g.type.headDiameterMm * s + 4;
    }
    x += 9;
  }
  return (
    <svg width={Math.max(1, Math.ceil(x - 8))} height={60} aria-hidden="true" className="tray-screws">
      {drawn}
    </svg>
  );
}

const HeatDial = ({ on }: { on: boolean }) => (
  <svg width={44} height={44} aria-hidden="true" className={on ? "tl" : undefined}>
    <circle cx={22} cy={22} r={17} className={on ? undefined : "tghost"} strokeWidth={on ? 3 : undefined} />
    <path d={on ? "M22 22L33 15" : "M22 22V10"} className={on ? undefined : "tk"} strokeWidth={3} opacity={on ? 1 : 0.5} />
  </svg>
);

/** The tray mirrors the bench: power, bit, screws, film, heat, cautions, always these six, always in this order. */
export function Tray({
  facts,
  onPower,
  onCautions,
  onHeatOff,
  unsent = 0,
  notTaken = 0,
  onKept,
  held = null,
  said,
  who = null,
  onWho,
}: {
  facts: TrayFacts;
  onPower?: () => void;
  onCautions?: () => void;
  /** Records that what heats was seen switched off. */
  onHeatOff?: () => void;
  unsent?: number;
  /** Acts the server did not take. */
  notTaken?: number;
  /** Shows what is only in this browser. */
  onKept?: () => void;
  /** Why nothing goes over to the server, or null. */
  held?: string | null;
  said?: string | null;
  /** Who acts are recorded as, where that can be changed here. */
  who?: string | null;
  onWho?: () => void;
}) {
  const { power, bit, screws, film, heat, cautions } = facts;
  return (
    <footer className="tray" aria-label="Bench tray: what is on the bench now">
      <button
        type="button"
        className={`well${power.state === "live" ? " live" : ""}`}
        onClick={onPower}
        aria-label={`Power: ${power.title}, ${power.note}. Change`}
        data-power={power.state}
      >
        <Plug live={power.state === "live"} />
        <div>
          <b>{power.title}</b>
          <span>{power.note}</span>
        </div>
      </button>
      <div className="well">
        <svg width={34} height={56} aria-hidden="true">
          {bit.drive ? (
            <path d="M8 2H26V24L22 27V45L18.2 54H15.8L12 45V27L8 24Z" className="tscr" />
          ) : (
            <path d="M8 2h18v22l-4 3v17l-4 9h-2l-4-9V27l-4-3z" className="tghost" />
          )}
        </svg>
        {bit.drive && (
          <svg width={28} height={56} aria-hidden="true">
            <ScrewTop x={14} y={28} r={13} drive={bit.drive} className="tscr" />
          </svg>
        )}
        <div>
          <b>{bit.title}</b>
          <span>{bit.note}</span>
        </div>
      </div>
      <div className="well grow">
        <div aria-live="polite">
          <b>{said ?? held ?? screws.title}</b>
          <span>
            {said ? screws.title : held ? "acts are kept here" : screws.note}
            {unsent > 0 && !onKept && `, ${unsent} not sent yet`}
          </span>
        </div>
        {onKept && (unsent > 0 || notTaken > 0) && (
          <button type="button" className="kept-here" data-bad={notTaken > 0 || undefined} onClick={onKept}>
            {notTaken > 0 && <b>{notTaken} not taken</b>}
            {unsent > 0 && <span>{unsent} not sent yet</span>}
          </button>
        )}
        <TrayScrews groups={screws.groups} />
        {who !== null && onWho && (
          <button type="button" className="who-here" onClick={onWho} aria-label={`Recorded as ${who}. Change`}>
            {who || "Who?"}
          </button>
        )}
      </div>
      <div className="well">
        <svg width={52} height={44} aria-hidden="true">
          {film.on === null ? (
            <rect x={3} y={5} width={44} height={32} className="tghost" />
          ) : (
            <>
              <rect x={3} y={5} width={44} height={32} className="tk" />
              {film.on && <path d="M30 37L47 24V37Z" className="tkf" />}
            </>
          )}
        </svg>
        <div>
          <b>{film.title}</b>
          <span>{film.note}</span>
        </div>
      </div>
      {heat.on && onHeatOff ? (
        <button
          type="button"
          className="well live"
          onClick={onHeatOff}
          aria-label={`${heat.title}, ${heat.note}. I saw it switched off`}
        >
          <HeatDial on />
          <div>
            <b>{heat.title}</b>
            <span>{heat.note}</span>
          </div>
        </button>
      ) : (
        <div className="well">
          <HeatDial on={heat.on} />
          <div>
            <b>{heat.title}</b>
            <span>{heat.note}</span>
          </div>
        </div>
      )}
      <button
        type="button"
        className={`well${cautions.stopped ? " stopped" : ""}`}
        onClick={onCautions}
        aria-label={`Cautions: ${cautions.title}, ${cautions.note}. Show`}
      >
        {cautions.count > 0 && (
          <svg
            width={30}
            height={30}
            viewBox="0 0 24 24"
            className={`mk mk-${cautions.stopped ? "stop" : "change"}`}
            aria-hidden="true"
          >
            <MarkShape kind={cautions.stopped ? "stop" : "change"} />
          </svg>
        )}
        <div>
          <b>{cautions.title}</b>
          <span>{cautions.note}</span>
        </div>
      </button>
    </footer>
  );
}
