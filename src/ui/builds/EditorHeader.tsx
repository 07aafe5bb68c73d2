"use client";
import Link from "next/link";
import type { Build } from "@/core/build";

/** What is edited, in which version, and the way back to where it is needed. */
export function EditorHeader({
  build,
  version,
  changed,
  back,
  onUndo,
}: {
  build: Build;
  version: number;
  changed: boolean;
  back: { id: string; number: string } | null;
  onUndo: (() => void) | null;
}) {
  return (
    <header className="flex flex-wrap items-end gap-4">
      <h1 className="step long">{build.machineModel}</h1>
      <span className="q grow pb-1">
        family {build.family}, {version ? `version ${version}` : "not saved yet"}
        {changed && version > 0 && ", changed here"}
      </span>
      <button type="button" className="btn quiet" disabled={!onUndo} onClick={() => onUndo?.()}>
        Undo
      </button>
      <Link className={back ? "btn" : "link pb-2"} href={back ? `/jobs/${back.id}/plan` : "/builds"} prefetch={false}>
        {back ? `Go on with ${back.number}` : "All builds"}
      </Link>
    </header>
  );
}
