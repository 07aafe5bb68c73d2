"use client";
import Link from "next/link";
import { CONNECTOR_MOTION, indexBuild, screwWords } from "@/core/build";
import { screwsOpen } from "@/core/job";
import { counted, durationWords } from "@/core/quantity";
import { DRIVE_WORDS, nextAct, readScrewScan, type Step, type StepStation } from "@/core/teardown";
import { HoldButton } from "../controls/HoldButton";
import { KeysLine } from "../controls/KeysLine";
import { Plate } from "../controls/Plate";
import { Mark } from "../draw/Mark";
import { ScrewTop } from "../draw/screws";
import { useBench } from "../job/context";
import { nextScrew } from "../lid/ScrewLayer";
import { Elsewhere } from "./Elsewhere";
import { InHand } from "./InHand";
import { PlacePhotos } from "./PlacePhotos";
import { PointCheck, pointOf } from "./PointCheck";
import { ProvePass } from "./ProvePass";
import { PryMap } from "./PryMap";
import { RefusalBox } from "./RefusalBox";
import { Slips } from "./Slips";
import { AngleStep, HandOverStep, Leftovers, LooseTestStep } from "./steps";
import { TimeRuler } from "./TimeRuler";
import { Trouble } from "./Trouble";

/** Open, Swap, Bond, Prove and Close: one step at a time, in large type, the next ones below. */
export function RunStation({ station }: { station: StepStation }) {
  const { view, progress, plan, jobId, offer, log } = useBench();
  const s = view.state;
  if (s.plan && !progress) {
    offer({});
    return (
      <>
        <h1 className="step">{plan.made ? "This build cannot be planned" : "Planning"}</h1>
        <RefusalBox />
        <p className="q" role="status">
          {plan.made && !plan.made.ok ? plan.made.problem : "The order is being worked out."}
        </p>
        {plan.made && !plan.made.ok && (
          <>
            <p>
              Nothing is done by force: no lead under power, no cover pulled off its lead. The maker's information may say how it
              is opened; what was found can be corrected in the build, or taken back here.
            </p>
            <button type="button" className="btn self-start" onClick={() => log.takeBack()}>
              Take back the last entry
            </button>
          </>
        )}
      </>
    );
  }
  if (!s.plan || !progress) {
    offer({});
    return (
      <>
        <h1 className="step">Plan first</h1>
        <RefusalBox />
        <div className="empty">
          <b>No plan yet.</b> The machine's power points are unknown, so nothing may be disconnected.{" "}
          <Link className="link" href={`/jobs/${jobId}/plan`}>
            Plan it
          </Link>
        </div>
      </>
    );
  }
  const now = progress.now;
  if (s.closed) {
    offer({});
    return (
      <>
        <h1 className="step">Job closed</h1>
        <RefusalBox />
        <p className="q">
          The log stays.{" "}
          <a className="link" href={`/jobs/${jobId}/handover`}>
            Hand-over sheet
          </a>
          ,{" "}
          <a className="link" href={`/api/jobs/${jobId}/export`}>
            whole job as a zip
          </a>
          .
        </p>
        <Slips />
      </>
    );
  }
  if (now && now.station === station) return <StepView key={now.id} step={now} />;
  return <Elsewhere station={station} now={now} onTake={() => log.takeBack()} />;
}

const VERB: Partial<Record<Step["kind"], string>> = {
  partOut: "Press when it is out",
  partFold: "Press when it lies folded",
  partBack: "Press when it is on",
  tapeOut: "Press when it is out",
  tether: "Press when it lies safe",
  tapeLay: "Press when it lies",
  linerPull: "Press when the liner is off",
  seat: "Press when it sits",
  transplant: "Press when it is moved",
  mainsOut: "Press when it is out",
  mainsIn: "Press when it is in",
  shutDown: "Press when it is off",
  drain: "Press when it was held",
  batteryOff: "Press when it is proven",
  dust: "Press when it is clear",
  backFilmOff: "Press when it is off",
  frontFilmOff: "Press when it is off",
  rehearse: "Press when all four gaps were even",
  press: "Press when all are pressed",
};

