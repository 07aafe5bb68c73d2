"use client";
import { type Build, indexBuild } from "@/core/build";
import type { Step } from "@/core/teardown";

/** Photos the build keeps of what this step touches: the thing itself, or one of its screws. */
export function PlacePhotos({ build, step }: { build: Build; step: Step }) {
  const screws = indexBuild(build).group.get(step.target)?.screws ?? [];
  const shown = (build.photos ?? [])
    .filter((p) => p.of && (p.of === step.target || screws.some((s) => s.id === p.of)))
    .slice(0, 3);
  if (shown.length === 0) return null;
  return (
    <ul className="flex flex-wrap gap-3" aria-label="Photos of this place">
      {shown.map((p) => (
        <li key={p.id} style={{ width: 200 }}>
          <a href={`/api/blobs/${p.hash}`} target="_blank" rel="noreferrer">
            {/* biome-ignore lint/performance/noImgElement: bytes come from this very server, by content hash */}
            <img
              src={`/api/blobs/${p.hash}`}
              alt={p.words}
              width={200}
              loading="lazy"
              style={{ maxHeight: 120, objectFit: "cover" }}
            />
          </a>
          <span className="q block">{p.words}</span>
        </li>
      ))}
    </ul>
  );
}
