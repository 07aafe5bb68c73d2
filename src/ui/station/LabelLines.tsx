import type { LabelLine, LineClass } from "@/core/identify";
import { useBench } from "../job/context";

/** What a line of a label is, in words. */
export const CLASS_WORDS: Record<LineClass, string> = {
  partCode: "part code",
  serial: "serial",
  date: "date",
  sparePart: "spare-part number",
  machineModel: "machine",
  other: "not read",
};

/** Every line of the label with what it is and why; a serial taken for the code is answered in words. */
export function LabelLines({
  lines,
  picked,
  onPick,
}: {
  lines: readonly LabelLine[];
  picked: string | null;
  onPick: (text: string) => void;
}) {
  const { log } = useBench();
  return (
    <ul className="rows" aria-label="What each line is">
      {lines.map((l, i) => (
        <li key={`${i}-${l.text}`} style={{ alignItems: "center", flexWrap: l.text.length > 18 ? "wrap" : undefined }}>
          {/* A whole label on one line stands over what is said of it. */}
          <b className="mono" style={l.text.length > 18 ? { flexBasis: "100%", overflowWrap: "anywhere" } : undefined}>
            {l.text}
          </b>
          <span className="grow q">
            {picked === l.text && l.class !== "partCode" ? `${l.reason} Taken as the code all the same?` : l.reason}
          </span>
          <em>{CLASS_WORDS[l.class]}</em>
          {l.class !== "partCode" && l.class !== "machineModel" && (
            <button
              type="button"
              className="btn quiet"
              aria-label={`${l.text} is the code`}
              onClick={() =>
                l.class === "serial" || l.class === "date" || l.class === "sparePart"
                  ? log.refuse({
                      gate: "label",
                      reason: `"${l.text}" is the ${CLASS_WORDS[l.class]}. ${l.reason} The part code stands larger, above or beside the bar code.`,
                    })
                  : onPick(l.text)
              }
            >
              The code?
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}
