import { Heap, type Node } from "./searchHeap";

/** An ordering problem: steps 0 to n-1 with what each costs, needs first and leaves open. All amounts in minutes' worth. */
export interface OrderProblem {
  /** What a step costs wherever it stands: hands, risk, its way back. */
  cost: readonly number[];
  /** Its minutes, which count again at the rate of what lies exposed. */
  minutes: readonly number[];
  /** Tool in hand for it, -1 for none. */
  tool: readonly number[];
  /** Side of the machine that faces up, 0 or 1; -1 for either. */
  view: readonly number[];
  /** Steps that must come first. */
  pre: readonly (readonly number[])[];
  /** Minutes' worth that every later minute costs once this step is done. */
  exposes: readonly number[];
  toolChange: number;
  turn: number;
}

export interface OrderResult {
  /** Null when the steps wait for each other in a circle, or everything is dearer than the limit given. */
  order: number[] | null;
  value: number;
  /** No order is cheaper than this. Equal to `value` when proven. */
  bound: number;
  proven: boolean;
}

/** Partial orders that may still be looked at; shared by the searches of one plan, and counted down. */
export interface Budget {
  left: number;
}

const EPS = 1e-9;
const NONE: OrderResult = { order: null, value: Number.POSITIVE_INFINITY, bound: Number.POSITIVE_INFINITY, proven: true };

/** For each step everything that can only come after it; null when they wait for each other in a circle. */
function successors(needs: readonly (readonly number[])[]): Uint8Array[] | null {
  const n = needs.length;
  const after = Array.from({ length: n }, () => new Uint8Array(n));
  const order: number[] = [];
  const done = new Uint8Array(n);
  while (order.length < n) {
    const next = needs.findIndex((list, i) => !done[i] && list.every((x) => done[x]));
    if (next < 0) return null;
    done[next] = 1;
    order.push(next);
  }
  for (const i of order.reverse())
    for (const x of needs[i]!) {
      after[x]![i] = 1;
      for (let k = 0; k < n; k++) if (after[i]![k]) after[x]![k] = 1;
    }
  return after;
}

/**
 * The cheapest order of steps under precedence: hands, tool changes, turns of the machine, and what lies exposed meanwhile.
 * First a good order by keeping the best few partial ones side by side, then the proof, cheapest first over sets of steps done.
 * Two rules keep it small without losing the best order: a ready step that needs no change of tool or side and exposes
 * nothing is done at once (moving it earlier takes nothing away from the others, and its own minutes are never dearer than
 * later); of several ready steps that need the same change and expose nothing, one is enough to look at.
 * @param budget partial orders that may be looked at; when it is used up, the best found is given with a bound
 * @param limit orders this dear or dearer are of no interest
 * @returns the order with its value, and a bound that no order beats; never throws
 * @example bestOrder({ cost: [1, 2], minutes: [1, 2], tool: [-1, -1], view: [-1, -1], pre: [[1], []], exposes: [0, 0], toolChange: 1, turn: 1 }).order // [1,0]
 */
