import type { FieldVerdict } from "@/core/panel";

export type MarkKind = "same" | "change" | "stop" | "look" | "ask";

export const markOf: Record<FieldVerdict, MarkKind> = {
  same: "same",
  change: "change",
  stop: "stop",
  unknown: "look",
  ask: "ask",
};
export const MARK_WORDS: Record<MarkKind, string> = {
  same: "same",
  change: "works with a change",
  stop: "stop",
  look: "look",
  ask: "differs: ask",
};

/** Five silhouettes that survive greyscale: square with bars, wedge, octagon, lens, speech corner with a question. */
export function MarkShape({ kind }: { kind: MarkKind }) {
  if (kind === "same")
    return (
      <>
        <rect x={2} y={2} width={20} height={20} className="mf" />
        <path d="M6.5 9.2H17.5M6.5 14.8H17.5" className="mi" />
      </>
    );
  if (kind === "change")
    return (
      <>
        <path d="M1 21.5H23V3Z" className="mf" />
        <path d="M18 18.6V11.2" className="mi" />
      </>
    );
  if (kind === "stop")
    return (
      <>
        <path d="M7.4 1.2H16.6L22.8 7.4V16.6L16.6 22.8H7.4L1.2 16.6V7.4Z" className="mf" />
        <path d="M7.8 7.8L16.2 16.2M16.2 7.8L7.8 16.2" className="mi" />
      </>
    );
  if (kind === "ask")
    return (
      <>
        <path d="M2 2H22V17H11L6 22V17H2Z" className="mf" />
        <path d="M8.6 7.4Q9 4.8 12 4.8Q15.2 4.8 15.2 7.4Q15.2 9 12.9 9.8Q12 10.2 12 11.6" className="mf" />
        <circle cx={12} cy={14.2} r={1.4} className="mq" />
      </>
    );
  return (
    <>
      <path d="M1.2 12Q12 0.2 22.8 12Q12 23.8 1.2 12Z" className="mo" />
      <circle cx={12} cy={12} r={3.4} className="mo" />
    </>
  );
}

export function Mark({ kind, size = 20, label }: { kind: MarkKind; size?: number; label?: string }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 24 24"
      className={`mk mk-${kind}`}
      {...(label ? { role: "img", "aria-label": label } : { "aria-hidden": true })}
    >
      <MarkShape kind={kind} />
    </svg>
  );
}
