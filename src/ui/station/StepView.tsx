"use client";
import dynamic from "next/dynamic";
import { type ComponentType, useState } from "react";
import { CONNECTOR_MOTION, indexBuild } from "@/core/build";
import { durationWords } from "@/core/quantity";
import { nextAct, plugNow, type Step, type StepKind, stepRule } from "@/core/teardown";
import { HoldButton } from "../controls/HoldButton";
import { KeysLine } from "../controls/KeysLine";
import { Plate } from "../controls/Plate";
import { ConnectorDetail } from "../draw/ConnectorDetail";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { StationLink } from "../job/StationLink";
import { BareFilms } from "./BareFilms";
import { ForgottenBehind } from "./ForgottenBehind";
import { InHand } from "./InHand";
import { asksLamp, LampChoice } from "./LampChoice";
import { LookStep, SeenOtherwise } from "./LookStep";
import { PairingLeft } from "./PairingLeft";
import { PlacePhotos } from "./PlacePhotos";
import { PointCheck, pointOf } from "./PointCheck";
import { ProvePass } from "./ProvePass";
import { PryMap } from "./PryMap";
import { RefusalBox } from "./RefusalBox";
import { lengthWords, ScrewNow } from "./ScrewNow";
import { SolventBox } from "./SolventBox";
import { SupplyChoice } from "./SupplyChoice";
import { AngleStep, HandOverStep, Leftovers, LooseTestStep } from "./steps";
import { TapeChoice } from "./TapeChoice";
import { TimeRuler } from "./TimeRuler";
import { Trouble } from "./Trouble";
import { useScrewCount } from "./useScrewCount";

/** What plans warming is fetched where something has to be warmed. */
const Warming = dynamic(() => import("./Warming").then((m) => m.Warming), { ssr: false });

/** What tells when the tape holds is fetched where tape was pressed. */
const HoldTimes = dynamic(() => import("./HoldTimes").then((m) => m.HoldTimes), { ssr: false });

/** What chooses the tape is fetched where tape is cut. */
const TapePlan = dynamic(() => import("./TapePlan").then((m) => m.TapePlan), { ssr: false });

const Hinges = dynamic(() => import("./Hinges").then((m) => m.Hinges), { ssr: false });

/** Steps that ask a person for more than a press. */
const FORMS: Partial<Record<StepKind, ComponentType>> = {
  looseTest: LooseTestStep,
  angle: AngleStep,
  handOver: HandOverStep,
  proveOpen: () => <ProvePass pass="open" />,
  labelSeen: () => (
    <StationLink to="identify" className="plate" data-plate>
      <span>
        <b>Read it in Identify</b>
        <i>Over soft cloth, held, as far as its leads let it: nothing hangs on a lead.</i>
      </span>
    </StationLink>
  ),
  look: LookStep,
  batterySeen: () => <ProvePass pass="open" home />,
  proveClosed: () => <ProvePass pass="closed" />,
};

/** Steps at which another supply may be asked for. */
const FED: ReadonlySet<StepKind> = new Set(["packOn", "mainsIn", "start", "looseTest"]);

/** Steps inside the wait for the tape, and its end. */
const HOLDS: ReadonlySet<StepKind> = new Set(["seams", "angle", "handOver"]);

