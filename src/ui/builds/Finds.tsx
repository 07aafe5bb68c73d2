"use client";
import { format } from "date-fns";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Said } from "@/client/send";
import { FIND_WORDS, type Find } from "@/core/build";
import { SaidBox } from "../controls/SaidBox";
import { Mark } from "../draw/Mark";

interface Row {
  key: string;
  machine: string;
  find: Find;
  seen: number;
  who: string[];
  lastMs: number;
}

/** What the bench found that the builds do not have: taken over after a second sighting, or on somebody's yes. */
export function Finds({ list }: { list: Row[] }) {
  const router = useRouter();
  const [said, setSaid] = useState<Said | null>(null);
  if (list.length === 0 && !said) return null;
  const take = async (key: string) => {
    const res = await fetch("/api/finds", {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ key }),
    }).catch(() => null);
    const body = await res?.json().catch(() => null);
    setSaid(
      res?.ok
        ? { ok: true, words: `In the build now, version ${body.version}. Running jobs keep theirs.` }
        : { ok: false, words: body?.problem ?? "The server was not reached. Nothing was saved." },
    );
    router.refresh();
  };
  return (
    <section aria-label="Found at the bench" className="flex flex-col gap-2">
      <h2 className="sec">Found at the bench, not in the build yet</h2>
      <p className="q">Seen in a second job it goes into the build by itself; before that on somebody's yes.</p>
      <SaidBox said={said} />
      <ul className="rows">
        {list.map((p) => (
          <li key={p.key} style={{ alignItems: "center" }}>
            <Mark kind={p.seen > 1 ? "change" : "look"} size={18} label={p.seen > 1 ? "seen more than once" : "seen once"} />
            <b>{FIND_WORDS[p.find.kind]}</b>
            <span className="grow">
              {p.machine}: {p.find.words}, {Math.round(p.find.xMm)}, {Math.round(p.find.yMm)} mm on the {p.find.view}
              <span className="q block">
                {p.seen === 1 ? "Seen once" : `Seen ${p.seen} times`}, by {p.who.join(", ")}, last{" "}
                {format(p.lastMs, "d MMM yyyy")}
              </span>
            </span>
            <button type="button" className="btn quiet" onClick={() => void take(p.key)}>
              Take it over
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
