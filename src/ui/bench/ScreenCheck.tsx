"use client";
import { useEffect, useState } from "react";
import { Mark } from "../draw/Mark";
import { PX_PER_MM } from "../lid/scale";
import { checkScreen, pxPerMmOf, SCREEN_BAR_MM, useScreen } from "../lid/screen";

const BAR_PX = PX_PER_MM * SCREEN_BAR_MM;

/** A bar to hold a ruler to: from then on drawings on this screen are at the scale they say. */
export function ScreenCheck() {
  const { pxPerMm, checked } = useScreen();
  const [text, setText] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  const save = () => {
    const mm = Number(text.replace(",", "."));
    if (!text.trim() || pxPerMmOf(mm) === null)
      return setWrong(`"${text}": 60 to 170 mm are possible. Hold the ruler to it again.`);
    setWrong(null);
    checkScreen(mm);
    setText("");
  };
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        save();
      }}
    >
      <h2 className="sec flex items-center gap-2">
        {ready && checked && <Mark kind="same" size={20} />}
        This screen: {ready && checked ? `checked, ${pxPerMm.toFixed(2)} px to the mm` : "scale not checked"}
      </h2>
      <p className="q">
        Hold a ruler to the bar. It holds for this screen and this zoom; drawings then are at the scale they say.
      </p>
      <section className="overflow-x-auto" aria-label="The bar" tabIndex={0}>
        <svg width={BAR_PX} height={26} role="img" aria-label="A bar to be measured">
          <path d={`M0.5 0V26M${BAR_PX - 0.5} 0V26M0 13H${BAR_PX}`} stroke="var(--ink)" strokeWidth={1} />
          {Array.from({ length: 9 }, (_, i) => (
            <path key={i} d={`M${((i + 1) * BAR_PX) / 10} 8V18`} stroke="var(--ink)" strokeWidth={1} />
          ))}
        </svg>
      </section>
      <div className="flex flex-wrap items-end gap-3">
        <label className="field" style={{ width: 240 }}>
          <span>Its length on this screen, mm</span>
          <input value={text} inputMode="decimal" maxLength={6} placeholder="100" onChange={(e) => setText(e.target.value)} />
        </label>
        <button type="submit" className="btn">
          Keep it
        </button>
        {ready && checked && (
          <button type="button" className="btn quiet" onClick={() => checkScreen(null)}>
            Forget it
          </button>
        )}
      </div>
      {wrong && (
        <p className="wrong" role="alert">
          {wrong}
        </p>
      )}
    </form>
  );
}
