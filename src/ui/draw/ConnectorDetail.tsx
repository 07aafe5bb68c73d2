import type { ReactNode } from "react";
import { CONNECTOR_MOTION, type Connector } from "@/core/build";
import { Mark } from "./Mark";

type Kind = Connector["kind"];
/** The gap a plug stands open by when it is half in, px in the cut-out. */
const GAP = 11;
const WIDE = 236;
const HIGH = 116;
/** The seam both pictures are held against. */
const SEAM = 62;

/** What tells a plug that only looks home, in the fewest words. */
const HALF_IN: Readonly<Record<Kind, string>> = {
  friction: "a gap in the seam",
  sideLocks: "a lock not caught",
  foldOverBar: "the bar will not come over",
  flipLatch: "the line still out, latch up",
  leverRibbon: "ribbon askew, lever up",
  boardToBoard: "one end up",
  vertical: "one side up",
  coaxStud: "the head stands askew",
  lampLead: "the latch not over",
  bayPack: "a gap at the case, lock not over",
};

const Arrow = ({ x, y, dx = 0, dy = 0 }: { x: number; y: number; dx?: number; dy?: number }) => {
  const [ex, ey] = [x + dx, y + dy];
  const head = dy
    ? `M${ex - 6} ${ey - Math.sign(dy) * 9}L${ex} ${ey}L${ex + 6} ${ey - Math.sign(dy) * 9}`
    : `M${ex - Math.sign(dx) * 9} ${ey - 6}L${ex} ${ey}L${ex - Math.sign(dx) * 9} ${ey + 6}`;
  return <path d={`M${x} ${y}L${ex} ${ey}${head}`} fill="none" stroke="var(--ink)" strokeWidth={3.4} />;
};

/** Seen from above: the socket on the board, the plug coming from above the seam, its ribbon or wires behind it. */
function Plan({ kind, home }: { kind: Kind; home: boolean }) {
  const g = home ? 0 : GAP;
  const wires = kind === "lampLead";
  const [l, r] = wires ? [84, 152] : [44, 192];
  return (
    <>
      <rect x={l - 22} y={SEAM - 2} width={r - l + 44} height={46} fill="var(--mat-50)" />
      <path
        d={`M${l - 6} ${SEAM}V${SEAM + 38}H${r + 6}V${SEAM}H${r - 2}V${SEAM + 30}H${l + 2}V${SEAM}Z`}
        fill="url(#hMetal)"
        stroke="var(--ink)"
        strokeWidth={1.4}
      />
      {wires ? (
        [-12, 12].map((d) => (
          <path key={d} d={`M${118 + d} 4V${SEAM - 24 - g}`} fill="none" stroke="var(--ink)" strokeWidth={4} />
        ))
      ) : (
        <rect
          x={l + 22}
          y={4}
          width={r - l - 44}
          height={SEAM - 26 - g}
          className="glass"
          stroke="var(--ink)"
          strokeWidth={1.2}
        />
      )}
      <rect x={l + 6} y={SEAM - g - 2} width={r - l - 12} height={26} fill="var(--h2)" stroke="var(--ink)" strokeWidth={1.2} />
      <rect x={l} y={SEAM - 24 - g} width={r - l} height={24} fill="var(--part)" />
      {g > 0 && (
        <>
          <rect x={l} y={SEAM - g} width={9} height={g} fill="var(--stop)" />
          <rect x={r - 9} y={SEAM - g} width={9} height={g} fill="var(--stop)" />
        </>
      )}
      {kind === "sideLocks" &&
        [l - 9, r + 9].map((x, i) => (
          <path
            key={x}
            d={
              home
                ? `M${x} ${SEAM - 22}V${SEAM + 12}H${x + (i ? -9 : 9)}`
                : `M${x} ${SEAM - 22 - g}L${x + (i ? 10 : -10)} ${SEAM + 8 - g}`
            }
            fill="none"
            stroke="var(--ink)"
            strokeWidth={4}
          />
        ))}
      {kind === "foldOverBar" && (
        <path
          d={
            home
              ? `M${l - 11} ${SEAM - 12}V${SEAM + 44}H${r + 11}V${SEAM - 12}`
              : `M${l - 11} ${SEAM - 18 - g}V${SEAM - 44 - g}H${r + 11}V${SEAM - 18 - g}`
          }
          fill="none"
          stroke="var(--ink)"
          strokeWidth={4}
        />
      )}
      {wires && (
        <path
          d={home ? `M118 ${SEAM - 12}V${SEAM + 14}` : `M118 ${SEAM - 12 - g}L130 ${SEAM - 2 - g}`}
          stroke="var(--ink)"
          strokeWidth={5}
          fill="none"
        />
      )}
    </>
  );
}

/** The base from below at one corner: the bay, the pack coming from the edge, the sliding lock above the seam. */
function Bay({ home }: { home: boolean }) {
  const g = home ? 0 : GAP + 3;
  return (
    <>
      <path d={`M24 ${SEAM}V104H212V${SEAM}`} fill="none" stroke="var(--ink)" strokeWidth={2.4} />
      <rect x={24} y={SEAM} width={188} height={42} fill="var(--mat-50)" />
      <rect x={44} y={8} width={148} height={SEAM - 8} fill="url(#hMetal)" stroke="var(--ink)" strokeWidth={1.4} />
      <rect x={50} y={SEAM + g} width={136} height={36 - g} fill="var(--part)" />
      {g > 0 && <rect x={50} y={SEAM} width={136} height={g} fill="var(--stop)" />}
      <rect x={home ? 128 : 76} y={SEAM - 24} width={36} height={14} fill="var(--ink)" />
      <path d={`M76 ${SEAM - 6}H164`} stroke="var(--ink)" strokeWidth={1.4} fill="none" />
    </>
  );
}

