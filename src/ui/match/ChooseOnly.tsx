"use client";
import Link from "next/link";

/** A panel is chosen now and ordered with what other jobs and the shelf need, in one parcel. */
export function ChooseOnly({ chosen, shut, onChoose }: { chosen: boolean; shut: boolean; onChoose: () => void }) {
  if (!chosen)
    return (
      <button type="button" className="link min-h-11 self-start text-[15px]" onClick={onChoose}>
        Choose it, and order it with others
      </button>
    );
  return (
    <p className="q">
      Chosen.{" "}
      {shut ? (
        "It is ordered once what stands here is settled."
      ) : (
        <>
          Order it here, or with what other jobs need in{" "}
          <Link className="link" href="/stock" prefetch={false}>
            Buy today
          </Link>
          .
        </>
      )}
    </p>
  );
}
