"use client";
import {
  type Build,
  CONNECTOR_KINDS,
  CONNECTOR_MOTION,
  type Connector,
  EDGES,
  HELD_BY,
  type PlacePhoto,
  type PryEdge,
  SERVES,
  setConnector,
  setPhoto,
  setPry,
  setTape,
  type Tape,
} from "@/core/build";
import { Check, movable, Num, Pick, Row, Ticks, Txt } from "./fields";

const SERVES_WORDS: Record<Connector["serves"], string> = {
  picture: "picture",
  camera: "camera",
  wireless: "wireless",
  battery: "battery",
  lidSensor: "lid sensor",
  keyboard: "keyboard",
  touch: "touch",
  speaker: "speaker",
  power: "power supply",
  other: "other",
};

/** A plug: how it is opened, what it serves, and when it may be touched. */
export function PlugForm({ build, plug, onEdit }: { build: Build; plug: Connector; onEdit: (b: Build) => void }) {
  const set = (c: Connector) => onEdit(setConnector(build, c));
  return (
    <>
      <Row>
        <Txt label="Name" value={plug.name} onPut={(name) => set({ ...plug, name })} />
        <Txt label="Goes to" value={plug.joins[1]} onPut={(to) => set({ ...plug, joins: [plug.joins[0], to] })} />
      </Row>
      <Row>
        <Pick
          label="Kind"
          value={plug.kind}
          of={CONNECTOR_KINDS}
          words={(k) => CONNECTOR_MOTION[k].name}
          onPut={(kind) => set({ ...plug, kind })}
        />
        <Pick
          label="Serves"
          width={130}
          value={plug.serves}
          of={SERVES}
          words={(k) => SERVES_WORDS[k]}
          onPut={(serves) => set({ ...plug, serves })}
        />
        <Num label="Minutes" width={84} value={plug.minutes} from={0.1} to={30} onPut={(minutes) => set({ ...plug, minutes })} />
      </Row>
      <Txt
        label="Mark, the one right way round"
        max={120}
        empty
        value={plug.mark ?? ""}
        onPut={(mark) => {
          const { mark: _, ...rest } = plug;
          set(mark ? { ...rest, mark } : rest);
        }}
      />
      {(
        [
          ["powerPoint", "carries pack voltage: opened to isolate"],
          ["aheadOfIsolation", "marked as ahead of isolation: the maker says it comes off before"],
          ["reachableWhenSeated", "can be reached over a seated panel"],
          ["tapedOver", "taped over: the tape goes on anew"],
        ] as const
      ).map(([k, words]) => (
        <Check key={k} words={words} on={plug[k]} onPut={(on) => set({ ...plug, [k]: on })} />
      ))}
      <Ticks legend="Lies under" from={movable(build, "")} on={plug.under} onPut={(under) => set({ ...plug, under })} />
    </>
  );
}

/** A strip of tape: where along the pocket, how thick, how it is freed. */
export function TapeForm({ build, tape, onEdit }: { build: Build; tape: Tape; onEdit: (b: Build) => void }) {
  const set = (t: Tape) => onEdit(setTape(build, t));
  return (
    <>
      <Row>
        <Txt label="Name" value={tape.name} onPut={(name) => set({ ...tape, name })} />
        <Pick label="Edge" width={96} value={tape.edge} of={EDGES} onPut={(edge) => set({ ...tape, edge })} />
        <Pick
          label="Kind"
          width={116}
          value={tape.kind}
          of={["strip", "pullTab"] as const}
          words={(k) => (k === "strip" ? "strip" : "pull tab")}
          onPut={(kind) => set({ ...tape, kind })}
        />
      </Row>
      <Row>
        {(["widthMm", "heightMm"] as const).map((k) => (
          <Num
            key={k}
            label={k === "widthMm" ? "Across, mm" : "Up, mm"}
            width={96}
            value={tape.shape[k]}
            from={0.5}
            to={600}
            onPut={(n) => set({ ...tape, shape: { ...tape.shape, [k]: n } })}
          />
        ))}
        <Num
          label="Thick, mm"
          width={96}
          value={tape.thicknessMm}
          from={0.05}
          to={3}
          onPut={(thicknessMm) => set({ ...tape, thicknessMm })}
        />
        <Num label="Tail, mm" width={84} value={tape.tailMm} from={0} to={60} onPut={(tailMm) => set({ ...tape, tailMm })} />
        <Num
          label="Minutes"
          width={84}
          value={tape.out.minutes}
          from={0.1}
          to={240}
          onPut={(minutes) => set({ ...tape, out: { ...tape.out, minutes } })}
        />
      </Row>
      <Txt label="How it is freed" max={240} value={tape.out.how} onPut={(how) => set({ ...tape, out: { ...tape.out, how } })} />
      <Ticks legend="Lies under" from={movable(build, tape.holds)} on={tape.under} onPut={(under) => set({ ...tape, under })} />
    </>
  );
}

