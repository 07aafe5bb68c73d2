/**
 * What is wrong with the layout of the page on screen, in words: sideways scroll, texts cut by their box, texts that lie over each other.
 * Runs in the page; knows nothing of how it is made.
 */
export function pageFaults(): string[] {
  const out: string[] = [];
  const root = document.documentElement;
  if (root.scrollWidth > window.innerWidth + 1) {
    const wide = [...document.body.querySelectorAll<HTMLElement>("*")]
      .filter((e) => e.getBoundingClientRect().right > window.innerWidth + 1 && getComputedStyle(e).position !== "fixed")
      .slice(-1)[0];
    out.push(
      `the page scrolls sideways, ${root.scrollWidth} px in ${window.innerWidth}: ${wide?.tagName.toLowerCase()}.${wide?.className?.toString().slice(0, 40)} "${wide?.textContent?.slice(0, 40)}"`,
    );
  }
  const shown = (e: Element): boolean => {
    const s = getComputedStyle(e);
    const r = e.getBoundingClientRect();
    // What lies in a part that is folded up has a place, but is not painted.
    if (!e.checkVisibility({ contentVisibilityAuto: true, opacityProperty: true, visibilityProperty: true })) return false;
    return s.visibility !== "hidden" && s.display !== "none" && Number(s.opacity) > 0.05 && r.width > 1 && r.height > 1;
  };
  const hiddenText = (e: Element): boolean => !!e.closest(".vh, [aria-hidden='true'], option, datalist, script, style, noscript");
  // Texts with their boxes on screen, as they are painted.
  const texts: { e: Element; words: string; box: DOMRect; svg: boolean }[] = [];
  const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
  for (let n = walker.nextNode(); n; n = walker.nextNode()) {
    const e = n.parentElement;
    const words = n.textContent?.trim() ?? "";
    if (!e || !words || hiddenText(e) || !shown(e)) continue;
    const range = document.createRange();
    range.selectNodeContents(n);
    for (const box of range.getClientRects())
      if (box.width > 1 && box.height > 1) texts.push({ e, words, box, svg: !!e.closest("svg") });
  }
  // Cut: a box that hides what does not fit, and holds a text that does not.
  const seen = new Set<Element>();
  for (const t of texts) {
    for (let p: Element | null = t.svg ? null : t.e; p && p !== document.body; p = p.parentElement) {
      const s = getComputedStyle(p);
      const hides = (v: string) => v === "hidden" || v === "clip";
      if (!hides(s.overflowX) && !hides(s.overflowY)) continue;
      const r = p.getBoundingClientRect();
      const cutX = hides(s.overflowX) && (t.box.right > r.right + 1.5 || t.box.left < r.left - 1.5);
      const cutY = hides(s.overflowY) && (t.box.bottom > r.bottom + 4 || t.box.top < r.top - 4);
      if ((cutX || cutY) && !seen.has(t.e)) {
        seen.add(t.e);
        out.push(`cut: "${t.words.slice(0, 50)}" in ${p.tagName.toLowerCase()}.${p.getAttribute("class")?.slice(0, 30)}`);
      }
      break;
    }
  }
  // Over each other: two texts of different elements whose painted lines meet by more than a hair.
  const inBox = (t: (typeof texts)[number]): DOMRect => {
    // A line box is taller than its letters.
    const dy = t.box.height * 0.22;
    return new DOMRect(t.box.x + 0.5, t.box.y + dy, Math.max(0, t.box.width - 1), Math.max(0, t.box.height - 2 * dy));
  };
  /** What of the page an element can be seen in: all boxes around it that clip, together. */
  const clipped = (e: Element): { x: number; y: number; right: number; bottom: number } => {
    const c = { x: -1e9, y: -1e9, right: 1e9, bottom: 1e9 };
    for (let p = e.parentElement; p && p !== document.body; p = p.parentElement) {
      const s = getComputedStyle(p);
      if (s.overflowX === "visible" && s.overflowY === "visible") continue;
      const r = p.getBoundingClientRect();
      c.x = Math.max(c.x, r.x);
      c.y = Math.max(c.y, r.y);
      c.right = Math.min(c.right, r.right);
      c.bottom = Math.min(c.bottom, r.bottom);
    }
    return c;
  };
  const sticky = (e: Element): Element | null => {
    for (let p: Element | null = e; p && p !== document.body; p = p.parentElement) {
      const s = getComputedStyle(p);
      if (s.position === "sticky" || s.position === "fixed") return p;
    }
    return null;
  };
  const boxes = texts
    .map((t) => ({ ...t, at: inBox(t), clip: clipped(t.e), over: sticky(t.e) }))
    .filter(
      (t) => !t.clip || (t.at.x < t.clip.right && t.at.right > t.clip.x && t.at.y < t.clip.bottom && t.at.bottom > t.clip.y),
    )
    .sort((a, b) => a.at.y - b.at.y);
  let told = 0;
  for (let i = 0; i < boxes.length && told < 6; i++)
    for (let k = i + 1; k < boxes.length && boxes[k]!.at.y < boxes[i]!.at.bottom; k++) {
      const [a, b] = [boxes[i]!, boxes[k]!];
      if (a.e === b.e || a.over !== b.over) continue;
      const w = Math.min(a.at.right, b.at.right, a.clip.right, b.clip.right) - Math.max(a.at.x, b.at.x, a.clip.x, b.clip.x);
      const h = Math.min(a.at.bottom, b.at.bottom, a.clip.bottom, b.clip.bottom) - Math.max(a.at.y, b.at.y, a.clip.y, b.clip.y);
      if (w > 2 && h > 2) {
        told += 1;
        out.push(`over each other: "${a.words.slice(0, 30)}" and "${b.words.slice(0, 30)}"${a.svg ? " (drawing)" : ""}`);
        break;
      }
    }
  return out;
}
