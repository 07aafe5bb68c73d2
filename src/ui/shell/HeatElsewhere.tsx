"use client";
import { usePathname } from "next/navigation";
import { useEffect, useState } from "react";
import { read } from "@/client/device";
import { durationWords } from "@/core/quantity";
import type { HotJobs } from "@/wire/heat";
import { FORGOTTEN_S } from "./forgotten";

/** How often it is asked, ms. */
const EVERY_MS = 20_000;

/** Something heats at another job: said on every page, with the way there. H goes there; only somebody who looks can say it is off. */
export function HeatElsewhere() {
  const path = usePathname();
  // The bench has it in its tray; a machine under test and a device not let in show nothing of the shop.
  const quiet = path === "/" || path.startsWith("/pattern") || path.startsWith("/unlock");
  const here = /^\/jobs\/([0-9a-f-]{36})/.exec(path)?.[1] ?? null;
  const [told, setTold] = useState<HotJobs | null>(null);
  useEffect(() => {
    if (quiet) return;
    let gone = false;
    const ask = () =>
      fetch("/api/heat")
        .then((r) => (r.ok ? r.json() : null))
        .then((body: HotJobs | null) => {
          // Not reached: what was last known stays, it may well still heat.
          if (!gone && body) setTold(body);
        })
        .catch(() => undefined);
    void ask();
    const t = setInterval(ask, EVERY_MS);
    return () => {
      gone = true;
      clearInterval(t);
    };
  }, [quiet]);
  const hot = (told?.hot ?? []).filter((h) => h.job !== here);
  const first = hot[0]?.job;
  useEffect(() => {
    if (!first || here) return;
    const key = (e: KeyboardEvent) => {
      // Whoever turned single letters off has the link.
      if (read("helvane.letters") === "off") return;
      const at = e.target as HTMLElement;
      if (e.key.toLowerCase() !== "h" || e.ctrlKey || e.metaKey || e.altKey || at.closest("input, textarea, select")) return;
      location.assign(`/jobs/${first}/open`);
    };
    addEventListener("keydown", key);
    return () => removeEventListener("keydown", key);
  }, [first, here]);
  if (!told || quiet || hot.length === 0) return null;
  return (
    <div className="hot-elsewhere" role="alert">
      {hot.map((h) => {
        const ms = told.nowMs - h.sinceMs;
        return (
          <a key={h.job} href={`/jobs/${h.job}/open`}>
            <b>
              {h.words} on at {h.number}
            </b>{" "}
            for {durationWords(Math.max(0, ms) / 60_000)}.{" "}
            {ms > FORGOTTEN_S * 1000
              ? "Longer than any pass: forgotten? Go and switch it off."
              : "Go there to say it was seen off."}{" "}
            {!here && <kbd>H</kbd>}
          </a>
        );
      })}
    </div>
  );
}