function StepView({ step }: { step: Step }) {
  const { log, view, progress, plan, build, offer, say } = useBench();
  const b = build ? indexBuild(build.data) : null;
  const s = view.state;
  const screw = build ? nextScrew(build.data, step, s) : null;
  const connector = b?.connector.get(step.target);
  const steps = progress!.steps;
  const at = steps.findIndex((x) => x.step.id === step.id);
  const upcoming = steps
    .slice(at + 1)
    .filter((x) => !x.done)
    .slice(0, 3);
  const taking = step.kind === "screwsOut" || step.kind === "screwsLoosen";
  const group = b?.group.get(step.target);
  const left = screw
    ? screw.group.screws.filter((x) =>
        taking
          ? s.screws[x.id] === undefined
          : step.kind === "screwsTighten"
            ? s.screws[x.id] === "loosened"
            : s.screws[x.id] === "out",
      )
    : [];
  const one = () => {
    const act = nextAct(view, step);
    if (act) log.record(act);
  };
  const several = (n: number) => {
    if (n > left.length) return say(`${n} is too many: ${counted(left.length, "screw")} to go`);
    if (step.kind === "screwsOut")
      log.record({ type: "open.screwsOutTogether", payload: { group: step.target, screws: left.slice(0, n).map((x) => x.id) } });
    else if (step.kind === "screwsBack")
      log.record({
        type: "close.screwsBackTogether",
        payload: { group: step.target, screws: left.slice(0, n).map((x) => x.id) },
      });
    else
      for (let i = 0; i < n; i++)
        log.record({
          type: step.kind === "screwsTighten" ? "close.screwTightened" : "open.screwLoosened",
          payload: { screw: left[i]!.id },
        });
  };
  /** A cell of the screw sheet, or how many: the cell has to be the one of this step. */
  const scanned = (text: string) => {
    const read = readScrewScan(text);
    if (!read) return say(`Scanned ${text}: nothing asked for it`);
    if (!screw) return log.refuse({ gate: "count", reason: "No screws are counted at this step." });
    if ("count" in read) return several(read.count);
    if (read.group === step.target) return several(left.length);
    const other = b!.group.get(read.group);
    log.refuse({
      gate: "count",
      reason: other
        ? `That is the cell of ${other.name.toLowerCase()}. Now it is ${screw.group.name.toLowerCase()}, ${counted(left.length, "screw")} to go.`
        : "That cell is of another machine's sheet.",
    });
  };
  const putBack = () => {
    const last = screwsOpen(s).out.at(-1);
    if (last) log.record({ type: "close.screwBack", payload: { screw: last } });
    else
      log.refuse({
        gate: "screw",
        reason: "No screw is out: all are back. One in your hand is left over: find its hole, or record it.",
      });
  };
  const special =
    step.kind === "looseTest" ||
    step.kind === "angle" ||
    step.kind === "handOver" ||
    step.kind === "proveOpen" ||
    step.kind === "proveClosed";
  if (!special)
    offer({
      space: one,
      enter: screw
        ? () =>
            log.refuse({
              gate: "count",
              reason: `The step is complete when its count is reached: ${counted(left.length, "screw")} to go, next ${screw.screw.where.toLowerCase()}.`,
            })
        : one,
      ...(screw ? { enterHeld: () => several(left.length) } : {}),
      digits: (n) => (screw ? several(n) : say(`Nothing to count here. G then ${n} goes to that station`)),
      keys: { p: putBack },
      scan: scanned,
    });
  const point = pointOf(step, (id) => b?.part.get(id)?.role);
  const type = screw ? b!.screwType.get(screw.screw.type)! : null;
  const title = titleOf(step);
  const lengths = group ? new Set(group.screws.map((x) => x.type)).size : 1;
  return (
    <>
      <h1 className={`step${title.length > 42 ? " long" : ""}`}>{title}</h1>
      {step.kind === "looseTest" ? (
        <LooseTestStep />
      ) : step.kind === "angle" ? (
        <AngleStep />
      ) : step.kind === "handOver" ? (
        <HandOverStep />
      ) : step.kind === "proveOpen" || step.kind === "proveClosed" ? (
        <ProvePass pass={step.kind === "proveOpen" ? "open" : "closed"} />
      ) : screw && type ? (
        <Plate
          number={screw.number}
          line1={screw.screw.where}
          line2={`${lengths > 1 ? (type.lengthMm === Math.max(...group!.screws.map((x) => b!.screwType.get(x.type)!.lengthMm)) ? "Long one" : "Short one") : type.thread}, ${type.unmeasured ? "not measured" : `${type.lengthMm} mm`}. Press when ${step.kind === "screwsBack" ? "back" : step.kind === "screwsTighten" ? "tight" : step.kind === "screwsLoosen" ? "loose" : "out"}.`}
          onAct={one}
        />
      ) : connector ? (
        <Plate
          line1={step.kind === "cableOff" ? CONNECTOR_MOTION[connector.kind].out : CONNECTOR_MOTION[connector.kind].in}
          line2={
            step.kind === "cableOff"
              ? `${connector.tapedOver ? "Tape off first. " : ""}Press when it is off.`
              : `Home: ${CONNECTOR_MOTION[connector.kind].homeWhen.toLowerCase()}. Press when home.`
          }
          onAct={one}
        />
      ) : (
        <Plate line1={plateLine(step, s)} line2={step.how} onAct={one} />
      )}
      {screw && type && (
        <div className="flex items-center justify-between gap-4">
          <div className="flex items-center gap-3">
            <svg width={48} height={48} aria-hidden="true">
              <ScrewTop x={24} y={24} r={20} drive={type.drive} />
            </svg>
            <div>
              <b className="block text-[22px] leading-[26px]">
                {DRIVE_WORDS[type.drive]} {type.size}
              </b>
              <span className="text-[18px] text-ink-2">
                {screwWords(type)}
                {!type.unmeasured && `, ${type.head}`}
              </span>
            </div>
          </div>
          <div className="tally" style={{ flex: "none" }}>
            <b>{screw.group.screws.length - left.length}</b>
            <span>
              {step.kind === "screwsBack"
                ? "back"
                : step.kind === "screwsTighten"
                  ? "tight"
                  : step.kind === "screwsLoosen"
                    ? "loose"
                    : "out"}
            </span>
            <b>{left.length}</b>
            <span className="whitespace-nowrap">to go</span>
          </div>
        </div>
      )}
      {step.kind === "screwsBack" && screw && <InHand screw={screw.screw.id} />}
      {(step.kind === "screwsOut" || step.kind === "screwsBack") && left.length > 1 && (
        <div className="flex items-center gap-3">
          <HoldButton words={`All ${left.length} at once`} onAct={() => several(left.length)} />
          {step.kind === "screwsBack" && <Leftovers screw={screw!.screw.id} where={screw!.screw.where} />}
          <span className="q">Logged as counted together. A digit counts that many.</span>
        </div>
      )}
      <RefusalBox />
      {!plan.fresh && (
        <p className="q" role="status">
          The order is being worked out anew; every act still passes its gate.
        </p>
      )}
      {point && <PointCheck point={point} />}
      {connector && (
        <p className="text-[18px] leading-[23px]">
          <b>{CONNECTOR_MOTION[connector.kind].name[0]!.toUpperCase() + CONNECTOR_MOTION[connector.kind].name.slice(1)}.</b>{" "}
          {connector.mark && `${connector.mark}. `}
          {connector.name}, to {connector.joins[1].toLowerCase()}.
        </p>
      )}
      {build && <PlacePhotos build={build.data} step={step} />}
      {build && <PryMap build={build.data} step={step} />}
      {step.hold && (
        <p className="text-[18px] leading-[23px]">
          <b>Hold:</b> {step.hold}
        </p>
      )}
      {step.caution && (
        <div className="caut">
          <Mark kind="change" size={30} label="Caution" />
          <p>{step.caution}</p>
        </div>
      )}
      {!special && step.because && <p className="q border-l-[3px] border-ink pl-3">{step.because}</p>}
      {screw && step.kind === "screwsBack" && left.length < 2 && <Leftovers screw={screw.screw.id} where={screw.screw.where} />}
      {upcoming.length > 0 && (
        <ol className="rows" aria-label="Next steps">
          {upcoming.map((x) => (
            <li key={x.step.id}>
              <em>{x.step.station === step.station ? "Next" : x.step.station[0]!.toUpperCase() + x.step.station.slice(1)}</em>
              <span className="grow">{x.step.title}</span>
              <em>{x.step.minutes < 1 ? `${Math.round(x.step.minutes * 60)} s` : durationWords(x.step.minutes)}</em>
            </li>
          ))}
        </ol>
      )}
      <TimeRuler />
      {(step.station === "open" || step.station === "swap" || step.station === "close") && <Trouble step={step} />}
      <KeysLine
        keys={[
          ["X", "power"],
          ["C", "caution"],
          ["W", "note"],
          ["?", "all keys"],
        ]}
      >
        <button
          type="button"
          className="flex items-center"
          onClick={() => {
            if (log.takeBack()) say("Last entry taken back");
          }}
        >
          <kbd>Backspace</kbd>
          <span className="link">take back</span>
        </button>
      </KeysLine>
    </>
  );
}

const titleOf = (s: Step): string => s.title;
const plateLine = (s: Step, st: { bench: { mains: string } }): string =>
  s.kind === "mainsIn" && st.bench.mains === "in" ? "Press when it runs" : (VERB[s.kind] ?? "Press when it is done");
