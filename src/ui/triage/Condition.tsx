"use client";
import { useEffect, useState } from "react";
import { CONDITION_KINDS, CONDITION_WORDS, LOGIN_WORDS, LOGINS, type Payload } from "@/core/job";
import { readNumber } from "@/core/quantity";
import { Choose } from "../controls/Choose";
import { NumberField } from "../controls/NumberField";
import { PhotoField, usePhoto } from "../controls/PhotoField";
import { useBench } from "../job/context";
import { RefusalBox } from "../station/RefusalBox";

type Kind = Payload<"triage.conditionNoted">["kind"];

/** How the machine came in: marks with their place and photo, the customer's own words, who agreed, how the test logs in. */
export function Condition() {
  const { log, view, setKeys, setTap, tapMode } = useBench();
  const [kind, setKind] = useState<Kind>("mark");
  const [side, setSide] = useState<"lid" | "base">("lid");
  const [place, setPlace] = useState({ x: "20", y: "20" });
  const [note, setNote] = useState("");
  const photo = usePhoto();
  const intake = view.state.triage.intake;
  const [words, setWords] = useState(intake?.words ?? view.state.job?.words ?? "");
  const [by, setBy] = useState(intake?.agreedBy ?? "");
  const [login, setLogin] = useState<Payload<"triage.intakeAgreed">["login"]>(intake?.login ?? "guest");
  setKeys({});
  useEffect(() => {
    setTap((x, y) => setPlace({ x: String(x), y: String(y) }));
    return () => setTap(null);
  });
  const add = async () => {
    const ok = await photo.record((p) =>
      log.record({
        type: "triage.conditionNoted",
        payload: { view: side, kind, xMm: readNumber(place.x)!, yMm: readNumber(place.y)!, note: note.trim(), ...p },
      }),
    );
    if (ok) setNote("");
  };
  return (
    <>
      <h1 className="step long">Condition when it came in</h1>
      <p className="q">Repeated on the hand-over sheet beside what was found. No passwords are stored here, ever.</p>
      <RefusalBox />
      <form
        className="flex flex-col gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          void add();
        }}
      >
        <div className="flex flex-wrap items-end gap-2">
          <label className="field" style={{ width: 210 }}>
            <span>What</span>
            <Choose value={kind} options={CONDITION_KINDS.map((k) => [k, CONDITION_WORDS[k]])} onValue={setKind} />
          </label>
          <label className="field" style={{ width: 84 }}>
            <span>Where</span>
            <Choose
              value={side}
              options={[
                ["lid", "lid"],
                ["base", "base"],
              ]}
              onValue={setSide}
            />
          </label>
          {(["x", "y"] as const).map((k) => (
            <NumberField
              key={k}
              label={`${k}, mm`}
              width={84}
              min={-50}
              max={600}
              required
              value={place[k]}
              onText={(t) => setPlace({ ...place, [k]: t })}
            />
          ))}
          <button type="button" className="btn" aria-pressed={tapMode[0]} onClick={() => tapMode[1](!tapMode[0])}>
            Tap
          </button>
        </div>
        <label className="field">
          <span>In words</span>
          <input value={note} maxLength={200} onChange={(e) => setNote(e.target.value)} />
        </label>
        <PhotoField photo={photo} />
        <button type="submit" className="btn self-start" disabled={photo.busy}>
          {photo.busy ? "Storing the photo" : "Record it"}
        </button>
      </form>
      <ul className="rows" aria-label="Condition recorded">
        {view.state.triage.condition.length === 0 && <li className="q">Nothing recorded: the sheet will say so.</li>}
        {view.state.triage.condition.map((c) => (
          <li key={c.eventId}>
            <b>{CONDITION_WORDS[c.kind]}</b>
            <span className="grow">
              {c.view}, {Math.round(c.xMm)}, {Math.round(c.yMm)} mm{c.note && `: ${c.note}`}
              {c.photo && (
                <a className="link ml-2" href={`/api/blobs/${c.photo.hash}`} target="_blank" rel="noreferrer">
                  photo
                </a>
              )}
            </span>
            <button type="button" className="link" onClick={() => log.takeBack(c.eventId)}>
              take back
            </button>
          </li>
        ))}
      </ul>
      <form
        className="flex flex-col gap-2 border-t-[1.5px] border-ink pt-3"
        onSubmit={(e) => {
          e.preventDefault();
          log.record({ type: "triage.intakeAgreed", payload: { words: words.trim(), agreedBy: by.trim(), login } });
        }}
      >
        <label className="field">
          <span>In the customer's own words</span>
          <textarea rows={2} value={words} maxLength={600} onChange={(e) => setWords(e.target.value)} />
        </label>
        <div className="flex flex-wrap items-end gap-2">
          <label className="field grow">
            <span>Agreed by</span>
            <input value={by} required maxLength={80} onChange={(e) => setBy(e.target.value)} />
          </label>
          <label className="field" style={{ width: 200 }}>
            <span>How the test logs in</span>
            <Choose value={login} options={LOGINS.map((l) => [l, LOGIN_WORDS[l]])} onValue={setLogin} />
          </label>
          <button type="submit" className="btn">
            {intake ? "Agreed anew" : "Agreed"}
          </button>
        </div>
        {intake && (
          <p className="q">
            Agreed by {intake.agreedBy}; log in: {LOGIN_WORDS[intake.login]}.
          </p>
        )}
      </form>
    </>
  );
}
