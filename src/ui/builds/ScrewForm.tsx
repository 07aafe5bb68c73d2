"use client";
import { useState } from "react";
import {
  addScrewType,
  type Build,
  DRIVES,
  HEADS,
  keepUntil,
  type ScrewGroup,
  type ScrewType,
  screwWords,
  setGroup,
} from "@/core/build";
import { DRIVE_WORDS } from "@/core/teardown";
import { Check, movable, Num, Pick, Row, Ticks, Txt } from "./fields";

const untilWords = (b: Build, id: string): string => {
  if (id === "none") return "nothing: they come out as they are reached";
  const t = b.turns?.find((x) => x.id === id);
  return t
    ? `${t.name.toLowerCase()}, ${t.angleDeg}°`
    : id === "upright"
      ? "the lid stands upright, 90°"
      : (b.parts.find((p) => p.id === id)?.name.toLowerCase() ?? id);
};

const typeWords = (t: ScrewType) => `${screwWords(t)}, ${DRIVE_WORDS[t.drive]!.toLowerCase()} ${t.size}`;

/** A group of screws, or one of them: its type, the boss it goes into, and how it is treated. */
export function ScrewForm({
  build,
  group,
  screw,
  onEdit,
}: {
  build: Build;
  group: ScrewGroup;
  screw: ScrewGroup["screws"][number] | undefined;
  onEdit: (b: Build) => void;
}) {
  const [adding, setAdding] = useState(false);
  const set = (g: ScrewGroup) => onEdit(setGroup(build, g));
  const setScrew = (s: ScrewGroup["screws"][number]) =>
    set({ ...group, screws: group.screws.map((x) => (x.id === s.id ? s : x)) });
  return (
    <>
      {screw ? (
        <>
          <Row>
            <Txt label="Where" value={screw.where} onPut={(where) => setScrew({ ...screw, where })} />
            <Pick
              label="Type of this screw"
              value={screw.type}
              of={build.screwTypes.map((t) => t.id)}
              words={(id) => typeWords(build.screwTypes.find((t) => t.id === id)!)}
              onPut={(type) => setScrew({ ...screw, type })}
            />
          </Row>
          <Row>
            <Num
              label="Longest it takes, mm"
              width={160}
              value={screw.bossMm ?? null}
              from={0.8}
              to={40}
              empty={() => setScrew(without(screw, "bossMm"))}
              onPut={(bossMm) => setScrew({ ...screw, bossMm })}
            />
            <Txt
              label="Behind it"
              empty
              placeholder="nothing, panel, cable"
              value={screw.behind ?? ""}
              onPut={(behind) => setScrew(behind ? { ...screw, behind } : without(screw, "behind"))}
            />
          </Row>
        </>
      ) : (
        <Txt label="Group" value={group.name} onPut={(name) => set({ ...group, name })} />
      )}
      <p className="flex flex-wrap gap-x-4">
        <Check words="only loosened" on={group.loosenOnly} onPut={(loosenOnly) => set({ ...group, loosenOnly })} />
        <Check words="left in their own holes" on={group.keepInHoles} onPut={(keepInHoles) => set({ ...group, keepInHoles })} />
      </p>
      <Row>
        <Pick
          label="They stay in until"
          value={group.keepUntil ?? "none"}
          of={[
            "none",
            ...new Set(["upright", ...(build.turns ?? []).map((t) => t.id), ...(group.keepUntil ? [group.keepUntil] : [])]),
          ]}
          words={(id) => untilWords(build, id)}
          onPut={(id) => onEdit(keepUntil(build, group.id, id === "none" ? null : id))}
        />
        <Check
          words="last of what holds it"
          on={group.lastOf === group.holds}
          onPut={(last) => set(last ? { ...group, lastOf: group.holds } : without(group, "lastOf"))}
        />
      </Row>
      <Ticks
        legend="Lies under"
        from={movable(build, group.holds)}
        on={group.under}
        onPut={(under) => set({ ...group, under })}
      />
      {adding ? (
        <NewType
          onAdd={(t) => {
            const next = addScrewType(build, t);
            const type = next.screwTypes.at(-1)!.id;
            const screws = group.screws.map((s) => (!screw || s.id === screw.id ? { ...s, type } : s));
            onEdit(setGroup(next, { ...group, screws }));
            setAdding(false);
          }}
        />
      ) : (
        <button type="button" className="link min-h-9 self-start" onClick={() => setAdding(true)}>
          another type, as measured
        </button>
      )}
    </>
  );
}

/** Without a field that is not known. */
function without<T extends object, K extends keyof T>(of: T, key: K): Omit<T, K> & T {
  const { [key]: _, ...rest } = of;
  return rest as Omit<T, K> & T;
}

function NewType({ onAdd }: { onAdd: (t: Omit<ScrewType, "id">) => void }) {
  const [t, setT] = useState<Omit<ScrewType, "id">>({
    thread: "M2",
    lengthMm: 4,
    head: "pan",
    headDiameterMm: 3.6,
    headHeightMm: 1,
    drive: "cross",
    size: "PH00",
  });
  return (
    <fieldset className="flex flex-col gap-2 border-t border-hair pt-2">
      <legend className="font-bold">Another type, as measured</legend>
      <Row>
        <Txt label="Thread" width={76} max={8} value={t.thread} onPut={(thread) => setT({ ...t, thread })} />
        <Num label="Length, mm" value={t.lengthMm} from={0.8} to={40} onPut={(lengthMm) => setT({ ...t, lengthMm })} />
        <Pick label="Head" width={100} value={t.head} of={HEADS} onPut={(head) => setT({ ...t, head })} />
        <Num
          label="Head ⌀, mm"
          value={t.headDiameterMm}
          from={1}
          to={12}
          onPut={(headDiameterMm) => setT({ ...t, headDiameterMm })}
        />
      </Row>
      <Row>
        <Num
          label="Head high, mm"
          width={120}
          value={t.headHeightMm}
          from={0.2}
          to={6}
          onPut={(headHeightMm) => setT({ ...t, headHeightMm })}
        />
        <Pick
          label="Drive"
          width={130}
          value={t.drive}
          of={DRIVES}
          words={(d) => DRIVE_WORDS[d]!}
          onPut={(drive) => setT({ ...t, drive })}
        />
        <Txt label="Size" width={80} max={12} value={t.size} onPut={(size) => setT({ ...t, size })} />
        <button type="button" className="btn quiet" onClick={() => onAdd(t)}>
          Use it
        </button>
      </Row>
    </fieldset>
  );
}
