"use client";
import { useState } from "react";
import { checksOf, checkTableOf } from "@/core/job";
import type { Pass } from "@/core/proof";
import { Choose } from "../controls/Choose";
import { useBench } from "../job/context";

/** Something fails that no check of this repair asks for: it counts like any other. */
export function FailsToo({ pass }: { pass: Pass }) {
  const { log, view } = useBench();
  const [check, setCheck] = useState("none");
  const asked = new Set(
    checksOf(view)
      .filter((c) => c.pass === pass)
      .map((c) => c.id),
  );
  const others = checkTableOf(view).checks.filter((r) => r.pass === pass && !asked.has(r.id) && r.id !== "other");
  if (others.length === 0) return null;
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (check === "none") return;
        if (log.record({ type: "prove.checkDone", payload: { pass, check, result: "fail", note: "" } })) setCheck("none");
      }}
    >
      <label className="field grow">
        <span>Something else fails</span>
        <Choose
          value={check}
          options={[["none", "Nothing else"], ...others.map((r) => [r.id, r.name] as const)]}
          onValue={setCheck}
        />
      </label>
      <button type="submit" className="btn" disabled={check === "none"}>
        It fails
      </button>
    </form>
  );
}
