"use client";
import { addDays, format } from "date-fns";
import { useState } from "react";
import { type ArrivalItem, arrivalItems, arrivalStatus, readClock } from "@/core/job";
import type { Panel } from "@/core/panel";
import { counted } from "@/core/quantity";
import { PhotoField, usePhoto } from "../controls/PhotoField";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { arrivalItem } from "./arrivalItems";

/** The part that came, looked at item by item before its films come off: the items that belong to what was bought. */
export function ArrivalCheck({
  panel,
  code,
  onCode,
  onArrive,
}: {
  panel: Panel;
  /** The label that came, as typed or scanned so far. */
  code: string;
  onCode: (text: string) => void;
  onArrive: () => void;
}) {
  const { view, log } = useBench();
  const s = view.state;
  const items = arrivalItems(s.bought);
  const [wrong, setWrong] = useState<ArrivalItem | null>(null);
  const { open, wrong: bad } = arrivalStatus(s);
  const came = s.match.arrived ? readClock(s.match.arrived.clock) : null;
  const g = s.match.order?.guarantee;
  const good = open.length === 0 && bad.length === 0;
  const [shown, setShown] = useState(false);
  return (
    <section aria-label="Arrival check" className="border-b-[1.5px] border-ink px-[18px] py-2.5">
      <h2 className="sec flex items-center gap-2">
        <Mark kind={bad.length ? "stop" : open.length ? "look" : "same"} size={22} />
        {bad.length
          ? "Arrival check: wrong"
          : open.length
            ? `Arrival check: ${counted(open.length, "item")} open`
            : "Arrival check: good"}
        {good && (
          <button type="button" className="link ml-auto min-h-11 text-[15px] font-normal" onClick={() => setShown(!shown)}>
            {shown ? "fold away" : `show the ${items.length} items`}
          </button>
        )}
      </h2>
      {g && (
        <p className="q">
          {came
            ? `Guaranteed until ${format(addDays(came.ms, g.days), "d MMM yyyy")}, not: ${g.excludes}. `
            : `Guaranteed ${counted(g.days, "day")} from arrival. `}
          {g.filmsOffEndsReturn && <b className="text-change">Films off ends the right to return: look first.</b>}
        </p>
      )}
      <ul className="rows arrival" hidden={good && !shown}>
        {items.map((item) => {
          const v = arrivalItem(item, panel);
          const given = s.match.arrival[item];
          const answer = (result: "good" | "absent") =>
            log.record({ type: "match.arrivalChecked", payload: { item, result, note: "" } }) && setWrong(null);
          return (
            <li key={item} data-item={item} data-result={given?.result ?? "open"}>
              {given ? (
                <Mark kind={given.result === "wrong" ? "stop" : "same"} size={18} />
              ) : (
                <span className="open-sq" role="img" aria-label="not looked at" />
              )}
              <span className="grow">
                <b>{v.name}</b>{" "}
                {given ? (
                  <span className="q">
                    {given.result === "absent" ? "none, none needed" : given.result}
                    {given.note && `: ${given.note}`}
                    {given.photo && (
                      <a className="link ml-2" href={`/api/blobs/${given.photo.hash}`} target="_blank" rel="noreferrer">
                        photo
                      </a>
                    )}
                  </span>
                ) : (
                  <span className="block text-[15px] leading-[19px] text-ink-2">{v.look}</span>
                )}
              </span>
              {item === "code" && !s.match.arrived ? (
                <form
                  className="flex items-end gap-2"
                  onSubmit={(e) => {
                    e.preventDefault();
                    onArrive();
                  }}
                >
                  <label className="field" style={{ width: 190 }}>
                    <span className="text-[14px] font-normal">Code on the label that came</span>
                    <input className="mono" value={code} onChange={(e) => onCode(e.target.value)} required maxLength={60} />
                  </label>
                  <button type="submit" className="btn quiet whitespace-nowrap">
                    Check in <kbd>Space</kbd>
                  </button>
                </form>
              ) : (
                item !== "code" && (
                  <button
                    type="button"
                    className="btn quiet"
                    aria-pressed={given?.result === "good"}
                    aria-label={`${v.name}: good`}
                    onClick={() => answer("good")}
                  >
                    Good
                  </button>
                )
              )}
              {v.mayBeAbsent && (
                <button
                  type="button"
                  className="btn quiet"
                  aria-pressed={given?.result === "absent"}
                  aria-label={`${v.name}: none`}
                  onClick={() => answer("absent")}
                >
                  None
                </button>
              )}
              <button
                type="button"
                className="btn quiet"
                aria-pressed={given?.result === "wrong" || wrong === item}
                aria-label={`${v.name}: wrong`}
                onClick={() => setWrong(wrong === item ? null : item)}
              >
                Wrong
              </button>
              {wrong === item && <WrongForm item={item} name={v.name} code={code} onDone={() => setWrong(null)} />}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function WrongForm({ item, name, code, onDone }: { item: ArrivalItem; name: string; code: string; onDone: () => void }) {
  const { log } = useBench();
  const [note, setNote] = useState(item === "code" && code.trim() ? `label reads ${code.trim()}` : "");
  const photo = usePhoto();
  const save = async () => {
    const ok = await photo.record((p) =>
      log.record({ type: "match.arrivalChecked", payload: { item, result: "wrong", note: note.trim(), ...p } }),
    );
    if (ok) onDone();
  };
  return (
    <form
      className="flex w-full flex-wrap items-end gap-2 pl-[30px]"
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <label className="field basis-full">
        <span>{name}: what is wrong</span>
        <input value={note} maxLength={200} required onChange={(e) => setNote(e.target.value)} />
      </label>
      <PhotoField photo={photo} label="Photo of it" />
      <button type="submit" className="btn" disabled={photo.busy}>
        {photo.busy ? "Storing the photo" : "Record as wrong"}
      </button>
    </form>
  );
}
