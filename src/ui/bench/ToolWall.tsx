/** How a tool is drawn where it hangs: by what its name says it is. */
const KINDS: [RegExp, string][] = [
  [/driver|lobe|cross|slot|hex|tri-?wing|\bT\d|\bPH\d|\bJ\d|bit\b/i, "driver"],
  [/tweezer/i, "tweezers"],
  [/gun|hand-?piece|hot air|dryer/i, "gun"],
  [/mat\b|plate|plane/i, "mat"],
  [/suction|cup/i, "cup"],
  [/meter|thermomet|scale|gauge|calliper|caliper/i, "meter"],
  [/torch|lamp|light/i, "torch"],
  [/cloth|wipe|glove|foam|card\b|paper/i, "cloth"],
  [/bottle|solvent|alcohol|spray|blower|air/i, "bottle"],
  [/roll|tape|thread|wire|line/i, "roll"],
  [/clamp|clip|weight/i, "clamp"],
  [/pick|feeler|spudger|blade|knife|opener|lever|wedge|scraper/i, "pick"],
];
const SHAPES: Record<string, string> = {
  driver: "M17 8h6v15l-1 2v22l-2 5l-2 -5v-22l-1 -2z",
  tweezers: "M18 8h4l3 20l-4 24M18 8l-3 20l4 24",
  gun: "M8 16h20v-5l6 2v10l-6 2v-2h-9l3 26h-8l-4 -26z",
  mat: "M6 16h28v32h-28zM10 22h20M10 28h20M10 34h20M10 40h20",
  cup: "M19 8h2v20h6l5 12v4h-24v-4l5 -12h6z",
  meter: "M11 10h18v38h-18zM14 14h12v9h-12zM17 32a3 3 0 1 0 6 0a3 3 0 1 0 -6 0M16 48v5M24 48v5",
  torch: "M15 8h10v26l3 6v8h-16v-8l3 -6zM12 43h16",
  cloth: "M8 12q12 8 24 0l-3 34q-9 -5 -18 0z",
  bottle: "M17 8h6v8l6 8v26h-18v-26l6 -8zM11 34h18",
  roll: "M8 26a12 12 0 1 0 24 0a12 12 0 1 0 -24 0M15 26a5 5 0 1 0 10 0a5 5 0 1 0 -10 0M32 26v22",
  clamp: "M10 12h20v6h-4v10h-4v-10h-8v28h12v-6h4v12h-20z",
  pick: "M20 8c5 6 9 16 8 26c-1 8 -4 14 -8 18c-4 -4 -7 -10 -8 -18c-1 -10 3 -20 8 -26z",
  other: "M14 12h12v36h-12zM14 22h12",
};

const kindOf = (name: string) => KINDS.find(([said]) => said.test(name))?.[1] ?? "other";

/** The wall over the bench: each tool hangs on its peg under its name; what a build asks for and is not here is an empty, dashed place. */
export function ToolWall({
  have,
  missing,
  onGone,
  onHang,
}: {
  have: string[];
  missing: string[];
  onGone: (tool: string) => void;
  onHang: (tool: string) => void;
}) {
  const place = (t: string, here: boolean) => (
    <li key={t} className="toolplace" data-here={here}>
      <svg width={40} height={58} viewBox="0 0 40 58" className="dw" aria-hidden="true">
        <circle cx={20} cy={4} r={2.4} className={here ? "pf" : "hole"} />
        <path d={SHAPES[kindOf(t)]} className={here ? "toolshape" : "ghost"} />
      </svg>
      <span className="toolname">{t}</span>
      <button
        type="button"
        className="link"
        aria-label={here ? `${t}: not here any more` : `${t}: hang it up`}
        onClick={() => (here ? onGone(t) : onHang(t))}
      >
        {here ? "gone" : "hang up"}
      </button>
    </li>
  );
  return (
    <ul className="toolwall" aria-label="Tools the shop has">
      {have.map((t) => place(t, true))}
      {missing.map((t) => place(t, false))}
      {have.length === 0 && <li className="q">Nothing hangs here yet: every plan will ask for everything.</li>}
    </ul>
  );
}
