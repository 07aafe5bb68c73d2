import { ceilingsOf, type HeatAnswer, type HeatAsk, lidModel, ownLid, ownMeans, planSafelySteps } from "@/core/heat";

const say = (m: HeatAnswer) => self.postMessage(m);

function plan(a: HeatAsk): void {
  const m = lidModel(a, {
    cover: a.cover,
    ...(a.coverMm === undefined ? {} : { coverMm: a.coverMm }),
    ...ownLid(a.own, a.roomC),
    ...(a.packAt
      ? {
          battery: {
            rect: a.packAt,
            against: "cover" as const,
            ...(a.own.figures.batteryContactWm2K === undefined ? {} : { contactWm2K: a.own.figures.batteryContactWm2K }),
          },
        }
      : {}),
  });
  const ceilings = ceilingsOf(a, a.tape ? [a.tape] : [], {
    thrownAway: a.thrownAway,
    packInZone: a.packAt !== undefined,
    cover: a.cover,
  });
  const steps = planSafelySteps(m, {
    pieces: m.pieces.filter((p) => !a.tape || p.tape === a.tape).map((p) => p.id),
    softC: a.softC,
    ceilingsC: Object.fromEntries(ceilings.map((c) => [c.thing, c.maxC])),
    means: ownMeans(a.own, a.means),
  });
  for (let r = steps.next(); ; r = steps.next()) {
    if (r.done) {
      say({ kind: "plan", ...r.value, ceilings });
      return;
    }
    say({ kind: "progress", ...r.value });
  }
}

// A search takes seconds: it says how far it is, and is stopped by ending the worker.
self.onmessage = (e: MessageEvent<HeatAsk>) => {
  try {
    plan(e.data);
  } catch (x) {
    say({ kind: "wrong", words: (x as Error).message });
  }
};