/** A picture at a place. */
export function PhotoForm({ build, photo, onEdit }: { build: Build; photo: PlacePhoto; onEdit: (b: Build) => void }) {
  return (
    <>
      {/* biome-ignore lint/performance/noImgElement: bytes come from this very server, by content hash */}
      <img
        src={`/api/blobs/${photo.hash}`}
        alt={photo.words}
        style={{ maxHeight: 220, maxWidth: "100%", objectFit: "contain" }}
      />
      <Txt label="What it shows" max={80} value={photo.words} onPut={(words) => onEdit(setPhoto(build, { ...photo, words }))} />
    </>
  );
}

/** How each edge of the lid may be entered, or that it must not be. */
export function PryForm({ build, onEdit }: { build: Build; onEdit: (b: Build) => void }) {
  const put = (p: PryEdge, over: Partial<PryEdge>) => onEdit(setPry(build, p.edge, { ...p, ...over }));
  return (
    <details className="border-t border-hair">
      <summary className="min-h-9 cursor-pointer leading-9">
        <b>Pry map of the lid</b>: {build.lid.pry.length ? `${build.lid.pry.length} of 4 edges said` : "nothing known yet"}
      </summary>
      {EDGES.map((edge) => {
        const p = build.lid.pry.find((x) => x.edge === edge);
        return (
          <fieldset key={edge} className="border-b border-hair pb-2">
            <legend className="vh">{edge} edge</legend>
            <Row>
              <Pick
                label={`${edge[0]!.toUpperCase()}${edge.slice(1)} edge`}
                width={142}
                value={p ? (p.enter ? "yes" : "no") : "unknown"}
                of={["unknown", "yes", "no"] as const}
                words={(k) => ({ unknown: "not known", yes: "may be entered", no: "do not enter" })[k]}
                onPut={(k) => onEdit(setPry(build, edge, k === "unknown" ? null : { ...p, edge, enter: k === "yes" }))}
              />
              {p?.enter && (
                <>
                  <Num
                    label="Deep, mm"
                    width={78}
                    value={p.depthMm ?? null}
                    from={0.1}
                    to={60}
                    empty={() => put(p, { depthMm: undefined })}
                    onPut={(depthMm) => put(p, { depthMm })}
                  />
                  <Pick
                    label="Held by"
                    width={84}
                    value={p.heldBy ?? "clips"}
                    of={HELD_BY}
                    onPut={(heldBy) => put(p, { heldBy })}
                  />
                </>
              )}
              {p && (
                <Txt label="Behind it" max={80} empty value={p.behind ?? ""} onPut={(t) => put(p, { behind: t || undefined })} />
              )}
            </Row>
            {p?.enter && (
              <Txt label="Start" max={80} empty value={p.start ?? ""} onPut={(t) => put(p, { start: t || undefined })} />
            )}
          </fieldset>
        );
      })}
    </details>
  );
}
