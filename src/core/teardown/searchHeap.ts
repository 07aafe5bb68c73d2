/** A partial order of the search: what is done, and what the rest must cost at least. */
export interface Node {
  done: Uint8Array;
  missing: Uint8Array;
  toolsLeft: Uint8Array;
  viewsLeft: [number, number];
  count: number;
  tool: number;
  view: number;
  g: number;
  f: number;
  rate: number;
  costLeft: number;
  minutesLeft: number;
  laidLeft: number;
  parent: Node | null;
  steps: number[];
  seq: number;
}

/** A heap by f, then by how far it has come, then by age: the same input always gives the same plan. */
export class Heap {
  private list: Node[] = [];
  private static before(a: Node, b: Node): boolean {
    return a.f !== b.f ? a.f < b.f : a.count !== b.count ? a.count > b.count : a.seq < b.seq;
  }
  get size(): number {
    return this.list.length;
  }
  push(n: Node): void {
    const a = this.list;
    a.push(n);
    let i = a.length - 1;
    while (i > 0) {
      const up = (i - 1) >> 1;
      if (!Heap.before(n, a[up]!)) break;
      a[i] = a[up]!;
      i = up;
    }
    a[i] = n;
  }
  pop(): Node {
    const a = this.list;
    const top = a[0]!;
    const last = a.pop()!;
    if (a.length) {
      let i = 0;
      for (;;) {
        let c = 2 * i + 1;
        if (c >= a.length) break;
        if (c + 1 < a.length && Heap.before(a[c + 1]!, a[c]!)) c += 1;
        if (!Heap.before(a[c]!, last)) break;
        a[i] = a[c]!;
        i = c;
      }
      a[i] = last;
    }
    return top;
  }
}
