"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Said } from "@/client/send";
import { SaidBox } from "../controls/SaidBox";
import { setTheme } from "../shell/theme";

const MOST_MB = 40;

export function SettingsForms({ on, hasPasscode, addresses }: { on: boolean; hasPasscode: boolean; addresses: string[] }) {
  const router = useRouter();
  const [passcode, setPasscode] = useState("");
  const [net, setNet] = useState<Said | null>(null);
  const [imp, setImp] = useState<Said | null>(null);
  const [file, setFile] = useState<File | null>(null);
  const network = async (turnOn: boolean) => {
    const res = await fetch("/api/network", {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ on: turnOn, ...(passcode ? { passcode } : {}) }),
    }).catch(() => null);
    const body = await res?.json();
    if (!res?.ok) return setNet({ ok: false, words: body?.problem ?? "The server was not reached.", details: body?.details });
    setNet({
      ok: true,
      words: turnOn ? "The bench network is open." : "The bench network is closed. Every device is signed out.",
    });
    setPasscode("");
    router.refresh();
  };
  const importFile = async () => {
    if (!file) return setImp({ ok: false, words: "Choose an exported job, a zip, first." });
    if (file.size > MOST_MB * 1e6)
      return setImp({
        ok: false,
        words: `${file.name} is ${Math.round(file.size / 1e6)} MB; an import may have ${MOST_MB} MB at most. Nothing was saved.`,
      });
    setImp({ ok: true, words: `Reading ${file.name}` });
    const res = await fetch("/api/import", { method: "POST", headers: { "content-type": "application/zip" }, body: file }).catch(
      () => null,
    );
    const body = await res?.json().catch(() => null);
    if (!res?.ok)
      return setImp({
        ok: false,
        words: body?.problem ?? "The server was not reached. Nothing was saved.",
        details: body?.details,
      });
    setImp({
      ok: true,
      words: `Imported: ${body.added} events new, ${body.repeated} already here.`,
      link: `/jobs/${body.jobId}/close`,
    });
  };
  return (
    <>
      <section className="flex flex-col gap-3">
        <h2 className="sec">Light</h2>
        <div className="flex gap-2">
          <button type="button" className="btn" onClick={() => setTheme("light")}>
            Bench light
          </button>
          <button type="button" className="btn" onClick={() => setTheme("dim")}>
            Dim
          </button>
        </div>
      </section>
      <section className="flex flex-col gap-3">
        <h2 className="sec">Bench network: {on ? "open" : "off"}</h2>
        <p className="q">
          Off, only this machine reaches Helvane. Open, tablets and the machine under test reach it too: with the passcode, or
          without it only the test patterns at /pattern.
        </p>
        {on && (
          <ul className="mono">
            {addresses.map((a) => (
              <li key={a}>
                {a} <span className="q">patterns at {a}/pattern</span>
              </li>
            ))}
          </ul>
        )}
        <label className="field">
          <span>{hasPasscode ? "New passcode (signs every device out)" : "Passcode, 6 characters or more"}</span>
          <input
            type="password"
            autoComplete="new-password"
            value={passcode}
            onChange={(e) => setPasscode(e.target.value)}
            minLength={6}
            maxLength={64}
          />
        </label>
        <SaidBox said={net} />
        <div className="flex gap-2">
          <button type="button" className="btn" onClick={() => void network(true)}>
            {on ? "Keep open with this passcode" : "Open the bench network"}
          </button>
          {on && (
            <button type="button" className="btn" onClick={() => void network(false)}>
              Close it
            </button>
          )}
        </div>
      </section>
      <section className="flex flex-col gap-3">
        <h2 className="sec">Import a job</h2>
        <label className="field">
          <span>Exported job (zip)</span>
          <input type="file" accept=".zip,application/zip" onChange={(e) => setFile(e.target.files?.[0] ?? null)} />
        </label>
        <SaidBox said={imp} />
        <button type="button" className="btn self-start" onClick={() => void importFile()}>
          Import
        </button>
      </section>
    </>
  );
}