/** Seen from the side: the board, the socket on it, what goes in or over it. */
function Section({ kind, home }: { kind: Kind; home: boolean }) {
  if (kind === "flipLatch" || kind === "leverRibbon") {
    const g = home ? 0 : GAP + 5;
    return (
      <>
        <rect x={18} y={92} width={200} height={9} fill="var(--mat-50)" />
        <path d="M52 92V62H74V74H132V92Z" fill="url(#hMetal)" stroke="var(--ink)" strokeWidth={1.4} />
        <path d={`M${78 + g} 80H222`} stroke="var(--part)" strokeWidth={5} fill="none" />
        {/* The line printed on the ribbon: at the mouth of the socket when it is home. */}
        <path d={`M${136 + g} 73V87`} stroke={home ? "var(--ink)" : "var(--stop)"} strokeWidth={4} />
        {home ? (
          <rect x={76} y={64} width={56} height={8} fill="var(--ink)" />
        ) : (
          <path d={kind === "flipLatch" ? "M80 72L72 24H82L90 72Z" : "M128 72L140 26H150L138 72Z"} fill="var(--ink)" />
        )}
      </>
    );
  }
  const stud = kind === "coaxStud";
  const [l, r] = stud ? [92, 144] : [52, 184];
  return (
    <>
      <rect x={18} y={92} width={200} height={9} fill="var(--mat-50)" />
      <path d={`M${l} 92V74H${l + 12}V84H${r - 12}V74H${r}V92Z`} fill="url(#hMetal)" stroke="var(--ink)" strokeWidth={1.4} />
      <g transform={home ? undefined : `rotate(-9 ${l} 74) translate(0 -7)`}>
        {stud ? (
          <path d={`M${l - 4} 82V62Q118 44 ${r + 4} 62V82H${r - 14}V72H${l + 14}V82Z`} fill="var(--ink)" />
        ) : (
          <>
            <rect x={l - 8} y={56} width={r - l + 16} height={7} fill="var(--part)" />
            <path d={`M${l - 2} 63H${r + 2}V73H${r - 14}V83H${l + 14}V73H${l - 2}Z`} fill="var(--ink)" />
          </>
        )}
      </g>
      {stud && (
        <path d={`M${r + 4} ${home ? 70 : 60}Q190 ${home ? 68 : 50} 224 84`} fill="none" stroke="var(--ink)" strokeWidth={5} />
      )}
    </>
  );
}

const FROM_SIDE: readonly Kind[] = ["flipLatch", "leverRibbon", "boardToBoard", "vertical", "coaxStud"];

function Picture({ kind, home, x, arrows }: { kind: Kind; home: boolean; x: number; arrows: ReactNode }) {
  const side = FROM_SIDE.includes(kind);
  return (
    <g transform={`translate(${x} 0)`}>
      {side ? <Section kind={kind} home={home} /> : kind === "bayPack" ? <Bay home={home} /> : <Plan kind={kind} home={home} />}
      {arrows}
    </g>
  );
}

/** Which way the hand moves, where it takes hold. */
function motion(kind: Kind, out: boolean): ReactNode {
  const d = out ? -1 : 1;
  if (kind === "flipLatch" || kind === "leverRibbon") return <Arrow x={out ? 176 : 214} y={58} dx={out ? 36 : -36} />;
  if (FROM_SIDE.includes(kind)) return <Arrow x={118} y={out ? 44 : 4} dy={d * 32} />;
  return [62, 174].map((x) => <Arrow key={x} x={x} y={out ? 38 : 6} dy={d * 30} />);
}

/**
 * A connector drawn large, twice: what only looks home beside what is home, one dotted line through both, so that the eye compares
 * against a line. On the way off: how it sits, and which way it comes.
 */
export function ConnectorDetail({ kind, out }: { kind: Kind; out: boolean }) {
  const m = CONNECTOR_MOTION[kind];
  const side = FROM_SIDE.includes(kind);
  const left = out ? "Sits home" : `Half in: ${HALF_IN[kind]}`;
  const right = out ? m.out : `Home: ${m.homeWhen[0]!.toLowerCase()}${m.homeWhen.slice(1)}`;
  return (
    <figure className="plugdetail" aria-label={`${m.name}. ${left}. ${right}`}>
      <figcaption>
        <b>Not to scale</b>
        <span>
          {m.name[0]!.toUpperCase() + m.name.slice(1)}, seen {side ? "from the side" : "from above"}
        </span>
      </figcaption>
      <svg viewBox={`0 0 ${2 * WIDE + 16} ${HIGH}`} aria-hidden="true" className="dw">
        <Picture kind={kind} home={out} x={0} arrows={out ? null : motion(kind, false)} />
        <Picture kind={kind} home={!out} x={WIDE + 16} arrows={out ? motion(kind, true) : null} />
        {!side && <path d={`M4 ${SEAM}H${2 * WIDE + 12}`} stroke="var(--ink)" strokeWidth={2} strokeDasharray="2 5" />}
        <path d={`M${WIDE + 8} 4V${HIGH - 4}`} stroke="var(--rule)" strokeWidth={1.2} />
      </svg>
      <p>
        <span>
          <Mark kind={out ? "same" : "stop"} size={18} /> {left}
        </span>
        <span>
          <Mark kind={out ? "change" : "same"} size={18} label={out ? "then" : "home"} /> {right}
        </span>
      </p>
    </figure>
  );
}
