"use client";
import { useEffect, useRef, useState } from "react";
import { read, write } from "@/client/device";
import { BUILD_VERSION, type Build, liftBuild } from "@/core/build";

interface Draft {
  version: number;
  at: string;
  build: Build;
}

/** What is drawn and not saved yet, kept on this device until it is saved or dropped. */
export function useBuildDraft(build: Build, version: number, changed: boolean) {
  const key = `helvane.build.${build.id}`;
  const [found, setFound] = useState<{ build: Build; from: string } | null>(null);
  const began = useRef(false);
  useEffect(() => {
    try {
      const d = JSON.parse(read(key) || "null") as Draft | null;
      const kept = d ? (liftBuild(d.build) as Build) : null;
      if (d && kept?.format === "helvane.build" && kept.version === BUILD_VERSION)
        setFound({
          build: kept,
          from: `at ${d.at}${d.version === version ? "" : `, over version ${d.version}: now it is version ${version}`}`,
        });
    } catch {
      write(key, "");
    }
  }, [key, version]);
  useEffect(() => {
    if (!changed && !began.current) return;
    began.current = true;
    const at = new Date().toISOString().slice(0, 16).replace("T", " ");
    write(key, changed ? JSON.stringify({ version, at, build } satisfies Draft) : "");
  }, [key, version, build, changed]);
  return {
    found,
    dismiss: () => setFound(null),
    drop: () => {
      write(key, "");
      setFound(null);
    },
  };
}
