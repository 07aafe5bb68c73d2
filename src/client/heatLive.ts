import type { FollowAsk, HeatSeen } from "@/core/heat";

export type HeatLiveSaid = { seen: HeatSeen; ms: number } | { wrong: string };

/** A warming followed in a worker of its own. */
export interface HeatLive {
  /** The log went on. */
  tell: (ask: FollowAsk, beganMs: number, skewMs: number) => void;
  stop: () => void;
}

/** Follows a warming second by second; `then` hears each. */
export function followHeat(then: (said: HeatLiveSaid) => void): HeatLive {
  const w = new Worker(new URL("../workers/heatLive.ts", import.meta.url));
  w.onmessage = (e: MessageEvent<HeatLiveSaid>) => then(e.data);
  w.onerror = (e) => {
    e.preventDefault();
    then({ wrong: "The warming cannot be followed here: is the server reached?" });
  };
  return { tell: (ask, beganMs, skewMs) => w.postMessage({ ask, beganMs, skewMs }), stop: () => w.terminate() };
}
