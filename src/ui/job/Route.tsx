"use client";
import { Mark } from "../draw/Mark";
import { type RouteCell, STATION_NAMES, STATION_PATHS, type StationPath } from "../shell/JobStrip";
import { StationLink } from "./StationLink";

/** Nine stations: number, name, one proof in words. The yellow cell is where the job stands; the underlined one is on screen. */
export function Route({ cells, current }: { cells: readonly RouteCell[]; current: StationPath }) {
  return (
    <nav aria-label="Route: nine stations">
      <ol className="route">
        {STATION_NAMES.map((name, i) => {
          const c = cells[i] ?? { s: "ahead" as const, note: "" };
          const path = STATION_PATHS[i]!;
          return (
            <li key={name}>
              <StationLink to={path} data-s={c.s} {...(path === current ? { "aria-current": "page" as const } : {})}>
                <span className="label">
                  <kbd>{i + 1}</kbd>
                  <b>{name}</b>
                </span>
                <span className="note">
                  {c.mark && <Mark kind={c.mark} size={14} />}
                  {c.note}
                </span>
              </StationLink>
            </li>
          );
        })}
      </ol>
    </nav>
  );
}
