"use client";
import { useCallback, useEffect, useSyncExternalStore } from "react";
import { catalogueHere, type NamedHit } from "@/client/catalogue";

export interface CatalogueHandle {
  /** Texts searchable; null while the catalogue is read. */
  size: number | null;
  hashOf: (code: string) => string | null;
  search: (text: string, limit: number) => Promise<NamedHit[]>;
}

const follow = (then: () => void) => catalogueHere().subscribe(then);
const sizeHere = () => catalogueHere().size();
const noneYet = () => null;

/** Codes, other names and machines of the whole catalogue, as it is when this comes on screen. */
export function useCatalogue(): CatalogueHandle {
  const size = useSyncExternalStore(follow, sizeHere, noneYet);
  useEffect(() => {
    void catalogueHere().read();
  }, []);
  return {
    size,
    hashOf: useCallback((code: string) => catalogueHere().hashOf(code), []),
    search: useCallback((text: string, limit: number) => catalogueHere().search(text, limit), []),
  };
}
