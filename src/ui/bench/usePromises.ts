"use client";
import { useEffect, useState } from "react";
import { tellPromises } from "@/client/promises";
import type { ShopHours } from "@/core/promise";
import type { JobCard } from "@/wire/jobCard";
import type { Promised, Sooner } from "@/wire/promise";

/** Dates of the jobs on the bench, as they are told; told anew when a card, the hours or the hour changes. */
export function usePromises(
  cards: readonly JobCard[],
  hours: ShopHours,
  nowMs: number,
  others: Readonly<Record<string, Sooner>>,
): ReadonlyMap<string, Promised> {
  const [told, setTold] = useState<ReadonlyMap<string, Promised>>(new Map());
  const key = JSON.stringify([
    cards.map((c) => [c.id, c.promiseAt, c.shelf, c.minutesLeft?.p50, c.order?.placedIso]),
    hours,
    others,
    Math.floor(nowMs / 600_000),
  ]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key says everything a date is told from
  useEffect(() => tellPromises(cards, hours, nowMs, others, (id, p) => setTold((m) => new Map(m).set(id, p))), [key]);
  return told;
}
