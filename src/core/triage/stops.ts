/** Safety: never waived, only made safe by a recorded act. */
export const HAZARDS = {
  swollenBattery: {
    name: "Swollen battery",
    say: "Stop. No heat, no prying, no charging. Follow local rules for a damaged battery.",
  },
  hotBattery: {
    name: "Hot, leaking or smelling battery",
    say: "Stop. Move it to a fire-safe place if that is safe to do, then follow local rules.",
  },
  puncturedBattery: { name: "Punctured battery", say: "Stop. Keep away from it and follow local rules for a damaged battery." },
  liquidPowerOn: {
    name: "Liquid with the power on",
    say: "Stop. Take the mains off first if that is safe to do. Do not start it again.",
  },
  lampLive: {
    name: "Lamp circuit live",
    say: "Stop. The inverter carries over a thousand volts. Power off before anything else.",
  },
} as const;
export type Hazard = keyof typeof HAZARDS;

/** Money and trust: can be waived, with a reason. */
export const MONEY_STOPS = {
  warranty: { name: "Warranty or accident cover", say: "Opening may end it. Use the cover, or write down why not." },
  consent: { name: "No agreement from the owner", say: "Ask before anything is opened or bought." },
  data: {
    name: "Data on the machine not settled",
    say: "Settle who has a copy, and how the test will log in. Helvane stores no passwords.",
  },
} as const;
export type MoneyStop = keyof typeof MONEY_STOPS;
