"use client";
import { type Build, FATE_WORDS, FATES, type Motion, PART_ROLES, type Part, setPart, type Thing } from "@/core/build";
import { Check, movable, Num, Pick, Row, Ticks, Txt } from "./fields";
import { Stages } from "./Stages";

const ROLE_WORDS: Record<Part["role"], string> = {
  panel: "the panel",
  bezel: "bezel",
  baseCover: "base cover",
  cover: "cover",
  bracket: "bracket",
  battery: "battery",
  lid: "lid assembly",
  camera: "camera",
  displayCable: "display cable",
  other: "other",
};

/** A part: how it comes away, what comes before it, and where one of several ways is enough. */
export function PartForm({
  build,
  part,
  onEdit,
  onSelect,
}: {
  build: Build;
  part: Part;
  onEdit: (b: Build) => void;
  onSelect: (t: Thing) => void;
}) {
  const set = (p: Part) => onEdit(setPart(build, p));
  const out = (m: Partial<Motion>) =>
    set({
      ...part,
      out: { verb: `Take out ${part.name.toLowerCase()}`.slice(0, 60), how: "As it comes.", minutes: 1, ...part.out, ...m },
    });
  return (
    <>
      <Row>
        <Txt label="Name" value={part.name} onPut={(name) => set({ ...part, name })} />
        <Pick
          label="Role"
          width={136}
          value={part.role}
          of={PART_ROLES}
          words={(r) => ROLE_WORDS[r]}
          onPut={(role) => set({ ...part, role })}
        />
        <Num
          label="Minutes"
          width={84}
          value={part.out?.minutes ?? null}
          from={0.1}
          to={240}
          onPut={(minutes) => out({ minutes })}
        />
      </Row>
      {part.out ? (
        <>
          <Txt label="How it comes away" max={240} lines={2} value={part.out.how} onPut={(how) => out({ how })} />
          <Stages
            stages={part.out.stages ?? []}
            onPut={(stages) => {
              const { stages: _, ...rest } = part.out!;
              set({ ...part, out: stages.length ? { ...rest, stages } : rest });
            }}
          />
          <p className="flex gap-x-4">
            <Check words="glued" on={!!part.out.glue} onPut={(glue) => out({ glue })} />
            <Check words="needs heat" on={!!part.out.heat} onPut={(heat) => out({ heat })} />
          </p>
          {part.id !== build.subject.part && (
            <Pick
              label="What becomes of it"
              value={part.fate ?? "back"}
              of={["back", ...FATES]}
              words={(f) => (f === "back" ? "goes back" : FATE_WORDS[f])}
              onPut={(f) => {
                const { fate: _, ...rest } = part;
                set(f === "back" ? rest : { ...rest, fate: f });
              }}
            />
          )}
        </>
      ) : (
        <p className="q">Without minutes it stays where it is in this build.</p>
      )}
      <Ticks
        legend="Comes after"
        from={movable(build, part.id)}
        on={part.blockedBy}
        onPut={(blockedBy) => set({ ...part, blockedBy })}
      />
      <p className="flex flex-wrap gap-3 text-[15px]">
        {build.screwGroups
          .filter((g) => g.holds === part.id)
          .map((g) => (
            <button key={g.id} type="button" className="link min-h-9" onClick={() => onSelect({ kind: "group", id: g.id })}>
              {g.screws.length} {g.name.toLowerCase()}
            </button>
          ))}
      </p>
      <Ways build={build} part={part} set={set} />
    </>
  );
}

/** Where one way of several is enough: free the lead, or leave it tethered. */
function Ways({ build, part, set }: { build: Build; part: Part; set: (p: Part) => void }) {
  const free = [
    ...build.connectors.filter((c) => !c.powerPoint),
    ...build.screwGroups.filter((g) => g.holds !== part.id),
    ...movable(build, part.id),
  ];
  const name = (id: string) => free.find((x) => x.id === id)?.name ?? build.tapes.find((t) => t.id === id)?.name ?? id;
  return (
    <details>
      <summary className="min-h-9 cursor-pointer leading-9">
        <b>One of several ways is enough</b>
        {part.either.length > 0 && `: ${part.either.length}`}
      </summary>
      {part.either.map((e, i) => {
        const put = (next: Part["either"][number] | null) =>
          set({ ...part, either: part.either.flatMap((x, k) => (k === i ? (next ? [next] : []) : [x])) });
        return (
          <div key={e.why} className="border-l-[3px] border-ink pl-3">
            <Row>
              <Txt label="What it is about" max={160} value={e.why} onPut={(why) => put({ ...e, why })} />
              <button type="button" className="link min-h-9" onClick={() => put(null)}>
                take away
              </button>
            </Row>
            {e.options.map((o, k) => {
              const option = (next: typeof o) => put({ ...e, options: e.options.map((x, n) => (n === k ? next : x)) });
              return (
                <div key={o.id} className="py-1">
                  {o.instead ? (
                    <Row>
                      <Txt
                        label={`Way ${k + 1}: instead`}
                        value={o.instead.verb}
                        onPut={(verb) => option({ ...o, instead: { ...o.instead!, verb } })}
                      />
                      <Num
                        label="Minutes"
                        width={84}
                        value={o.instead.minutes}
                        from={0.1}
                        to={240}
                        onPut={(minutes) => option({ ...o, instead: { ...o.instead!, minutes } })}
                      />
                    </Row>
                  ) : (
                    <Ticks
                      legend={`Way ${k + 1}: away first${o.free.length ? ` (${o.free.map(name).join(", ")})` : ""}`}
                      from={free}
                      on={o.free}
                      onPut={(list) => list.length && option({ ...o, free: list })}
                    />
                  )}
                </div>
              );
            })}
          </div>
        );
      })}
      <button
        type="button"
        className="btn quiet mt-2"
        disabled={free.length === 0 || part.either.length >= 6}
        onClick={() =>
          set({
            ...part,
            either: [
              ...part.either,
              {
                why: `Lead over ${part.name.toLowerCase()}${part.either.length ? `, ${part.either.length + 1}` : ""}`,
                options: [
                  { id: "freed", free: [free[0]!.id] },
                  {
                    id: "tethered",
                    free: [],
                    instead: { verb: "Leave the lead on, laid safe", how: "No pull on it, nothing on top.", minutes: 1 },
                  },
                ],
              },
            ],
          })
        }
      >
        Free it, or leave it tethered
      </button>
    </details>
  );
}
