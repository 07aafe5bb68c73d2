"use client";

const SOON_MS = 4000;

/** Whether the server answers just now. A page that is left while it does not cannot be come back to. */
export const serverAnswers = (): Promise<boolean> =>
  fetch("/api/health", { cache: "no-store", signal: AbortSignal.timeout(SOON_MS) }).then(
    (r) => r.status < 600,
    () => false,
  );

/** The address a click goes to when it leaves this page; null when it stays, opens beside, or is not a plain click. */
export function leavesTo(e: MouseEvent): string | null {
  if (e.defaultPrevented || e.button !== 0 || e.ctrlKey || e.metaKey || e.shiftKey || e.altKey) return null;
  const a = (e.target as Element | null)?.closest?.("a[href]");
  if (!a || a.getAttribute("target") === "_blank" || a.hasAttribute("data-station-link")) return null;
  const href = a.getAttribute("href")!;
  return href.startsWith("/") ? href : null;
}
