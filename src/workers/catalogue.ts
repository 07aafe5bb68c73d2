import { type CatalogueIndex, createCatalogueIndex } from "@/core/catalogue";

// The wire types of this worker are declared beside the page that asks it (src/wire/catalogue.ts); they are plain data here.
let index: CatalogueIndex = createCatalogueIndex([]);

self.onmessage = (e: MessageEvent<{ id: number; codes?: string[]; text?: string; limit?: number }>) => {
  const { id, codes, text, limit } = e.data;
  if (codes) {
    index = createCatalogueIndex(codes);
    self.postMessage({ id, ready: index.size });
  } else self.postMessage({ id, hits: index.search(text ?? "", limit ?? 5) });
};
