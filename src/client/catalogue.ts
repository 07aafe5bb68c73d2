import type { Hit } from "@/core/catalogue";
import { type CatalogueName, namesOf } from "@/core/identify";
import type { CatalogueAnswer, CatalogueAsk, CatalogueReply } from "@/wire/catalogue";

/** A hit, with what its text stands for. */
export type NamedHit = Hit & { names: CatalogueName[] };

/** A worker whose script did not come, as when the server is away, is started anew this long after; ms. */
const AGAIN_MS = 3000;

/**
 * The catalogue in a worker, so that a search while typing never holds the page up. One for the page, read anew whenever it is asked
 * for; where the server does not answer, what was read last stands.
 */
export class CatalogueClient {
  private worker: Worker | null = null;
  private readonly waiting = new Map<number, { ask: CatalogueAsk; done: (hits: NamedHit[]) => void }>();
  private readonly listeners = new Set<() => void>();
  private names = new Map<string, CatalogueName[]>();
  private last = 0;
  /** Texts searchable; null while the catalogue was never read, 0 when it could not be. */
  private texts: number | null = null;

  readonly size = (): number | null => this.texts;
  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  private ready(n: number): void {
    this.texts = n;
    for (const l of [...this.listeners]) l();
  }
  private start(): Worker {
    if (this.worker) return this.worker;
    const w = new Worker(new URL("../workers/catalogue.ts", import.meta.url));
    this.worker = w;
    w.onmessage = (e: MessageEvent<CatalogueAnswer>) => {
      if ("ready" in e.data) return this.ready(e.data.ready);
      this.waiting.get(e.data.id)?.done(e.data.hits.map((h) => ({ ...h, names: this.names.get(h.code) ?? [] })));
      this.waiting.delete(e.data.id);
    };
    w.onerror = (e) => {
      e.preventDefault();
      w.terminate();
      this.worker = null;
      setTimeout(() => {
        this.tell();
        for (const { ask } of this.waiting.values()) this.start().postMessage(ask);
      }, AGAIN_MS);
    };
    return w;
  }
  private tell(): void {
    this.start().postMessage({ id: 0, codes: [...this.names.keys()] } satisfies CatalogueAsk);
  }
  /** Reads the catalogue as it is now. */
  async read(): Promise<void> {
    this.start();
    const reply = await fetch("/api/catalogue", { cache: "no-store" })
      .then((r) => (r.ok ? (r.json() as Promise<CatalogueReply>) : null))
      .catch(() => null);
    if (reply) {
      this.names = namesOf(reply);
      this.tell();
    } else if (this.texts === null) this.ready(0);
  }
  search(text: string, limit: number): Promise<NamedHit[]> {
    return new Promise((done) => {
      this.last += 1;
      const ask = { id: this.last, text, limit } satisfies CatalogueAsk;
      this.waiting.set(this.last, { ask, done });
      this.start().postMessage(ask);
    });
  }
  /** Hash of the panel whose own code this is; null for other names. */
  hashOf(code: string): string | null {
    return this.names.get(code)?.find((n) => n.kind === "code")?.panels[0]?.hash ?? null;
  }
}

let one: CatalogueClient | null = null;
/** The page's catalogue. */
export function catalogueHere(): CatalogueClient {
  one ??= new CatalogueClient();
  return one;
}