/** The step to do now in large type, what it needs and minds, and the next ones below. */
export function StepView({ step }: { step: Step }) {
  const { log, view, progress, plan, build, setKeys, say } = useBench();
  const b = build ? indexBuild(build.data) : null;
  const s = view.state;
  const rule = stepRule(step.kind);
  const { now, several, scanned, putBack, tooEarly } = useScrewCount(step);
  const atPlug = b && plugNow(step, s, b);
  const connector = atPlug?.plug;
  const steps = progress!.steps;
  const at = steps.findIndex((x) => x.step.id === step.id);
  const upcoming = steps.slice(at + 1).filter((x) => !x.done);
  const one = () => {
    const act = nextAct(view, step);
    if (act) log.record(act);
  };
  const Form = rule.asks ? FORMS[step.kind] : undefined;
  if (!Form)
    setKeys({
      space: one,
      enter: now ? tooEarly : one,
      ...(now ? { enterHeld: () => several(now.left.length) } : {}),
      digits: several,
      keys: { p: putBack },
      scan: scanned,
    });
  const press = typeof rule.press === "function" ? rule.press(s) : rule.press;
  const point = pointOf(step, (id) => b?.part.get(id)?.role);
  const back = step.kind === "screwsBack" && now;
  const strip = step.kind === "tapeOut" ? b?.tape.get(step.target) : undefined;
  const warmed = strip && (strip.heat || strip.out.heat || strip.out.warmedWith) ? strip : undefined;
  return (
    <>
      <h1 className={`step${step.title.length > 42 ? " long" : ""}`}>{step.title}</h1>
      {Form ? (
        <Form />
      ) : now && b ? (
        <Plate number={now.number} line1={now.screw.where} line2={`${lengthWords(b, now)}. ${press}.`} onAct={one} />
      ) : connector ? (
        <Plate
          line1={atPlug?.off ? CONNECTOR_MOTION[connector.kind].out : CONNECTOR_MOTION[connector.kind].in}
          line2={
            atPlug?.off
              ? `${connector.tapedOver ? "Tape off first. " : ""}${press}.`
              : `Home: ${CONNECTOR_MOTION[connector.kind].homeWhen.toLowerCase()}. ${press}.`
          }
          onAct={one}
        />
      ) : (
        <Plate line1={press} line2={step.how} onAct={one} />
      )}
      {now && b && <ScrewNow b={b} now={now} />}
      {back && <InHand screw={back.screw.id} />}
      {now?.count.several && now.left.length > 1 && (
        <div className="flex items-center gap-3">
          <HoldButton words={`All ${now.left.length} at once`} onAct={() => several(now.left.length)} />
          {back && <Leftovers screw={back.screw.id} where={back.screw.where} />}
          <span className="q">Logged as counted together. A digit counts that many.</span>
        </div>
      )}
      <RefusalBox />
      <SolventBox />
      <BareFilms />
      {!plan.fresh && (
        <p className="q" role="status">
          The order is being worked out anew; every act still passes its gate.
        </p>
      )}
      {FED.has(step.kind) && <SupplyChoice />}
      {asksLamp(step.kind) && <LampChoice />}
      {step.kind === "change" && step.target === "pairing" && <PairingLeft />}
      <TapeChoice step={step} />
      {step.kind === "tapeLay" && <TapePlan />}
      {warmed && <Warming tape={warmed} />}
      {step.kind === "shutDown" && step.target === "" && build && <HingesBefore />}
      {HOLDS.has(step.kind) && s.bond.pressedClock && <HoldTimes />}
      {point && <PointCheck point={point} />}
      {connector && <ConnectorDetail kind={connector.kind} out={atPlug?.off ?? false} />}
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
      <SeenOtherwise step={step} />
      {!Form && step.because && <p className="q border-l-[3px] border-ink pl-3">{step.because}</p>}
      {back && back.left.length < 2 && <Leftovers screw={back.screw.id} where={back.screw.where} />}
      <Upcoming steps={upcoming.slice(0, 3).map((x) => x.step)} station={step.station} />
      <TimeRuler />
      {(step.station === "open" || step.station === "swap" || step.station === "bond" || step.station === "close") && (
        <Trouble step={step} />
      )}
      {step.station === "prove" && (
        <div className="tight">
          <ForgottenBehind />
        </div>
      )}
      <KeysLine
        keys={[
          ["X", "power"],
          ["C", "caution"],
          ["W", "note, photo"],
          ...(now?.count ? ([["P", "put one back"]] as const) : []),
          ["D", "light"],
          ["J", "the job"],
          ["?", "all keys"],
        ]}
      >
        <button
          type="button"
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

/** What the hinges read as the machine came: without it nothing can be compared afterwards. */
function HingesBefore() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button type="button" className="btn quiet self-start" aria-expanded={open} onClick={() => setOpen(!open)}>
        Hinges as they came: gaps, torque
      </button>
      {open && <Hinges when="before" />}
    </>
  );
}

function Upcoming({ steps, station }: { steps: readonly Step[]; station: Step["station"] }) {
  if (steps.length === 0) return null;
  return (
    <ol className="rows" aria-label="Next steps">
      {steps.map((x) => (
        <li key={x.id}>
          <em>{x.station === station ? "Next" : x.station[0]!.toUpperCase() + x.station.slice(1)}</em>
          <span className="grow">{x.title}</span>
          <em>{durationWords(x.minutes)}</em>
        </li>
      ))}
    </ol>
  );
}
