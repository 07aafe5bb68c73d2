import {
  DOT_SCREENS,
  type Finger,
  guidesOf,
  heldFingers,
  PATTERNS,
  paintPattern,
  type TouchSample,
  tilesOf,
  touchCoverage,
} from "@/core/proof/touchTest";
import { make, styled } from "./dom";
import { drawCells, drawGuides, drawMarks } from "./draw";
import { codesOf, sampleAt, strokeEnded, touched } from "./record";
import { fresh, GO, type Kept, keep, readKept, type Stage, samplesOf, TOUCHING, untried } from "./state";
import { sayOf } from "./words";

/** A 14-inch glass, where nobody says what it measures, mm. */
const USUAL = { widthMm: 309, heightMm: 174 };
/** A tap this near to a ring takes it away, CSS px. */
const ON_RING = 14;
/** Held for so long, ms: from patterns to the touch test, where there is no keyboard. */
const HOLD_MS = 1000;
/** Fingers asked for at most. */
const FIVE = 5;

export interface StickOptions {
  widthMm?: number | undefined;
  heightMm?: number | undefined;
  start?: Stage;
  /** Where the whole is had as one file for a stick; missing in that file itself. */
  file?: string;
}

/**
 * Patterns, dots and touch on the machine under test, in one element: the same code on the bench's own page and in the file for a stick.
 * @returns what takes it away again
 */
