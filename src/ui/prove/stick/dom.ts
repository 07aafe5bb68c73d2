/** A small element, styled by hand: what runs from a stick has no style sheet but its own. */
export function make<K extends keyof HTMLElementTagNameMap>(
  tag: K,
  props: Partial<Record<string, string>> = {},
  ...inside: (Node | string)[]
): HTMLElementTagNameMap[K] {
  const el = document.createElement(tag);
  for (const [k, v] of Object.entries(props)) if (v !== undefined) el.setAttribute(k, v);
  el.append(...inside);
  return el;
}

/** Puts the style in: as a sheet of its own where that can be made, since a page may let no style element in. */
export function styled(root: HTMLElement): void {
  try {
    const sheet = new CSSStyleSheet();
    sheet.replaceSync(STYLE);
    document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet];
  } catch {
    root.append(make("style", {}, STYLE));
  }
}

/** The one style of the page under test: dark, large, in the middle; what is drawn shows through where it can. */
const STYLE = `
.stick{position:fixed;inset:0;background:#000;color:#F4F6F0;font:20px/1.3 var(--font,"Atkinson Hyperlegible Next"),"Atkinson Hyperlegible Next Variable",sans-serif;overflow:hidden;user-select:none}
.stick[data-stage]:not([data-stage=""]){touch-action:none;background:#101814}
.stick canvas,.stick svg{position:absolute;inset:0;width:100%;height:100%;display:block}
.stick svg{pointer-events:none}
.stick .hint{position:absolute;left:20px;bottom:20px;margin:0;padding:8px 12px;background:#101814;font-size:18px}
.stick .hint a,.stick .hint button{color:#fff;text-decoration:underline;background:none;border:0;font:inherit;min-height:36px;padding:0 4px}
.stick .say{position:absolute;left:50%;top:50%;transform:translate(-50%,-50%);width:min(600px,92vw);text-align:center}
.stick[data-stage=dots] .say{top:auto;bottom:16px;transform:translateX(-50%);width:min(900px,96vw);font-size:17px}
.stick[data-stage=dots] .say[data-up]{top:16px;bottom:auto}
.stick[data-stage=lines] .say{top:auto;bottom:8vh;transform:translateX(-50%);width:min(470px,92vw);font-size:16px}
.stick[data-stage=lines] .say ul{font-size:15px;gap:0 12px}
.stick[data-stage=lines] .keys{gap:6px;margin-top:6px}
.stick[data-stage=lines] .keys button{font-size:15px;min-height:44px;padding:4px 10px}
.stick[data-stage=fingers] .say{top:72%}
.stick .say p{margin:0;padding:8px 16px;background:#101814}
.stick .say ul{margin:0;padding:4px 16px 8px;background:#101814;list-style:none;display:flex;flex-wrap:wrap;gap:4px 16px;justify-content:center;font-size:17px}
.stick .say b[data-code]{display:block;font:600 34px/48px "Atkinson Hyperlegible Mono",monospace;letter-spacing:1px;user-select:text}
.stick .keys{display:flex;flex-wrap:wrap;gap:12px;justify-content:center;margin-top:10px}
.stick .keys button{font-family:inherit;font-weight:600;font-size:17px;line-height:1.2;min-height:48px;padding:6px 16px;background:#F4F6F0;color:#101814;border:0}
.stick[data-stage=dots] .keys button{background:#26302A;color:#DCE3DD}
.stick .keys button:focus-visible{outline:3px solid #FFCA16;outline-offset:2px}
.stick .vh{position:absolute;width:1px;height:1px;overflow:hidden;clip-path:inset(50%)}
`;
