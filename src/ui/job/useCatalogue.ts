"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import { CatalogueClient, type NamedHit } from "@/client/catalogue";

export interface CatalogueHandle {
  /** Texts searchable; null while the catalogue is read. */
  size: number | null;
  hashOf: (code: string) => string | null;
  search: (text: string, limit: number) => Promise<NamedHit[]>;
}

/** Codes, other names and machines of the whole catalogue, for as long as whoever asks is on screen. */
export function useCatalogue(): CatalogueHandle {
  const [size, setSize] = useState<number | null>(null);
  const client = useRef<CatalogueClient | null>(null);
  useEffect(() => {
    const c = new CatalogueClient(setSize);
    client.current = c;
    return () => {
      client.current = null;
      c.end();
    };
  }, []);
  return {
    size,
    hashOf: useCallback((code: string) => client.current?.hashOf(code) ?? null, []),
    search: useCallback(async (text: string, limit: number) => client.current?.search(text, limit) ?? [], []),
  };
}
