import { decides, mm } from "../../quantity";
import { CHANGES, type FitRule, type Rule, row, type Spec } from "./row";

declare module "./row" {
  interface FitFields {
    connectorAt: true;
  }
}

/** Where the connector sits, against how far the display cable reaches. */
const judge: Rule = ({ old, candidate, build, limits }) => {
  const spec: Spec<{ xMm: number; yMm: number }> = {
    field: "connectorAt",
    name: "Connector at, mm",
    words: (v) => `${mm(v.xMm)}, ${mm(v.yMm)}`,
    look: "Hold the connector against the cable's reach",
  };
  const a = old.connectorAt;
  const b = candidate.connectorAt;
  if (a.value === null || b.value === null || !decides(a) || !decides(b))
    return row(spec, a, b, {
      verdict: "unknown",
      words: "not certain",
      reason: "Where the connectors sit is not known on both sides from a source that decides.",
    });
  const away = Math.hypot(b.value.xMm - a.value.xMm, b.value.yMm - a.value.yMm);
  if (away <= limits.connectorSameMm + 1e-9)
    return row(spec, a, b, { verdict: "same", words: "same", reason: `Within ${limits.connectorSameMm} mm.` });
  const slack = build?.connectors.find((c) => c.joins[0] === build.subject.part && c.serves === "picture")?.slackMm;
  const dx = b.value.xMm - a.value.xMm;
  const words = `${mm(away)} ${Math.abs(dx) >= Math.abs(b.value.yMm - a.value.yMm) ? (dx < 0 ? "to the left" : "to the right") : b.value.yMm < a.value.yMm ? "higher" : "lower"}`;
  if (slack === undefined)
    return row(spec, a, b, { verdict: "unknown", words, reason: "How much slack the display cable has is not known." });
  if (away > slack + 1e-9)
    return row(spec, a, b, { verdict: "stop", words, reason: `The cable has ${mm(slack)} mm of slack: it does not reach.` });
  return row(spec, a, b, {
    verdict: "change",
    words,
    reason: `The cable has ${mm(slack)} mm of slack: it reaches, routed anew.`,
    change: CHANGES.reroute,
  });
};

export const connectorAt = { fact: "connectorAt", judge } satisfies FitRule;
