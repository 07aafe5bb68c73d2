/** The server's time. Fixed by HELVANE_NOW (ISO) for pictures and tests. */
export function nowMs(): number {
  const fixed = process.env.HELVANE_NOW;
  return fixed ? Date.parse(fixed) : Date.now();
}
export const nowIso = (): string => new Date(nowMs()).toISOString();
export const clockIsFixed = (): boolean => !!process.env.HELVANE_NOW;
