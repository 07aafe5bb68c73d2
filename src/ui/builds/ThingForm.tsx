"use client";
import type { Build, Connector, Part, Thing } from "@/core/build";

const ROLES: Part["role"][] = [
  "panel",
  "bezel",
  "baseCover",
  "cover",
  "bracket",
  "battery",
  "lid",
  "camera",
  "displayCable",
  "other",
];
const KINDS: Connector["kind"][] = [
  "friction",
  "sideLocks",
  "foldOverBar",
  "flipLatch",
  "leverRibbon",
  "boardToBoard",
  "vertical",
  "coaxStud",
  "lampLead",
];
const SERVES: Connector["serves"][] = [
  "picture",
  "camera",
  "wireless",
  "battery",
  "lidSensor",
  "keyboard",
  "touch",
  "speaker",
  "other",
];

/** What is selected: its name, how it comes away, what lies over it. */
export function ThingForm({
  build,
  thing,
  onEdit,
  onSelect,
  onRemove,
}: {
  build: Build;
  thing: Thing;
  onEdit: (b: Build) => void;
  onSelect: (t: Thing) => void;
  onRemove: () => void;
}) {
  const part = thing.kind === "part" ? build.parts.find((p) => p.id === thing.id) : undefined;
  const group = build.screwGroups.find((g) => g.id === thing.id || g.screws.some((s) => s.id === thing.id));
  const screw = group?.screws.find((s) => s.id === thing.id);
  const plug = thing.kind === "connector" ? build.connectors.find((c) => c.id === thing.id) : undefined;
  const tape = thing.kind === "tape" ? build.tapes.find((t) => t.id === thing.id) : undefined;
  const setPart = (p: Part) => onEdit({ ...build, parts: build.parts.map((x) => (x.id === p.id ? p : x)) });
  const minutes = (text: string, put: (n: number) => void) => {
    const n = Number(text.replace(",", "."));
    if (n > 0 && n <= 240) put(n);
  };
  const over = (list: readonly string[], self: string, put: (next: string[]) => void, words: string) => (
    <fieldset className="flex flex-wrap gap-x-4">
      <legend className="font-bold">{words}</legend>
      {build.parts
        .filter((p) => p.id !== self && p.out)
        .map((p) => (
          <label key={p.id} className="flex min-h-9 items-center gap-1.5 text-[15px]">
            <input
              type="checkbox"
              checked={list.includes(p.id)}
              onChange={(e) => put(e.target.checked ? [...list, p.id] : list.filter((x) => x !== p.id))}
            />
            {p.name}
          </label>
        ))}
    </fieldset>
  );
  return (
    <div className="flex flex-col gap-2 border-[1.5px] border-ink p-3" role="group" aria-label="Selected">
      <div className="flex items-baseline justify-between gap-3">
        <b className="text-[18px]">
          {part?.name ?? (screw ? `Screw at ${screw.where}` : (group?.name ?? plug?.name ?? tape?.name))}
        </b>
        <button type="button" className="link min-h-9" onClick={onRemove}>
          take away
        </button>
      </div>
      {part && (
        <>
          <div className="flex flex-wrap items-end gap-2">
            <label className="field grow">
              <span>Name</span>
              <input
                className="cell"
                value={part.name}
                maxLength={60}
                onChange={(e) => e.target.value && setPart({ ...part, name: e.target.value })}
              />
            </label>
            <label className="field" style={{ width: 130 }}>
              <span>Role</span>
              <select
                className="cell"
                value={part.role}
                onChange={(e) => setPart({ ...part, role: e.target.value as Part["role"] })}
              >
                {ROLES.map((r) => (
                  <option key={r}>{r}</option>
                ))}
              </select>
            </label>
            <label className="field" style={{ width: 92 }}>
              <span>Minutes</span>
              <input
                className="cell"
                inputMode="decimal"
                defaultValue={part.out?.minutes ?? ""}
                placeholder="stays"
                onBlur={(e) =>
                  minutes(e.target.value, (n) =>
                    setPart({
                      ...part,
                      out: {
                        ...(part.out ?? { verb: `Take out ${part.name.toLowerCase()}`.slice(0, 60), how: "As it comes." }),
                        minutes: n,
                      },
                    }),
                  )
                }
              />
            </label>
          </div>
          {over(part.blockedBy, part.id, (blockedBy) => setPart({ ...part, blockedBy }), "Comes after")}
          <p className="flex flex-wrap gap-3 text-[15px]">
            {build.screwGroups
              .filter((g) => g.holds === part.id)
              .map((g) => (
                <button key={g.id} type="button" className="link min-h-9" onClick={() => onSelect({ kind: "group", id: g.id })}>
                  {g.screws.length} {g.name.toLowerCase()}
                </button>
              ))}
          </p>
        </>
      )}
      {group && (
        <>
          <div className="flex flex-wrap items-end gap-2">
            {screw ? (
              <label className="field grow">
                <span>Type of this screw</span>
                <select
                  className="cell"
                  value={screw.type}
                  onChange={(e) =>
                    onEdit({
                      ...build,
                      screwGroups: build.screwGroups.map((g) =>
                        g === group
                          ? { ...g, screws: g.screws.map((s) => (s === screw ? { ...s, type: e.target.value } : s)) }
                          : g,
                      ),
                    })
                  }
                >
                  {build.screwTypes.map((t) => (
                    <option key={t.id} value={t.id}>
                      {t.thread} × {t.lengthMm}, {t.drive} {t.size}
                    </option>
                  ))}
                </select>
              </label>
            ) : (
              <label className="field grow">
                <span>Group</span>
                <input
                  className="cell"
                  value={group.name}
                  maxLength={60}
                  onChange={(e) =>
                    e.target.value &&
                    onEdit({
                      ...build,
                      screwGroups: build.screwGroups.map((g) => (g === group ? { ...g, name: e.target.value } : g)),
                    })
                  }
                />
              </label>
            )}
            <label className="flex min-h-11 items-center gap-2 text-[15px]">
              <input
                type="checkbox"
                checked={group.loosenOnly}
                onChange={(e) =>
                  onEdit({
                    ...build,
                    screwGroups: build.screwGroups.map((g) => (g === group ? { ...g, loosenOnly: e.target.checked } : g)),
                  })
                }
              />
              only loosened
            </label>
          </div>
          {over(
            group.under,
            group.holds,
            (under) => onEdit({ ...build, screwGroups: build.screwGroups.map((g) => (g === group ? { ...g, under } : g)) }),
            "Lies under",
          )}
        </>
      )}
      {plug && (
        <>
          <div className="flex flex-wrap items-end gap-2">
            <label className="field grow">
              <span>Kind</span>
              <select
                className="cell"
                value={plug.kind}
                onChange={(e) =>
                  onEdit({
                    ...build,
                    connectors: build.connectors.map((c) =>
                      c === plug ? { ...c, kind: e.target.value as Connector["kind"] } : c,
                    ),
                  })
                }
              >
                {KINDS.map((k) => (
                  <option key={k}>{k}</option>
                ))}
              </select>
            </label>
            <label className="field" style={{ width: 140 }}>
              <span>Serves</span>
              <select
                className="cell"
                value={plug.serves}
                onChange={(e) =>
                  onEdit({
                    ...build,
                    connectors: build.connectors.map((c) =>
                      c === plug ? { ...c, serves: e.target.value as Connector["serves"] } : c,
                    ),
                  })
                }
              >
                {SERVES.map((k) => (
                  <option key={k}>{k}</option>
                ))}
              </select>
            </label>
          </div>
          {(
            [
              ["powerPoint", "carries pack voltage: opened to isolate"],
              ["reachableWhenSeated", "can be reached over a seated panel"],
            ] as const
          ).map(([k, words]) => (
            <label key={k} className="flex min-h-9 items-center gap-2 text-[15px]">
              <input
                type="checkbox"
                checked={plug[k]}
                onChange={(e) =>
                  onEdit({
                    ...build,
                    connectors: build.connectors.map((c) => (c === plug ? { ...c, [k]: e.target.checked } : c)),
                  })
                }
              />
              {words}
            </label>
          ))}
          {over(
            plug.under,
            "",
            (under) => onEdit({ ...build, connectors: build.connectors.map((c) => (c === plug ? { ...c, under } : c)) }),
            "Lies under",
          )}
        </>
      )}
      {tape &&
        over(
          tape.under,
          tape.holds,
          (under) => onEdit({ ...build, tapes: build.tapes.map((t) => (t === tape ? { ...t, under } : t)) }),
          "Lies under",
        )}
    </div>
  );
}
