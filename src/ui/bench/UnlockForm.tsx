"use client";
import { useEffect, useState } from "react";
import { read, write } from "@/client/device";
import { Mark } from "../draw/Mark";

export function UnlockForm() {
  const [passcode, setPasscode] = useState("");
  const [name, setName] = useState("");
  useEffect(() => setName(read("helvane.deviceName") ?? ""), []);
  const [wrong, setWrong] = useState<string | null>(null);
  const send = async () => {
    const res = await fetch("/api/unlock", {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ passcode, name: name.trim() }),
    }).catch(() => null);
    write("helvane.deviceName", name.trim());
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
      <label className="field">
        <span>Name of this device</span>
        <input value={name} placeholder="Tablet at bench 2" maxLength={60} onChange={(e) => setName(e.target.value)} />
        <span className="hint">So that whoever looks after the bench knows whom to sign out.</span>
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
