import { type FollowAsk, Following, type HeatSeen } from "@/core/heat";

// A warming under way: it goes by the clock, and says what is seen every second. The wire types stand beside the page's client.
let run: Following | null = null;
let beganMs = 0;
let skewMs = 0;
let ticks = 0;

const say = (m: { seen: HeatSeen; ms: number } | { wrong: string }) => self.postMessage(m);

function look(): void {
  if (!run) return;
  try {
    const from = performance.now();
    run.to(Math.max(0, (Date.now() + skewMs - beganMs) / 1000));
    // How long it stays soft takes longer to tell: every third second, and at once after something changed.
    const seen = run.seen(ticks % 3 === 0);
    ticks += 1;
    say({ seen, ms: performance.now() - from });
  } catch (x) {
    run = null;
    say({ wrong: (x as Error).message });
  }
}

self.onmessage = (e: MessageEvent<{ ask: FollowAsk; beganMs: number; skewMs: number }>) => {
  try {
    ({ beganMs, skewMs } = e.data);
    if (run) run.told(e.data.ask);
    else run = new Following(e.data.ask);
    ticks = 0;
    look();
  } catch (x) {
    run = null;
    say({ wrong: (x as Error).message });
  }
};
setInterval(look, 1000);
