"use client";
import { useRouter } from "next/navigation";
import { useCallback, useRef } from "react";

const SOON_MS = 4000;

/** Whether the server answers just now. A page that is left while it does not cannot be come back to. */
const serverAnswers = (): Promise<boolean> =>
  fetch("/api/health", { cache: "no-store", signal: AbortSignal.timeout(SOON_MS) }).then(
    (r) => r.status < 600,
    () => false,
  );

/** The address a click goes to when it leaves this page; null when it stays, opens beside, or is not a plain click. */
function leavesTo(e: MouseEvent): string | null {
  if (e.defaultPrevented || e.button !== 0 || e.ctrlKey || e.metaKey || e.shiftKey || e.altKey) return null;
  const a = (e.target as Element | null)?.closest?.("a[href]");
  if (!a || a.getAttribute("target") === "_blank" || a.hasAttribute("data-station-link")) return null;
  const href = a.getAttribute("href")!;
  return href.startsWith("/") ? href : null;
}

/**
 * Ways off this page, taken once the server is known to answer: left while it does not, the page could not be come back to.
 * @param stay says that it stays
 */
export function useLeaving(stay: () => void): {
  to: (href: string) => void;
  /** For the click on whatever is inside: a link that leaves is held until it may. */
  capture: (e: React.MouseEvent) => void;
} {
  const router = useRouter();
  const say = useRef(stay);
  say.current = stay;
  const to = useCallback(
    async (href: string) => {
      if (!(await serverAnswers())) return say.current();
      if (href.startsWith("/api/")) window.location.assign(href);
      else router.push(href);
    },
    [router],
  );
  const capture = useCallback(
    (e: React.MouseEvent) => {
      const href = leavesTo(e.nativeEvent);
      if (!href) return;
      e.preventDefault();
      e.stopPropagation();
      void to(href);
    },
    [to],
  );
  return { to: (href) => void to(href), capture };
}
