/** What stands on the label, typed, pasted or scanned. Enter does what the plate says, where it says one thing. */
export function LabelField({
  text,
  onText,
  onEnter,
}: {
  text: string;
  onText: (text: string) => void;
  /** Takes the code that was read; null while nothing reads as one: then Enter makes a new line. */
  onEnter: (() => void) | null;
}) {
  return (
    <label className="field">
      <span>Label text, whole or in part</span>
      <textarea
        className="mono"
        rows={2}
        value={text}
        maxLength={4000}
        onChange={(e) => onText(e.target.value)}
        onKeyDown={(e) => {
          if (e.key !== "Enter" || e.shiftKey || e.nativeEvent.isComposing || !onEnter) return;
          e.preventDefault();
          onEnter();
        }}
        placeholder={"GV140FHB-K31\nS/N …"}
        spellCheck={false}
        autoCapitalize="characters"
      />
      <span className="hint">
        The part code is usually the larger line above the serial and bar code. A scan lands here. Shift and Enter make another
        line.
      </span>
    </label>
  );
}
