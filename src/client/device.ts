/** This device's id and the name acts are recorded under, kept in the browser. Works where the page is not a secure context. */
export function deviceId(): string {
  const known = read("helvane.device");
  if (known) return known;
  const bytes = crypto.getRandomValues(new Uint8Array(8));
  const id = `dev-${[...bytes].map((b) => b.toString(16).padStart(2, "0")).join("")}`;
  write("helvane.device", id);
  return id;
}
export const whoIsHere = (): string => read("helvane.who") || "Bench 2";
export const setWho = (who: string): void => write("helvane.who", who.trim().slice(0, 60));

export function read(key: string): string | null {
  try {
    return localStorage.getItem(key);
  } catch {
    return null;
  }
}
export function write(key: string, value: string): void {
  try {
    localStorage.setItem(key, value);
  } catch {
    // A browser that keeps nothing still works for the length of the page.
  }
}

/** What is kept for this tab alone, through a reload. */
export function inThisTab(key: string): string | null {
  try {
    return sessionStorage.getItem(key);
  } catch {
    return null;
  }
}
export function keepInThisTab(key: string, value: string): void {
  try {
    sessionStorage.setItem(key, value);
  } catch {
    // As above.
  }
}
