"use client";
import type { Build, Thing } from "@/core/build";
import { PhotoForm, PlugForm, TapeForm } from "./LeadForms";
import { LeftOpen } from "./LeftOpen";
import { PartForm } from "./PartForm";
import { ScrewForm } from "./ScrewForm";

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
  const find = <T extends { id: string }>(kind: Thing["kind"], list: readonly T[]) =>
    thing.kind === kind ? list.find((x) => x.id === thing.id) : undefined;
  const part = find("part", build.parts);
  const plug = find("connector", build.connectors);
  const tape = find("tape", build.tapes);
  const photo = find("photo", build.photos ?? []);
  const group = build.screwGroups.find((g) => g.id === thing.id || g.screws.some((s) => s.id === thing.id));
  const screw = group?.screws.find((s) => s.id === thing.id);
  const name = screw ? `Screw at ${screw.where}` : (part ?? group ?? plug ?? tape)?.name;
  return (
    <div className="flex flex-col gap-2 border-[1.5px] border-ink p-3" role="group" aria-label="Selected">
      <div className="flex items-baseline justify-between gap-3">
        <b className="text-[18px]">{name ?? photo?.words}</b>
        <button type="button" className="link min-h-9" onClick={onRemove}>
          take away
        </button>
      </div>
      {part && <PartForm build={build} part={part} onEdit={onEdit} onSelect={onSelect} />}
      {group && <ScrewForm build={build} group={group} screw={screw} onEdit={onEdit} />}
      {plug && <PlugForm build={build} plug={plug} onEdit={onEdit} />}
      {tape && <TapeForm build={build} tape={tape} onEdit={onEdit} />}
      <LeftOpen build={build} of={(part ?? group ?? plug ?? tape)?.id} onEdit={onEdit} />
      {photo && <PhotoForm build={build} photo={photo} onEdit={onEdit} />}
    </div>
  );
}