export function bestOrder(p: OrderProblem, budget: Budget = { left: 200_000 }, limit = Number.POSITIVE_INFINITY): OrderResult {
  const n = p.cost.length;
  const needs = p.pre.map((list) => [...new Set(list)]);
  const after = successors(needs);
  if (!after) return NONE;
  const next: number[][] = Array.from({ length: n }, () => []);
  for (const [i, list] of needs.entries()) for (const x of list) next[x]!.push(i);
  const bare = p.exposes.flatMap((r, i) => (r > 0 ? [i] : []));
  // What of two things laid bare must be paid whichever comes first. If a comes before b, then b and all that only follows b
  // is done while a lies bare. So that nothing is counted twice under a, each such step counts for one b only, the first.
  const behind = new Map<number, number>();
  for (const a of bare) {
    const taken = new Uint8Array(n);
    for (const b of bare) {
      if (a === b || after[a]![b] || after[b]![a]) continue;
      let m = 0;
      for (let x = 0; x < n; x++)
        if (!taken[x] && (x === b || after[b]![x]) && x !== a && !after[a]![x]) {
          taken[x] = 1;
          m += p.minutes[x]!;
        }
      behind.set(a * n + b, m * p.exposes[a]!);
    }
  }
  const pair = (a: number, b: number): number => Math.min(behind.get(a * n + b) ?? 0, behind.get(b * n + a) ?? 0);
  /** What one thing laid bare costs over everything that can only follow it. */
  const follows = p.exposes.map((r, a) => {
    let m = 0;
    if (r > 0) for (let i = 0; i < n; i++) if (after[a]![i]) m += p.minutes[i]!;
    return m * r;
  });
  const setup = (node: Node, i: number): number =>
    (p.tool[i]! >= 0 && p.tool[i] !== node.tool ? p.toolChange : 0) +
    (p.view[i]! >= 0 && node.view >= 0 && p.view[i] !== node.view ? p.turn : 0);
  const take = (node: Node, i: number): void => {
    node.g += p.cost[i]! + setup(node, i) + p.minutes[i]! * node.rate;
    node.done[i] = 1;
    node.count += 1;
    node.costLeft -= p.cost[i]!;
    node.minutesLeft -= p.minutes[i]!;
    if (p.exposes[i]! > 0) {
      node.rate += p.exposes[i]!;
      node.laidLeft -= follows[i]!;
      for (const b of bare) if (!node.done[b]) node.laidLeft -= pair(i, b);
    }
    if (p.tool[i]! >= 0) {
      node.tool = p.tool[i]!;
      node.toolsLeft[p.tool[i]!]! -= 1;
    }
    if (p.view[i]! >= 0) {
      node.view = p.view[i]!;
      node.viewsLeft[p.view[i] as 0 | 1] -= 1;
    }
    for (const x of next[i]!) node.missing[x]! -= 1;
    node.steps.push(i);
  };
  const settle = (node: Node): void => {
    for (let moved = true; moved; ) {
      moved = false;
      for (let i = 0; i < n; i++)
        if (
          !node.done[i] &&
          node.missing[i] === 0 &&
          p.exposes[i] === 0 &&
          (p.tool[i]! < 0 || p.tool[i] === node.tool) &&
          (p.view[i]! < 0 || p.view[i] === node.view)
        ) {
          take(node, i);
          moved = true;
        }
    }
    let changes = 0;
    for (let t = 0; t < node.toolsLeft.length; t++) if (node.toolsLeft[t]! > 0 && t !== node.tool) changes += 1;
    const other = node.view >= 0 && node.viewsLeft[node.view === 0 ? 1 : 0] > 0;
    // What must still be paid at least.
    node.f =
      node.g +
      Math.max(0, node.costLeft) +
      Math.max(0, node.minutesLeft) * node.rate +
      Math.max(0, node.laidLeft) +
      changes * p.toolChange +
      (other ? p.turn : 0);
  };
  const keyOf = (node: Node): string => {
    let k = "";
    for (let i = 0; i < n; i += 15) {
      let w = 0;
      for (let j = 0; j < 15 && i + j < n; j++) if (node.done[i + j]) w |= 1 << j;
      k += String.fromCharCode(w);
    }
    return `${k}${String.fromCharCode(node.tool + 1, node.view + 1)}`;
  };
  let seq = 0;
  const child = (node: Node, i: number): Node => {
    budget.left -= 1;
    const c: Node = {
      ...node,
      done: node.done.slice(),
      missing: node.missing.slice(),
      toolsLeft: node.toolsLeft.slice(),
      viewsLeft: [...node.viewsLeft],
      parent: node,
      steps: [],
      seq: seq++,
    };
    take(c, i);
    settle(c);
    return c;
  };
  const branches = (node: Node): number[] => {
    const seen = new Set<number>();
    const list: number[] = [];
    for (let i = 0; i < n; i++) {
      if (node.done[i] || node.missing[i]! > 0) continue;
      if (p.exposes[i] === 0) {
        const kind = (p.tool[i]! + 1) * 4 + p.view[i]! + 1;
        if (seen.has(kind)) continue;
        seen.add(kind);
      }
      list.push(i);
    }
    return list;
  };
  const pathOf = (node: Node): number[] => {
    const out: number[][] = [];
    for (let at: Node | null = node; at; at = at.parent) out.push(at.steps);
    return out.reverse().flat();
  };
  const toolsLeft = new Uint8Array(Math.max(-1, ...p.tool) + 1);
  for (const t of p.tool) if (t >= 0) toolsLeft[t]! += 1;
  let laid = 0;
  for (const [k, a] of bare.entries()) {
    laid += follows[a]!;
    for (const b of bare.slice(k + 1)) laid += pair(a, b);
  }
  const start: Node = {
    done: new Uint8Array(n),
    missing: Uint8Array.from(needs, (list) => list.length),
    toolsLeft,
    viewsLeft: [p.view.filter((v) => v === 0).length, p.view.filter((v) => v === 1).length],
    count: 0,
    tool: -1,
    view: -1,
    g: 0,
    f: 0,
    rate: 0,
    costLeft: p.cost.reduce((a, x) => a + x, 0),
    minutesLeft: p.minutes.reduce((a, x) => a + x, 0),
    laidLeft: laid,
    parent: null,
    steps: [],
    seq: seq++,
  };
  settle(start);
  if (start.f >= limit - EPS) return { ...NONE, bound: start.f };

  // A good order first. A small beam always ends, whatever is left of the budget.
  let incumbent: Node | null = null;
  const width = budget.left > 3000 ? (n > 40 ? 6 : 16) : 1;
  for (let front = [start]; front.length; ) {
    const beam = new Map<string, Node>();
    for (const node of front) {
      if (node.count === n) {
        if (!incumbent || node.g < incumbent.g - EPS) incumbent = node;
        continue;
      }
      for (const i of branches(node)) {
        const c = child(node, i);
        const key = keyOf(c);
        const known = beam.get(key);
        if (!known || c.g < known.g - EPS) beam.set(key, c);
      }
    }
    front = [...beam.values()].sort((a, b) => a.f - b.f || a.seq - b.seq).slice(0, width);
  }

  // Then the proof: whatever could still be cheaper, cheapest first.
  const open = new Heap();
  const best = new Map<string, number>();
  const cap = () => Math.min(limit, incumbent ? incumbent.g : Number.POSITIVE_INFINITY) - EPS;
  const offer = (node: Node) => {
    if (node.f >= cap()) return;
    const key = keyOf(node);
    const known = best.get(key);
    if (known !== undefined && known <= node.g + EPS) return;
    best.set(key, node.g);
    open.push(node);
  };
  const answer = (bound: number, proven: boolean): OrderResult =>
    incumbent && incumbent.g < limit - EPS
      ? { order: pathOf(incumbent), value: incumbent.g, bound: Math.min(bound, incumbent.g), proven }
      : { ...NONE, bound: Math.min(bound, limit), proven };
  offer(start);
  while (open.size) {
    const node = open.pop();
    if (node.f >= cap()) break;
    if (best.get(keyOf(node))! < node.g - EPS) continue;
    if (node.count === n) {
      incumbent = node;
      break;
    }
    if (budget.left <= 0) return answer(node.f, false);
    for (const i of branches(node)) offer(child(node, i));
  }
  return answer(Number.POSITIVE_INFINITY, true);
}
