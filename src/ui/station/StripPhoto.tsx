"use client";

/** The step strip's photo: what the phone did to the light is taken back by it. */
export function StripPhoto({ off, onFile }: { off: boolean; onFile: (f: File | null) => void }) {
  return (
    <details>
      <summary className="btn quiet" style={{ display: "inline-flex" }}>
        What the phone makes of the light: a photo of the step strip
      </summary>
      <label className="field pt-2">
        <span>Step strip, aimed as photo 1</span>
        <input type="file" accept="image/*" disabled={off} onChange={(e) => onFile(e.target.files?.[0] ?? null)} />
      </label>
      <p className="q">
        The pattern <i>Step strip</i>, same aim and exposure as photo 1: five patches whose light is known tell the phone's tone
        curve. Without it a curve nobody knows can make 77 % read as 81.
      </p>
    </details>
  );
}
