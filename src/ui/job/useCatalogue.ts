"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Hit } from "@/core/catalogue";
import type { CatalogueAnswer, CatalogueAsk, CatalogueReply } from "@/wire/catalogue";

/** What a text of the catalogue is: a panel's code, a further number of a panel, or a machine with the panels seen in it. */
export interface CatalogueName {
  kind: "code" | "otherName" | "machine";
  /** The panel or panels meant, by code. */
  panels: { id: string; code: string; hash: string }[];
  machine?: string;
}
/** A hit, with what its text stands for. */
export type NamedHit = Hit & { names: CatalogueName[] };

export interface CatalogueHandle {
  /** Texts searchable; null while the catalogue is read. */
  size: number | null;
  hashOf: (code: string) => string | null;
  search: (text: string, limit: number) => Promise<NamedHit[]>;
}

function namesOf(reply: CatalogueReply): Map<string, CatalogueName[]> {
  const names = new Map<string, CatalogueName[]>();
  const add = (text: string, n: CatalogueName) => {
    const list = names.get(text);
    if (list) list.push(n);
    else names.set(text, [n]);
  };
  const byId = new Map(reply.panels.map((p) => [p.id, p]));
  for (const p of reply.panels) {
    add(p.code, { kind: "code", panels: [p] });
    for (const n of p.names) add(n, { kind: "otherName", panels: [p] });
  }
  for (const m of reply.machines) {
    const panels = m.panels.flatMap((id) => byId.get(id) ?? []);
    for (const text of [m.model, ...m.codes]) add(text, { kind: "machine", panels, machine: m.model });
  }
  return names;
}

/** Codes, other names and machines of the whole catalogue in a worker, so that a search while typing never holds the page up. */
export function useCatalogue(): CatalogueHandle {
  const [size, setSize] = useState<number | null>(null);
  const worker = useRef<Worker | null>(null);
  const names = useRef(new Map<string, CatalogueName[]>());
  const waiting = useRef(new Map<number, (hits: NamedHit[]) => void>());
  const next = useRef(1);
  useEffect(() => {
    const w = new Worker(new URL("../../workers/catalogue.ts", import.meta.url));
    worker.current = w;
    w.onmessage = (e: MessageEvent<CatalogueAnswer>) => {
      if ("ready" in e.data) setSize(e.data.ready);
      else {
        waiting.current.get(e.data.id)?.(e.data.hits.map((h) => ({ ...h, names: names.current.get(h.code) ?? [] })));
        waiting.current.delete(e.data.id);
      }
    };
    let gone = false;
    void fetch("/api/catalogue", { cache: "no-store" })
      .then((r) => r.json() as Promise<CatalogueReply>)
      .then((reply) => {
        if (gone) return;
        names.current = namesOf(reply);
        w.postMessage({ id: 0, codes: [...names.current.keys()] } satisfies CatalogueAsk);
      })
      .catch(() => setSize(0));
    return () => {
      gone = true;
      w.terminate();
    };
  }, []);
  const search = useCallback(
    (text: string, limit: number) =>
      new Promise<NamedHit[]>((done) => {
        if (!worker.current) return done([]);
        const id = next.current++;
        waiting.current.set(id, done);
        worker.current.postMessage({ id, text, limit } satisfies CatalogueAsk);
      }),
    [],
  );
  const hashOf = useCallback(
    (code: string) => names.current.get(code)?.find((n) => n.kind === "code")?.panels[0]?.hash ?? null,
    [],
  );
  return { size, hashOf, search };
}
