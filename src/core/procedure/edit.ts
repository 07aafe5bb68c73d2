import type { Procedure, ProcedureStep } from "./schema";

/** An id made of words: lower case, digits, hyphens, 48 at most, and free among those taken. */
function freeStepId(words: string, taken: ReadonlySet<string>): string {
  const plain = words
    .normalize("NFKD")
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 40)
    .replace(/-+$/, "");
  const base = /^[a-z]/.test(plain) ? plain : `step${plain ? `-${plain}` : ""}`;
  let id = base;
  for (let n = 2; taken.has(id); n++) id = `${base}-${n}`;
  return id;
}

/**
 * A new procedure with one step, named after its maker and what it is for.
 * @param taken ids of procedures there are
 * @example newProcedure("Tollund", "pairing", new Set()).id // "tollund-pairing"
 */
export const newProcedure = (maker: string, what: string, taken: ReadonlySet<string>): Procedure => ({
  format: "helvane.procedure",
  version: 1,
  id: freeStepId(`${maker} ${what}`, taken),
  maker,
  source: "This shop, as entered; the maker's own instructions come first",
  steps: [{ id: "begin", act: "Mains in", sets: { mains: true } }],
});

/**
 * One step more at the end, done after the one that was last.
 * @example addProcedureStep(newProcedure("Tollund", "pairing", new Set()), "Shut the lid").steps[1].after // ["begin"]
 */
export function addProcedureStep(p: Procedure, act: string): Procedure {
  const last = p.steps.at(-1);
  const id = freeStepId(act, new Set(p.steps.map((s) => s.id)));
  return { ...p, steps: [...p.steps, { id, act, ...(last ? { after: [last.id] } : {}) }] };
}

/**
 * A step changed, by its place. What is undefined is taken away.
 * @example setProcedureStep(newProcedure("Tollund", "pairing", new Set()), 0, { act: "Put the mains in" }).steps[0].act // "Put the mains in"
 */
export function setProcedureStep(
  p: Procedure,
  at: number,
  change: { [K in keyof Omit<ProcedureStep, "id">]?: ProcedureStep[K] | undefined },
): Procedure {
  const put = (s: ProcedureStep): ProcedureStep =>
    Object.fromEntries(Object.entries({ ...s, ...change }).filter(([, v]) => v !== undefined)) as ProcedureStep;
  return { ...p, steps: p.steps.map((s, i) => (i === at ? put(s) : s)) };
}

/**
 * A step less. What came after it comes after what it came after; windows that counted from it or began again there go with it.
 * @example removeProcedureStep(addProcedureStep(newProcedure("Tollund", "pairing", new Set()), "Shut the lid"), 0).steps.length // 1
 */
export function removeProcedureStep(p: Procedure, at: number): Procedure {
  const gone = p.steps[at];
  if (!gone) return p;
  const steps = p.steps
    .filter((s) => s !== gone)
    .map((s) => {
      const after = s.after && [...new Set(s.after.flatMap((a) => (a === gone.id ? (gone.after ?? []) : [a])))];
      const { window: w, lost, ...rest } = s;
      const restart = (id: string | undefined) => (id === gone.id ? undefined : id);
      const [early, late] = [restart(w?.early), restart(w?.late)];
      const [mains, network] = [restart(lost?.mains), restart(lost?.network)];
      return {
        ...rest,
        ...(s.after ? { after } : {}),
        // A window without its end's new beginning would be none: it goes whole, and is to be set anew.
        ...(w && w.since !== gone.id && !(w.atMostS !== undefined && !late)
          ? {
              window: {
                since: w.since,
                atLeastS: w.atLeastS,
                ...(w.atMostS === undefined ? {} : { atMostS: w.atMostS }),
                ...(early ? { early } : {}),
                ...(late ? { late } : {}),
              },
            }
          : {}),
        ...(mains || network ? { lost: { ...(mains ? { mains } : {}), ...(network ? { network } : {}) } } : {}),
      } as ProcedureStep;
    });
  return { ...p, steps };
}

/**
 * A step moved one up or down. Where steps follow each other one by one, they follow each other in the new order.
 * @param by -1 up, 1 down
 * @example moveProcedureStep(addProcedureStep(newProcedure("Tollund", "pairing", new Set()), "Shut the lid"), 1, -1).steps[0].id // "shut-the-lid"
 */
export function moveProcedureStep(p: Procedure, at: number, by: -1 | 1): Procedure {
  const to = at + by;
  if (!p.steps[at] || !p.steps[to]) return p;
  const inLine = p.steps.every((s, i) =>
    i === 0 ? !s.after?.length : s.after?.length === 1 && s.after[0] === p.steps[i - 1]!.id,
  );
  const steps = [...p.steps];
  [steps[at], steps[to]] = [steps[to]!, steps[at]!];
  if (!inLine) return { ...p, steps };
  return {
    ...p,
    steps: steps.map(({ after: _, ...s }, i) => (i === 0 ? s : { ...s, after: [steps[i - 1]!.id] })),
  };
}
