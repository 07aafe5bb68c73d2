"use client";
import { useBench } from "../job/context";
import { OfferByHand } from "./OfferByHand";

/** Writing down an offer without leaving the job: what it is held against is on screen. */
export function OfferHere({ code, open }: { code: string; open: boolean }) {
  const { reference, renew } = useBench();
  return (
    <div className="px-[18px] py-2.5">
      <OfferByHand
        code={code}
        currency={reference.quote?.data.currency ?? "EUR"}
        sellers={Object.keys(reference.sellers)}
        open={open}
        onKept={renew}
      />
    </div>
  );
}
