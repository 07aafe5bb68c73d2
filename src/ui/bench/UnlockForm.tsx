"use client";
import { useState } from "react";
import { Mark } from "../draw/Mark";

export function UnlockForm() {
  const [passcode, setPasscode] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const send = async () => {
    const res = await fetch("/api/unlock", {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ passcode }),
    }).catch(() => null);
    if (res?.ok) location.assign("/");
    else setWrong((await res?.json())?.problem ?? "The bench was not reached.");
  };
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        void send();
      }}
    >
      <label className="field">
        <span>Passcode</span>
        <input
          type="password"
          value={passcode}
          onChange={(e) => setPasscode(e.target.value)}
          required
          maxLength={64}
          autoComplete="current-password"
        />
      </label>
      {wrong && (
        <div className="refusal" role="alert">
          <Mark kind="stop" size={26} />
          <p>{wrong}</p>
        </div>
      )}
      <button type="submit" className="btn self-start">
        Open the bench
      </button>
    </form>
  );
}
