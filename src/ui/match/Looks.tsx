"use client";
import { useState } from "react";
import { type FitRow, NOT_BY_EYE } from "@/core/panel";
import { listed, SOURCE_WORDS } from "@/core/quantity";
import { Choose } from "../controls/Choose";
import { PhotoField, usePhoto } from "../controls/PhotoField";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";

/** The part in hand, field by field: agrees or differs, by what means. What is settled shrinks to a line. */
export function Looks({ rows }: { rows: readonly FitRow[] }) {
  const { view } = useBench();
  const looks = view.state.match.looks;
  const open = rows.filter((r) => !looks[r.field]);
  const done = rows.filter((r) => looks[r.field]);
  const differs = done.some((r) => looks[r.field]!.result === "differs");
  return (
    <div className="border-b-[1.5px] border-ink px-[18px] py-2.5">
      {open.length > 0 && (
        <>
          <h2 className="sec flex items-center gap-2">
            <Mark kind="look" size={22} />
            Look at what was not known
          </h2>
          <ul className="rows">
            {open.map((r) => (
              <LookRow key={r.field} row={r} />
            ))}
          </ul>
        </>
      )}
      {done.length > 0 && (
        <details open={open.length === 0 && differs}>
          <summary className="flex min-h-11 cursor-pointer items-center gap-2 text-[16px]">
            <Mark kind={differs ? "stop" : "same"} size={18} />
            <b>{done.length === 1 ? "1 look settled" : `${done.length} looks settled`}</b>
            <span className="q">
              {listed(done.map((r) => `${r.name.split(",")[0]!.toLowerCase()} ${looks[r.field]!.result}`))}
            </span>
          </summary>
          <ul className="rows">
            {done.map((r) => (
              <LookRow key={r.field} row={r} />
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}

function LookRow({ row }: { row: FitRow }) {
  const { log, view } = useBench();
  const byEye = !NOT_BY_EYE.includes(row.field);
  const [source, setSource] = useState<"M" | "L" | "D">(byEye ? "M" : "D");
  const [note, setNote] = useState("");
  const [more, setMore] = useState(false);
  const photo = usePhoto();
  const given = view.state.match.looks[row.field];
  const look = (result: "agrees" | "differs") =>
    void photo
      .record((p) => log.record({ type: "match.looked", payload: { field: row.field, result, source, note: note.trim(), ...p } }))
      .then((ok) => ok && setMore(false));
  return (
    <li style={{ alignItems: "center", flexWrap: "wrap" }}>
      <span className="grow">
        {row.look}
        {given && (
          <b className="block text-[15px]">
            {given.result}, {SOURCE_WORDS[given.source]}
            {given.note && `: ${given.note}`}
            {given.photo && (
              <a className="link ml-2" href={`/api/blobs/${given.photo.hash}`} target="_blank" rel="noreferrer">
                photo
              </a>
            )}
          </b>
        )}
      </span>
      {!byEye && (
        <label className="field" style={{ width: 190 }}>
          <span className="vh">{row.name}: which document says so</span>
          <input value={note} maxLength={200} placeholder="Which document says so" onChange={(e) => setNote(e.target.value)} />
        </label>
      )}
      <label className="flex items-center gap-2 text-[15px]">
        <span className="vh">{row.name}: settled by</span>
        <Choose<"M" | "L" | "D">
          value={source}
          style={{ width: 124 }}
          options={[...(byEye ? ([["M", "by eye"]] as const) : []), ["L", "label"], ["D", "datasheet"]]}
          onValue={setSource}
        />
      </label>
      <button
        type="button"
        className="btn quiet"
        disabled={photo.busy}
        aria-label={`${row.name}: agrees`}
        onClick={() => look("agrees")}
      >
        Agrees
      </button>
      <button
        type="button"
        className="btn quiet"
        disabled={photo.busy}
        aria-label={`${row.name}: differs`}
        onClick={() => look("differs")}
      >
        Differs
      </button>
      {more ? (
        <div className="w-full">
          <PhotoField photo={photo} label={`Photo of ${row.name.split(",")[0]!.toLowerCase()}`} />
        </div>
      ) : (
        <button
          type="button"
          className="link min-h-11 text-[15px]"
          aria-label={`${row.name}: add a photo`}
          onClick={() => setMore(true)}
        >
          photo
        </button>
      )}
    </li>
  );
}
