"use client";
import { useEffect, useState } from "react";
import { arrived, carried } from "@/client/carried";
import type { Said } from "@/client/send";

/** What is said on a page, beginning with what the page before it did. */
export function useCarried(at: string) {
  const said = useState<Said | null>(() => {
    const words = carried(at);
    return words ? { ok: true, words } : null;
  });
  useEffect(() => arrived(at), [at]);
  return said;
}
