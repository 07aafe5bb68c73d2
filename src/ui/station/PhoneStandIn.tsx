"use client";
import { useState } from "react";
import { takePhoto } from "@/client/phone";
import { useBench } from "../job/context";

export interface PhonePhotos {
  leftHigh: File;
  rightLow: File;
  strip: File;
  truth: number;
}

/** No phone at hand: the one that ships photographs a panel whose light nobody knows here, both aims and the step strip. */
export function PhoneStandIn({
  active,
  onPhotos,
}: {
  active: { widthMm: number; heightMm: number };
  onPhotos: (p: PhonePhotos) => void;
}) {
  const { jobId } = useBench();
  const [busy, setBusy] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const take = async () => {
    setBusy(true);
    setWrong(null);
    try {
      const of = (view: "leftHigh" | "rightLow" | "strip") =>
        takePhoto({ job: jobId, view, widthMm: active.widthMm, heightMm: active.heightMm });
      const [a, b, c] = await Promise.all([of("leftHigh"), of("rightLow"), of("strip")]);
      onPhotos({ leftHigh: a.file, rightLow: b.file, strip: c.file, truth: a.truth });
    } catch (x) {
      setWrong((x as Error).message);
    }
    setBusy(false);
  };
  return (
    <p className="q">
      No phone at hand?{" "}
      <button type="button" className="link" disabled={busy} onClick={() => void take()}>
        {busy ? "The simulated phone takes them …" : "Take all three with the simulated phone"}
      </button>
      {wrong && (
        <span className="wrong" role="alert">
          {" "}
          {wrong}
        </span>
      )}
    </p>
  );
}
