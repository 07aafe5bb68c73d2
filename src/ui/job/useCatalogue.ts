"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Hit } from "@/core/catalogue";
import type { CatalogueAnswer, CatalogueAsk, CatalogueReply } from "@/wire/catalogue";

export interface CatalogueHandle {
  /** Codes searchable; null while the catalogue is read. */
  size: number | null;
  hashOf: (code: string) => string | null;
  search: (text: string, limit: number) => Promise<Hit[]>;
}

/** The whole catalogue's codes in a worker, so that a search while typing never holds the page up. */
export function useCatalogue(): CatalogueHandle {
  const [size, setSize] = useState<number | null>(null);
  const worker = useRef<Worker | null>(null);
  const hashes = useRef(new Map<string, string>());
  const waiting = useRef(new Map<number, (hits: Hit[]) => void>());
  const next = useRef(1);
  useEffect(() => {
    const w = new Worker(new URL("../../workers/catalogue.ts", import.meta.url));
    worker.current = w;
    w.onmessage = (e: MessageEvent<CatalogueAnswer>) => {
      if ("ready" in e.data) setSize(e.data.ready);
      else {
        waiting.current.get(e.data.id)?.(e.data.hits);
        waiting.current.delete(e.data.id);
      }
    };
    let gone = false;
    void fetch("/api/catalogue", { cache: "no-store" })
      .then((r) => r.json() as Promise<CatalogueReply>)
      .then(({ panels }) => {
        if (gone) return;
        hashes.current = new Map(panels.map((p) => [p.code, p.hash]));
        w.postMessage({ id: 0, codes: panels.map((p) => p.code) } satisfies CatalogueAsk);
      })
      .catch(() => setSize(0));
    return () => {
      gone = true;
      w.terminate();
    };
  }, []);
  const search = useCallback(
    (text: string, limit: number) =>
      new Promise<Hit[]>((done) => {
        if (!worker.current) return done([]);
        const id = next.current++;
        waiting.current.set(id, done);
        worker.current.postMessage({ id, text, limit } satisfies CatalogueAsk);
      }),
    [],
  );
  return { size, hashOf: useCallback((code: string) => hashes.current.get(code) ?? null, []), search };
}
