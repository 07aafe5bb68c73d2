import type { NamedHit } from "@/client/catalogue";

/** Machines that go by what was typed: no panel, but the panels seen in them can be taken. */
export function MachinesNamed({
  machines,
  onTake,
}: {
  machines: readonly NamedHit["names"][number][];
  onTake: (panel: string) => void;
}) {
  if (machines.length === 0) return null;
  return (
    <ul className="rows" aria-label="Machines of this name">
      {machines.slice(0, 3).map((n) => (
        <li key={n.machine} style={{ alignItems: "center" }}>
          <b>{n.machine}</b>
          <span className="grow q mono">{n.panels.map((p) => p.code).join(", ") || "no panel on record"}</span>
          <em>machine, not a panel</em>
          {n.panels.map((p) => (
            <button key={p.id} type="button" className="btn quiet" onClick={() => onTake(p.id)}>
              Take {p.code} (S)
            </button>
          ))}
        </li>
      ))}
    </ul>
  );
}
