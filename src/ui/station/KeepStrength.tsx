"use client";
import { useState } from "react";
import { send } from "@/client/send";
import { CAL_LIMITS, type FollowAsk, type HeatOwn, strengthOf } from "@/core/heat";
import { useBench } from "../job/context";

/** What this warming taught of the hot-air tool, kept for the next one: asked, never taken by itself. A mat's contact changes with every lid. */
export function KeepStrength({ tool, cal }: { tool: FollowAsk["stretches"][number]["act"] | undefined; cal: number }) {
  const { reference, renew } = useBench();
  const [said, setSaid] = useState<string | null>(null);
  if (tool?.do !== "jet" || typeof tool.tool !== "string") return null;
  const name = tool.tool;
  const own = reference.heat;
  // What was found is against what it was followed with.
  const found = Math.round(strengthOf(own, name) * cal * 1000) / 1000;
  if (found < CAL_LIMITS[0] || found > CAL_LIMITS[1]) return null;
  if (said) return <> {said}</>;
  return (
    <>
      {" "}
      <button
        type="button"
        className="link"
        onClick={async () => {
          const tools: HeatOwn["tools"] = { ...own.tools, [name]: { cal: found, on: new Date().toISOString().slice(0, 10) } };
          const r = await send<HeatOwn>("PUT", "/api/warming", { ...own, tools });
          setSaid(r.ok ? "Kept in Settings for the next warming." : r.said.words);
          if (r.ok) void renew();
        }}
      >
        Keep {found.toFixed(2)} for this tool
      </button>
    </>
  );
}
