import type { Hit } from "@/core/catalogue";
import { type CatalogueName, namesOf } from "@/core/identify";
import type { CatalogueAnswer, CatalogueAsk, CatalogueReply } from "@/wire/catalogue";

/** A hit, with what its text stands for. */
export type NamedHit = Hit & { names: CatalogueName[] };

/** The catalogue in a worker, so that a search while typing never holds the page up. */
export class CatalogueClient {
  private readonly worker = new Worker(new URL("../workers/catalogue.ts", import.meta.url));
  private readonly waiting = new Map<number, (hits: NamedHit[]) => void>();
  private names = new Map<string, CatalogueName[]>();
  private last = 0;
  private gone = false;

  /** @param ready told how many texts are searchable; 0 when the catalogue was not read */
  constructor(ready: (size: number) => void) {
    this.worker.onmessage = (e: MessageEvent<CatalogueAnswer>) => {
      if ("ready" in e.data) return ready(e.data.ready);
      this.waiting.get(e.data.id)?.(e.data.hits.map((h) => ({ ...h, names: this.names.get(h.code) ?? [] })));
      this.waiting.delete(e.data.id);
    };
    void fetch("/api/catalogue", { cache: "no-store" })
      .then((r) => r.json() as Promise<CatalogueReply>)
      .then((reply) => {
        if (this.gone) return;
        this.names = namesOf(reply);
        this.worker.postMessage({ id: 0, codes: [...this.names.keys()] } satisfies CatalogueAsk);
      })
      .catch(() => ready(0));
  }
  search(text: string, limit: number): Promise<NamedHit[]> {
    return new Promise((done) => {
      this.last += 1;
      this.waiting.set(this.last, done);
      this.worker.postMessage({ id: this.last, text, limit } satisfies CatalogueAsk);
    });
  }
  /** Hash of the panel whose own code this is; null for other names. */
  hashOf(code: string): string | null {
    return this.names.get(code)?.find((n) => n.kind === "code")?.panels[0]?.hash ?? null;
  }
  end(): void {
    this.gone = true;
    this.worker.terminate();
  }
}
