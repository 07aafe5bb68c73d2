"use client";
import Link from "next/link";
import { useState } from "react";
import { candidateOf } from "@/core/job";
import { counted, listed, mm, readLength } from "@/core/quantity";
import { FLUSH, type RollHere, type TapeOffer, type TapeOptions, tapeOptions } from "@/core/tape";
import { PAPERS } from "@/core/teardown";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { TapeCuts } from "./TapeCuts";

const two = (n: number) => (Math.round(n * 100) / 100).toFixed(2);
const sits = (flushMm: number) => (flushMm >= 0 ? `${two(flushMm)} mm below the rim` : `${two(-flushMm)} mm proud`);

/** Which tape of the shelf fills the gap, from the figures told or from the pair as measured, and what is cut from which roll. */
export function TapePlan() {
  const { log, view, build, reference, jobId, nowMs } = useBench();
  const s = view.state;
  const told = Object.values(s.tape)[0];
  const [pocket, setPocket] = useState(told?.pocketMm === undefined ? "" : String(told.pocketMm));
  const [panel, setPanel] = useState(told?.panelMm === undefined ? "" : String(told.panelMm));
  if (!build || build.data.subject.bringsTape) return null;
  const [pocketMm, panelMm] = [readLength(pocket), readLength(panel)];
  const odd = [
    pocket.trim() && !(pocketMm !== null && pocketMm > 0 && pocketMm <= 20)
      ? `Pocket: read "${pocket.trim()}", expected 0.1 to 20 mm.`
      : "",
    panel.trim() && !(panelMm !== null && panelMm > 0 && panelMm <= 20)
      ? `Panel: read "${panel.trim()}", expected 0.1 to 20 mm.`
      : "",
  ].filter(Boolean);
  const thick = candidateOf(view)?.thicknessMm;
  const options = tapeOptions(
    build.data,
    thick && thick.value !== null ? { mm: thick.value, pm: thick.pm } : null,
    reference.rolls,
    odd.length ? {} : { ...(pocketMm ? { pocketMm } : {}), ...(panelMm ? { panelMm } : {}) },
    new Date(nowMs).toISOString(),
  );
  const choose = (o: TapeOptions, offer: TapeOffer, peeled?: readonly string[]) =>
    log.record({
      type: "plan.tapeChosen",
      payload: {
        widthMm: o.widthMm,
        pliesMm: offer.pliesMm,
        ...(offer.cuts.every((c) => c.ok)
          ? {
              rolls: offer.cuts.map((c) =>
                Object.fromEntries(c.ok ? c.plan.flatMap((r) => r.pieces.map((id) => [id, r.roll])) : []),
              ),
            }
          : {}),
        ...(pocketMm && !odd.length ? { pocketMm } : {}),
        ...(panelMm && !odd.length ? { panelMm } : {}),
        ...(peeled ? { peeled: [...peeled] } : {}),
      },
    });
  return (
    <section aria-label="Tape for this gap" className="flex flex-col gap-2 border-t-[1.5px] border-ink pt-2">
      <h2 className="sec">Tape for this gap</h2>
      <div className="flex flex-wrap items-end gap-3">
        <label className="field" style={{ width: 190 }}>
          <span>Pocket measured, mm</span>
          <input
            value={pocket}
            inputMode="decimal"
            maxLength={6}
            placeholder={String(build.data.lid.pocketDepthMm)}
            onChange={(e) => setPocket(e.target.value)}
          />
        </label>
        <label className="field" style={{ width: 190 }}>
          <span>Panel measured, mm</span>
          <input
            value={panel}
            inputMode="decimal"
            maxLength={6}
            placeholder={thick?.value ? String(thick.value) : "not known"}
            onChange={(e) => setPanel(e.target.value)}
          />
        </label>
      </div>
      {odd.map((w) => (
        <p key={w} className="wrong" role="alert">
          {w}
        </p>
      ))}
      {options.length === 0 ? (
        <p className="q">The panel's thickness is not known: measure it at an edge without its board, and the tape follows.</p>
      ) : (
        options.map((o) => (
          <ForWidth
            key={o.widthMm}
            o={o}
            rolls={reference.rolls}
            chosen={s.tape[String(o.widthMm)]?.pliesMm ?? null}
            choose={choose}
          />
        ))
      )}
      {options.length > 0 && (
        <p className="flex flex-wrap gap-2">
          {(["a4", "letter"] as const).map((p) => (
            <a key={p} className="btn quiet" href={`/api/jobs/${jobId}/cuts?paper=${p}`} target="_blank" rel="noreferrer">
              Cut sheet at true size, {PAPERS[p].name}
            </a>
          ))}
        </p>
      )}
    </section>
  );
}

