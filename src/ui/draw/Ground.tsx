/** A frame in mm on a pane in px: where zero lies, and how many px a millimetre takes. */
export interface Frame {
  ox: number;
  oy: number;
  /** px per mm */
  s: number;
}
export const fx = (f: Frame, mm: number) => Math.round((f.ox + mm * f.s) * 100) / 100;
export const fy = (f: Frame, mm: number) => Math.round((f.oy + mm * f.s) * 100) / 100;
export const fl = (f: Frame, mm: number) => Math.round(mm * f.s * 100) / 100;

/** Mat grid in 10 mm, heavier at 50 mm, registered to the part's own corner; rulers along top and left. */
export function Ground({ f, w, h, partW, partH }: { f: Frame; w: number; h: number; partW: number; partH: number }) {
  let fine = "";
  let heavy = "";
  const step = 10 * f.s;
  for (let k = Math.ceil(-f.ox / step); f.ox + k * step <= w; k++) {
    const p = `M${Math.round((f.ox + k * step) * 10) / 10} 0V${h}`;
    if (k % 5 === 0) heavy += p;
    else fine += p;
  }
  for (let k = Math.ceil(-f.oy / step); f.oy + k * step <= h; k++) {
    const p = `M0 ${Math.round((f.oy + k * step) * 10) / 10}H${w}`;
    if (k % 5 === 0) heavy += p;
    else fine += p;
  }
  let ticks = "";
  const tops: number[] = [];
  const lefts: number[] = [];
  for (let m = 0; m <= partW; m += 10) {
    ticks += `M${fx(f, m)} 20v${m % 50 === 0 ? -9 : -5}`;
    if (m % 50 === 0) tops.push(m);
  }
  for (let m = 0; m <= partH; m += 10) {
    ticks += `M44 ${fy(f, m)}h${m % 50 === 0 ? -9 : -5}`;
    if (m % 50 === 0 && m > 0) lefts.push(m);
  }
  return (
    <g aria-hidden="true">
      <path d={fine} className="g10" />
      <path d={heavy} className="g50" />
      <path d={ticks} className="pen1 s3" />
      {tops.map((m) => (
        <text key={`t${m}`} x={fx(f, m) + 4} y={16} className="t14 mono i3">
          {m === 0 ? "0 mm" : m}
        </text>
      ))}
      {lefts.map((m) => (
        <text key={`l${m}`} x={33} y={fy(f, m) + 5} className="t14 mono i3" textAnchor="end">
          {m}
        </text>
      ))}
    </g>
  );
}

/** Hatches by material and meaning: direction, never colour alone. */
export function Hatches() {
  const hatch = (id: string, w: number, r: number, c: string) => (
    <pattern id={id} width={w} height={w} patternUnits="userSpaceOnUse" patternTransform={`rotate(${r})`}>
      <path d={`M0 0V${w}`} className={c} />
    </pattern>
  );
  return (
    <defs>
      {hatch("hMetal", 5, 45, "pk")}
      {hatch("hStop", 6, 45, "pks")}
      {hatch("hFilm", 7, 135, "pkp")}
      <pattern id="hFoam" width={7} height={7} patternUnits="userSpaceOnUse">
        <circle cx={1.75} cy={1.75} r={1} className="pf" />
        <circle cx={5.25} cy={5.25} r={1} className="pf" />
      </pattern>
    </defs>
  );
}
