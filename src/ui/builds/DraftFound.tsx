import { Mark } from "../draw/Mark";

/** What was drawn on this device before and never saved. */
export function DraftFound({ from, onTake, onDrop }: { from: string; onTake: () => void; onDrop: () => void }) {
  return (
    <div className="look" role="status">
      <Mark kind="look" size={24} />
      <p>
        <b>Drawn here before, never saved.</b> Left on this device {from}.{" "}
        <button type="button" className="link" onClick={onTake}>
          Take it up
        </button>{" "}
        <button type="button" className="link" onClick={onDrop}>
          Drop it
        </button>
      </p>
    </div>
  );
}