function ForWidth({
  o,
  rolls,
  chosen,
  choose,
}: {
  o: TapeOptions;
  rolls: readonly RollHere[];
  chosen: readonly number[] | null;
  choose: (o: TapeOptions, offer: TapeOffer, peeled?: readonly string[]) => void;
}) {
  const [asked, setAsked] = useState<string | null>(null);
  const tried = o.offers.find((x) => x.pliesMm.join() === asked);
  const is = (x: TapeOffer) => chosen !== null && x.pliesMm.join() === chosen.join();
  const best = o.offers.find(is) ?? o.offers[0];
  if (!o.choice || !best)
    return (
      <div className="look">
        <Mark kind="look" size={24} />
        <p>
          <b>No tape {o.widthMm} mm wide on the shelf.</b> {counted(o.pieces.length, "strip")},{" "}
          {mm(o.pieces.reduce((a, p) => a + p.lengthMm + p.tailMm, 0))} mm in all.
        </p>
      </div>
    );
  const { verdict } = o.choice;
  return (
    <div className="flex flex-col gap-2">
      <p data-verdict={verdict}>
        <Mark kind={verdict === "fits" ? "same" : verdict === "none" ? "stop" : "look"} size={20} />{" "}
        <b>
          {verdict === "fits"
            ? `${o.widthMm} mm wide: fits, whatever is off.`
            : verdict === "none"
              ? `${o.widthMm} mm wide: none on the shelf sits right.`
              : `${o.widthMm} mm wide: fits if nothing is far off. Measure the pair.`}
        </b>{" "}
        Gap {two(o.pocketMm - o.panelMm)} mm ({o.measured ? "measured" : "as told, ± 0.1 each"}); it may sit {-FLUSH.rangeMm[0]}{" "}
        mm proud to {FLUSH.rangeMm[1]} mm below.
      </p>
      <ul className="rows">
        {o.offers.map((x) => (
          <li key={x.pliesMm.join()} data-plies={x.pliesMm.join("+")} style={{ alignItems: "center" }}>
            <b className="mono" style={{ minWidth: 118, whiteSpace: "nowrap" }}>
              {x.pliesMm.join(" + ")} mm
            </b>
            <span className="grow">
              {sits(x.row.flushMm)}, ± {two(x.row.rssMm)} likely, ± {two(x.row.worstMm)} at worst
              {x.row.fitsWorst ? "" : x.row.fitsRss ? "; not if all is off one way" : "; does not sit right"}
              {x.overDate.length > 0 && (
                <b className="text-change">
                  ; {listed(x.overDate)} {x.overDate.length === 1 ? "is" : "are"} over {x.overDate.length === 1 ? "its" : "their"}{" "}
                  date
                </b>
              )}
              {x.cuts.some((c) => !c.ok) && <b className="text-change">; no roll is long enough</b>}
            </span>
            <button
              type="button"
              className="btn quiet"
              aria-pressed={is(x)}
              aria-label={`Use ${x.pliesMm.join(" + ")} mm, ${o.widthMm} mm wide`}
              disabled={!x.row.fitsRss}
              onClick={() => {
                // Tape over its date is taken only where a strip of it was tried.
                if (x.overDate.length) return setAsked(asked === x.pliesMm.join() ? null : x.pliesMm.join());
                choose(o, x);
                setAsked(null);
              }}
            >
              {is(x) ? "In use" : "Use"}
            </button>
          </li>
        ))}
      </ul>
      {tried && (
        <fieldset className="look" style={{ display: "block" }}>
          <legend className="font-bold">Peel a strip of {listed(tried.overDate)} first</legend>
          <p>
            Stick 50 mm of it on clean glass, press it, wait a minute, pull it off. Old tape lets go without a pull, or leaves its
            glue behind.
          </p>
          <p className="flex flex-wrap gap-2 mt-2">
            <button
              type="button"
              className="btn"
              onClick={() => {
                choose(o, tried, tried.overDate);
                setAsked(null);
              }}
            >
              It held
            </button>
            <Link className="btn quiet" href="/stock" prefetch={false}>
              It let go: throw it away in Stock
            </Link>
          </p>
        </fieldset>
      )}
      {verdict === "none" && (
        <p className="q">
          The nearest leaves it {sits(best.row.flushMm)}. Proud it presses on the bezel and its corners; deep it looks sunk and
          dust gets in. Another thickness has to be fetched.
        </p>
      )}
      <TapeCuts o={o} offer={best} rolls={rolls} />
    </div>
  );
}
