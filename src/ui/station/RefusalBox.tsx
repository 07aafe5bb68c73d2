"use client";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";

/** Why the last act was not recorded; gone with the next. */
export function RefusalBox() {
  const { log } = useBench();
  if (!log.refusal) return null;
  return (
    <div className="refusal" role="alert" data-gate={log.refusal.gate}>
      <Mark kind="stop" size={30} label="Refused" />
      <div>
        <b>Not recorded</b>
        {log.refusal.reason}
      </div>
    </div>
  );
}
