"use client";
import type { ComponentProps } from "react";
import type { Station } from "@/core/teardown";
import { useBench } from "./context";

/** A way to another station of this job: a link like any other, that asks nothing of the server when it is pressed. */
export function StationLink({ to, onClick, ...rest }: { to: Station } & Omit<ComponentProps<"a">, "href">) {
  const { jobId, go } = useBench();
  return (
    <a
      href={`/jobs/${jobId}/${to}`}
      data-station-link
      onClick={(e) => {
        onClick?.(e);
        if (e.defaultPrevented || e.button !== 0 || e.ctrlKey || e.metaKey || e.shiftKey || e.altKey) return;
        e.preventDefault();
        go(to);
      }}
      {...rest}
    />
  );
}