export function mountStick(root: HTMLElement, o: StickOptions = {}): () => void {
  const [w, h] = [o.widthMm ?? USUAL.widthMm, o.heightMm ?? USUAL.heightMm];
  const key = `helvane-stick-${w}x${h}`;
  let k: Kept = readKept(key);
  const own = (stage: Stage) => (stage === "dots" ? k.stage === "dots" || k.stage === "done" : k.stage !== "dots" && touched(k));
  if (o.start ? !own(o.start) : o.file) k = { ...k, stage: o.start ?? "" };
  let samples: TouchSample[] = samplesOf(k.cells, w, h);
  let at = 0;
  /** The sixth whose crosses are shown for a close-up, from 1; 0 = none. */
  let sixth = 0;
  const fingers = new Map<number, { samples: TouchSample[]; upS: number | null }>();
  const canvas = make("canvas", { role: "img" });
  const marks = document.createElementNS("http://www.w3.org/2000/svg", "svg");
  const hint = make("p", { class: "hint" });
  const said = make("p");
  const facts = make("ul");
  const keys = make("div", { class: "keys" });
  const say = make("div", { class: "say" }, said, facts, keys);
  root.classList.add("stick");
  styled(root);
  root.append(make("h1", { class: "vh" }, "Test patterns"), canvas, marks, hint, say);
  const gone = new AbortController();
  const { signal } = gone;
  let hide: ReturnType<typeof setTimeout> | undefined;
  let frame = 0;

  const shown = () =>
    k.stage === "dots" ? PATTERNS.find((p) => p.id === DOT_SCREENS[at % DOT_SCREENS.length])! : PATTERNS[at % PATTERNS.length]!;
  const count = () => (k.stage === "dots" ? DOT_SCREENS.length : PATTERNS.length);
  const cover = () => touchCoverage({ widthMm: w, heightMm: h, samples });
  const dpr = () => devicePixelRatio || 1;
  const sizePx = (): [number, number] => [Math.round(root.clientWidth * dpr()), Math.round(root.clientHeight * dpr())];
  const paint = (t: number) => {
    cancelAnimationFrame(frame);
    if (k.stage !== "" && k.stage !== "dots") return;
    const [pw, ph] = sizePx();
    const g = canvas.getContext("2d");
    if (!g || pw === 0) return;
    if (canvas.width !== pw || canvas.height !== ph) Object.assign(canvas, { width: pw, height: ph });
    const p = shown();
    paintPattern(g, pw, ph, p.id, t);
    canvas.setAttribute("aria-label", `Pattern: ${p.name}`);
    if (k.stage === "dots") drawMarks(marks, k.dots, p.id, dpr(), t, tilesOf(pw, ph)[sixth - 1] ?? null);
    if (p.id === "bar" || k.stage === "dots") frame = requestAnimationFrame(paint);
  };
  const draw = () => {
    const c = cover();
    root.dataset.stage = k.stage;
    root.dataset.pattern = shown().id;
    canvas.hidden = k.stage !== "" && k.stage !== "dots";
    marks.replaceChildren();
    marks.removeAttribute("role");
    marks.removeAttribute("aria-label");
    if (k.stage === "draw") drawCells(marks, c);
    if (k.stage === "lines") drawGuides(marks, guidesOf(w, h), w, h, k.tried?.worst ?? {});
    const { words, facts: small } = sayOf(
      k,
      { share: c.share, missed: c.missed.length },
      [w, h],
      `${shown().name}${sixth ? `, sixth ${sixth} of 6` : ""}`,
    );
    say.hidden = k.stage === "";
    said.textContent = words;
    if (k.stage === "done") said.append(...codesOf(k, c, sizePx()).map((c) => make("b", { "data-code": "" }, c)));
    facts.replaceChildren(...small.map((x) => make("li", {}, x)));
    facts.hidden = small.length === 0;
    const gone = new Set(c.missed.map(([i, j]) => j * c.nx + i));
    if (samples.length) k.cells = Array.from({ length: c.nx * c.ny }, (_, i) => i).filter((i) => !gone.has(i));
    keep(key, k);
    paint(performance.now());
  };
  /** A finger tells more often than a screen is drawn: once a frame is enough. */
  let waits = 0;
  const soon = () => {
    waits ||= requestAnimationFrame(() => {
      waits = 0;
      draw();
    });
  };
  const buttons = () => {
    const press = (words: string, act: () => void) => {
      const b = make("button", { type: "button" }, words);
      b.addEventListener("click", act, { signal });
      return b;
    };
    keys.replaceChildren(
      ...(k.stage === "dots"
        ? [
            press("Next screen", () => go(1)),
            press("Words out of the way", () => say.toggleAttribute("data-up")),
            press("Crosses for a close-up", () => {
              sixth = (sixth + 1) % 7;
              draw();
            }),
          ]
        : []),
      ...GO.filter(([from, to]) => from === k.stage && !(to === "watch" && k.stage === "done" && k.cells.length === 0)).map(
        ([, to, words]) => press(words, () => to_(to)),
      ),
      ...(k.stage === "draw" && samples.length === 0 ? [] : k.stage === "" ? [] : [press("Begin anew", anew)]),
      ...(k.stage === "" ? [] : [press("Back to the patterns", () => to_(""))]),
    );
  };
  const hinted = () => {
    hint.hidden = k.stage !== "";
    hint.replaceChildren(
      `${shown().name}. Tap or Space: next. F: full screen. D: mark dots. T, or held for a second: touch test. `,
    );
    if (o.file) hint.append(make("a", { href: o.file, download: "helvane-patterns.html" }, "As one file"));
    clearTimeout(hide);
    hide = setTimeout(() => {
      hint.hidden = true;
    }, 4000);
  };
  const to_ = (stage: Stage) => {
    k.stage = stage;
    if (stage === "dots" || stage === "") at = 0;
    if (stage === "lines" || stage === "fingers") k.tried ??= untried();
    if (stage === "fingers") k.tried!.ofFingers = Math.max(1, Math.min(FIVE, navigator.maxTouchPoints || 1));
    fingers.clear();
    draw();
    buttons();
    hinted();
  };
  const anew = () => {
    const stage: Stage = k.stage === "dots" || (k.stage === "done" && !touched(k)) ? "dots" : "draw";
    k = { ...fresh(), stage };
    samples = [];
    to_(stage);
  };
  const go = (d: number) => {
    at = (at + d + count()) % count();
    draw();
    hinted();
  };

  const onButton = (e: Event) => !!(e.target as HTMLElement).closest?.("button,a");
  const took = (e: PointerEvent) => {
    const all = e.getCoalescedEvents?.() ?? [];
    const news = (all.length ? all : [e]).map((x) => sampleAt(root, w, h, x));
    if (k.stage === "draw") samples.push(...news);
    else fingers.get(e.pointerId)?.samples.push(...news);
  };
  const mark = (e: MouseEvent) => {
    const r = root.getBoundingClientRect();
    const [x, y] = [(e.clientX - r.left) * dpr(), (e.clientY - r.top) * dpr()];
    const screen = DOT_SCREENS[at % DOT_SCREENS.length]!;
    const on = k.dots.findIndex((d) => d.screen === screen && Math.hypot(d.x - x, d.y - y) < ON_RING * dpr());
    k.dots = on >= 0 ? k.dots.filter((_, i) => i !== on) : [...k.dots, { x, y, screen }];
    draw();
    buttons();
  };
  let held = false;
  let holding: ReturnType<typeof setTimeout> | undefined;
  root.addEventListener(
    "pointerdown",
    (e) => {
      if (onButton(e)) return;
      if (k.stage === "") {
        clearTimeout(holding);
        holding = setTimeout(() => {
          held = true;
          to_("draw");
        }, HOLD_MS);
        return;
      }
      if (e.pointerType !== "touch") return;
      if (k.stage === "watch") k.taps.push(k.watchedS);
      else if (TOUCHING.includes(k.stage)) {
        fingers.set(e.pointerId, { samples: [], upS: null });
        took(e);
      } else return;
      draw();
      if (k.stage === "draw" && keys.children.length < 5) buttons();
    },
    { signal },
  );
  root.addEventListener(
    "pointermove",
    (e) => {
      if (!TOUCHING.includes(k.stage) || e.pointerType !== "touch" || e.buttons === 0 || onButton(e)) return;
      took(e);
      if (k.stage === "draw") soon();
    },
    { signal },
  );
  // A stroke the system takes for itself ends here; so does one at a page that goes away.
  const up = (e: PointerEvent) => {
    clearTimeout(holding);
    const f = fingers.get(e.pointerId);
    if (!f) return;
    fingers.delete(e.pointerId);
    if (k.stage !== "lines") return;
    strokeEnded(k.tried!, f.samples, w, h);
    draw();
  };
  for (const type of ["pointerup", "pointercancel"] as const) root.addEventListener(type, up, { signal });
  root.addEventListener(
    "click",
    (e) => {
      const was = held;
      held = false;
      if (onButton(e) || was) return;
      if (k.stage === "") go(1);
      else if (k.stage === "dots") mark(e);
    },
    { signal },
  );
  addEventListener(
    "keydown",
    (e) => {
      const low = e.key.toLowerCase();
      if (low === "f") void root.requestFullscreen?.();
      else if (low === "t") to_(k.stage === "draw" ? "" : "draw");
      else if (low === "d") to_(k.stage === "dots" ? "" : "dots");
      else if (k.stage === "dots" && e.key.startsWith("Arrow") && k.dots.length) {
        const last = k.dots.at(-1)!;
        const [dx, dy] = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key] ?? [0, 0];
        k.dots = [...k.dots.slice(0, -1), { ...last, x: last.x + dx!, y: last.y + dy! }];
        draw();
      } else if ((k.stage === "" || k.stage === "dots") && (e.key === " " || e.key === "Enter" || e.key === "ArrowRight")) {
        if (onButton(e)) return;
        go(1);
      } else if (k.stage === "" && e.key === "ArrowLeft") go(-1);
      else return;
      e.preventDefault();
    },
    { signal },
  );
  addEventListener("resize", draw, { signal });
  // The clock of the watch stands still while the page is hidden: nothing is seen then.
  let last = performance.now();
  const tick = setInterval(() => {
    const now = performance.now();
    const step = (now - last) / 1000;
    last = now;
    if (document.hidden || step >= 5) return;
    if (k.stage === "watch") {
      k.watchedS += step;
      draw();
    } else if (k.stage === "fingers" && fingers.size) {
      const t = k.tried!;
      const all: Finger[] = [...fingers].map(([id, f]) => ({ id, ...f }));
      const r = heldFingers(all, now / 1000);
      if (r.count > t.fingers) t.fingers = r.count;
      if (r.jitterMm !== null) t.jitterMm = Math.min(t.jitterMm ?? Number.POSITIVE_INFINITY, r.jitterMm);
      draw();
    }
  }, 250);
  to_(k.stage);
  return () => {
    gone.abort();
    clearInterval(tick);
    clearTimeout(hide);
    clearTimeout(holding);
    cancelAnimationFrame(frame);
    cancelAnimationFrame(waits);
    root.replaceChildren();
    root.classList.remove("stick");
  };
}
