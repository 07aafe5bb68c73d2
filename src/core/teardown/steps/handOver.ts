import type { StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    handOver: true;
  }
}

export const handOver = {
  station: "close",
  make: () => ({
    title: "Hand over",
    how: "Print the sheet, close the job, recycle the old panel under local rules.",
    minutes: 2,
  }),
  done: (v) => v.s.close.handedOver !== null,
  next: () => null,
  events: { "close.handedOver": () => "" },
  press: "Press when it is handed over",
  asks: true,
} satisfies StepRule;
