import { CROSS_INSET, type DotMark, type guidesOf, type Tile, type touchCoverage } from "@/core/proof/touchTest";

const NS = "http://www.w3.org/2000/svg";
const shape = (tag: string, props: Record<string, string | number>): SVGElement => {
  const el = document.createElementNS(NS, tag);
  for (const [k, v] of Object.entries(props)) el.setAttribute(k, String(v));
  return el;
};
const named = (svg: SVGSVGElement, words: string) => {
  svg.setAttribute("role", "img");
  svg.setAttribute("aria-label", words);
};

/** Cells of the glass: touched ones light up. */
export function drawCells(svg: SVGSVGElement, c: ReturnType<typeof touchCoverage>): void {
  svg.setAttribute("viewBox", `0 0 ${c.nx} ${c.ny}`);
  svg.setAttribute("preserveAspectRatio", "none");
  named(svg, `${Math.floor(c.share * 100)} % of the glass touched`);
  const missed = new Set(c.missed.map(([i, j]) => j * c.nx + i));
  for (let i = 0; i < c.nx * c.ny; i++)
    svg.append(
      shape("rect", {
        x: i % c.nx,
        y: Math.floor(i / c.nx),
        width: 0.96,
        height: 0.96,
        fill: missed.has(i) ? "#202B25" : "#FFCA16",
      }),
    );
}

/** Lines to be drawn along a ruler; those drawn already are whole. */
export function drawGuides(
  svg: SVGSVGElement,
  guides: ReturnType<typeof guidesOf>,
  w: number,
  h: number,
  drawn: Readonly<Record<string, unknown>>,
): void {
  svg.setAttribute("viewBox", `0 0 ${w} ${h}`);
  svg.setAttribute("preserveAspectRatio", "none");
  named(svg, `${Object.keys(drawn).length} of ${guides.length} lines drawn`);
  for (const g of guides)
    svg.append(
      shape("line", {
        x1: g.from[0],
        y1: g.from[1],
        x2: g.to[0],
        y2: g.to[1],
        stroke: drawn[g.id] ? "#FFCA16" : "#8FA096",
        "stroke-width": 1,
        ...(drawn[g.id] ? {} : { "stroke-dasharray": "5 3" }),
      }),
    );
}

/** Share of the width the eye is led over at a time, and how long a pass takes, ms. */
const BAND = 0.2;
const PASS_MS = 5000;

/** Four crosses at the corners of a sixth: a close-up is laid straight by them. Their middles are what is marked in the photo. */
const crossesOf = (tile: Tile, dpr: number, ink: string): SVGElement[] =>
  [tile.x + CROSS_INSET, tile.x + tile.w - CROSS_INSET].flatMap((x) =>
    [tile.y + CROSS_INSET, tile.y + tile.h - CROSS_INSET].flatMap((y) => {
      const [cx, cy] = [x / dpr, y / dpr];
      const line = (x1: number, y1: number, x2: number, y2: number) =>
        shape("line", { x1, y1, x2, y2, stroke: ink, "stroke-width": 2, "data-cross": "" });
      return [line(cx - 14, cy, cx + 14, cy), line(cx, cy - 14, cx, cy + 14)];
    }),
  );

/** Rings round the dots of this screen, and two bars at the rim that lead the eye along: nothing lies over the pixels. */
export function drawMarks(
  svg: SVGSVGElement,
  dots: readonly DotMark[],
  screen: string,
  dpr: number,
  t: number,
  tile: Tile | null,
): void {
  const [w, h] = [svg.clientWidth || innerWidth, svg.clientHeight || innerHeight];
  svg.setAttribute("viewBox", `0 0 ${w} ${h}`);
  const here = dots.filter((d) => d.screen === screen);
  named(svg, `${here.length} dots marked on this screen`);
  const ink = screen === "white" || screen === "green" || screen === "grey" ? "#101814" : "#F4F6F0";
  const x = -BAND * w + ((t % PASS_MS) / PASS_MS) * (1 + BAND) * w;
  svg.replaceChildren(
    ...(tile ? crossesOf(tile, dpr, ink) : []),
    ...[0, h - 4].map((y) => shape("rect", { x, y, width: BAND * w, height: 4, fill: ink, "fill-opacity": 0.55 })),
    ...here.flatMap((d) => [
      shape("circle", { cx: d.x / dpr, cy: d.y / dpr, r: 14, fill: "none", stroke: ink, "stroke-width": 2 }),
      shape("circle", {
        cx: d.x / dpr,
        cy: d.y / dpr,
        r: 16.5,
        fill: "none",
        stroke: ink === "#101814" ? "#F4F6F0" : "#101814",
        "stroke-width": 2,
      }),
    ]),
  );
}
