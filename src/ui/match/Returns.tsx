"use client";
import { format } from "date-fns";
import { useState } from "react";
import {
  ARRIVAL_WORDS,
  type ArrivalItem,
  arrivalStatus,
  buildOf,
  type Payload,
  RETURN_REASONS,
  readClock,
  seated,
} from "@/core/job";
import { listed } from "@/core/quantity";
import { Choose } from "../controls/Choose";
import { PhotoField, usePhoto } from "../controls/PhotoField";
import { Tick } from "../controls/Tick";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { RETURN_WORDS } from "./Sellers";

type Reason = Payload<"match.returned">["reason"];

/** What a wrong item usually means. */
const REASON_OF: Record<ArrivalItem, Reason> = {
  cracks: "cracked",
  code: "wrongPart",
  connector: "wrongPart",
  tabs: "notAsDescribed",
  films: "notAsDescribed",
  tape: "incomplete",
  brackets: "incomplete",
  sensor: "incomplete",
  hinges: "notAsDescribed",
  leads: "incomplete",
};

/** Sends the ordered panel back: reason, what was taken off it again; it counts in the seller's record. */
export function ReturnForm() {
  const { log, view } = useBench();
  const s = view.state;
  const { wrong } = arrivalStatus(s);
  const first = wrong[0];
  const [asked, setAsked] = useState(false);
  const [reason, setReason] = useState<Reason | null>(null);
  const [note, setNote] = useState("");
  const [kept, setKept] = useState<readonly string[]>([]);
  const photo = usePhoto();
  const order = s.match.order;
  if (!order) return null;
  const chosen = reason ?? (first ? REASON_OF[first] : s.match.arrived ? "notAsDescribed" : "neverCame");
  const why = note.trim() || wrong.map((i) => `${ARRIVAL_WORDS[i]}: ${s.match.arrival[i]?.note ?? ""}`).join("; ");
  const moved = Object.keys(s.transplanted);
  const build = buildOf(view);
  if (!first && !asked)
    return (
      <div className="flex gap-4 px-[18px] py-2 text-[15px]">
        <button type="button" className="link min-h-11" onClick={() => setAsked(true)}>
          {s.match.arrived ? "Return it" : "It never came, or goes back"}
        </button>
      </div>
    );
  const send = () =>
    photo
      .record((p) => log.record({ type: "match.returned", payload: { reason: chosen, note: why, kept: [...kept], ...p } }))
      .then((ok) => {
        if (!ok) return;
        setAsked(false);
        setNote("");
        setReason(null);
        setKept([]);
      });
  return (
    <form
      aria-label="Return"
      className="mx-[18px] my-2.5 flex flex-col gap-2 border-2 border-stop p-3"
      onSubmit={(e) => {
        e.preventDefault();
        void send();
      }}
    >
      <h2 className="sec flex items-center gap-2">
        <Mark kind="stop" size={22} />
        {first
          ? `${listed(wrong.map((i) => ARRIVAL_WORDS[i]))} wrong: send it back`.replace(/^./, (c) => c.toUpperCase())
          : "Send it back"}
      </h2>
      {s.match.order?.guarantee?.filmsOffEndsReturn && (
        <p className="text-[16px]">
          <b>Leave its films on.</b> {order.seller} takes nothing back without them.
        </p>
      )}
      {seated(s) && (
        <p className="flex items-center gap-3 text-[16px]">
          It is seated in the lid.
          <button
            type="button"
            className="btn quiet"
            onClick={() => log.record({ type: "swap.panelLifted", payload: { why: `goes back: ${RETURN_WORDS[chosen]}` } })}
          >
            Lifted out again
          </button>
        </p>
      )}
      <div className="flex flex-wrap items-end gap-2">
        <label className="field" style={{ width: 190 }}>
          <span>Reason</span>
          <Choose value={chosen} options={RETURN_REASONS.map((r) => [r, RETURN_WORDS[r] ?? r])} onValue={setReason} />
        </label>
        <label className="field grow">
          <span>In words</span>
          <input value={note} maxLength={400} placeholder={why} onChange={(e) => setNote(e.target.value)} />
        </label>
      </div>
      {moved.length > 0 && (
        <fieldset className="flex flex-col">
          <legend className="font-bold">Moved over to it: taken off again</legend>
          {moved.map((id) => (
            <label key={id} className="flex min-h-11 items-center gap-3">
              <Tick on={kept.includes(id)} onPut={(on) => setKept((k) => (on ? [...k, id] : k.filter((x) => x !== id)))} />
              {build?.part.get(id)?.name ?? id}
            </label>
          ))}
        </fieldset>
      )}
      <PhotoField photo={photo} />
      <div className="flex gap-2">
        <button type="submit" className="btn" disabled={photo.busy}>
          {photo.busy ? "Storing the photo" : `Return to ${order.seller}`}
        </button>
        {!first && (
          <button type="button" className="btn quiet" onClick={() => setAsked(false)}>
            Keep it
          </button>
        )}
      </div>
    </form>
  );
}

/** What went back in this job, oldest first. */
export function ReturnList() {
  const { view } = useBench();
  const list = view.state.match.returns;
  if (list.length === 0) return null;
  return (
    <ul className="rows px-[18px]" aria-label="Returned">
      {list.map((r, i) => {
        const at = readClock(r.clock);
        return (
          <li key={`${r.clock}-${i}`} style={{ fontSize: 16 }}>
            <Mark kind="stop" size={16} />
            <span className="grow">
              <b className="mono">{r.code}</b> returned to {r.seller}, {RETURN_WORDS[r.reason] ?? r.reason}
              {r.note && `: ${r.note}`}
              {r.photo && (
                <a className="link ml-2" href={`/api/blobs/${r.photo.hash}`} target="_blank" rel="noreferrer">
                  photo
                </a>
              )}
            </span>
            <em>{at ? format(at.ms, "EEE d MMM") : ""}</em>
          </li>
        );
      })}
    </ul>
  );
}
