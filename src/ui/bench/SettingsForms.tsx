"use client";
import { useState } from "react";
import type { Said } from "@/client/send";
import { SaidBox } from "../controls/SaidBox";
import { setTheme } from "../shell/theme";

const MOST_MB = 40;

/** The light of this screen, and a job read back from its file. */
export function SettingsForms() {
  const [imp, setImp] = useState<Said | null>(null);
  const [file, setFile] = useState<File | null>(null);
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
