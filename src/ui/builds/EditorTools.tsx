const TOOLS = [
  ["move", "Select and move", "Select"],
  ["screw", "Screws", "+ Screws"],
  ["plug", "Plugs", "+ Plugs"],
  ["tape", "Tape", "+ Tape"],
  ["photo", "Photos", "+ Photos"],
  ["over", "What lies over it", "Over it"],
] as const;
/** Taps that add nothing. */
const LOOKS: readonly string[] = ["move", "over"];
/** What a tap on the drawing does. */
export type Tool = (typeof TOOLS)[number][0];

/** Which side is drawn, and what a tap on it does. */
export function EditorTools({
  view,
  tool,
  onView,
  onTool,
}: {
  view: "lid" | "base";
  tool: Tool;
  onView: (view: "lid" | "base") => void;
  onTool: (tool: Tool) => void;
}) {
  return (
    <div className="flex flex-wrap gap-2">
      {(["base", "lid"] as const).map((v) => (
        <button key={v} type="button" className="btn quiet" aria-pressed={view === v} onClick={() => onView(v)}>
          {v === "lid" ? "Lid" : "Base"}
        </button>
      ))}
      <span className="mx-2 border-l border-hair" />
      {TOOLS.map(([t, words, short]) => (
        <button
          key={t}
          type="button"
          className="btn quiet"
          style={{ padding: "8px 10px" }}
          aria-pressed={tool === t}
          aria-label={LOOKS.includes(t) ? words : `Add ${words.toLowerCase()}`}
          onClick={() => onTool(t)}
        >
          {short}
        </button>
      ))}
    </div>
  );
}
