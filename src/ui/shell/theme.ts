"use client";

export type Theme = "light" | "dim" | "black";

/** Bench light, dim for a dark room, black for black-level tests; any key leaves black. Kept in a cookie, so the server draws it right at once. */
export function setTheme(theme: Theme): void {
  document.documentElement.dataset.theme = theme;
  // biome-ignore lint/suspicious/noDocumentCookie: the cookie store is missing on plain http, where bench tablets are.
  document.cookie = `helvane-theme=${theme === "black" ? "dim" : theme}; path=/; max-age=31536000; samesite=strict`;
}

export function nextTheme(): void {
  const shown = document.documentElement.dataset.theme;
  const dark = shown === "auto" && matchMedia("(prefers-color-scheme: dark)").matches;
  const now: Theme = dark || shown === "dim" ? "dim" : shown === "black" ? "black" : "light";
  const next: Theme = now === "light" ? "dim" : now === "dim" ? "black" : "light";
  setTheme(next);
  if (next !== "black") return;
  const wake = (e: Event) => {
    e.preventDefault();
    e.stopPropagation();
    setTheme("dim");
    window.removeEventListener("keydown", wake, true);
    window.removeEventListener("pointerdown", wake, true);
  };
  setTimeout(() => {
    window.addEventListener("keydown", wake, true);
    window.addEventListener("pointerdown", wake, true);
  }, 0);
}
