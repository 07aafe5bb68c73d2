import { mm } from "../../quantity";
import { against, nearMm, smallMm } from "../figure";
import { bestPlace } from "../place";
import { sureOf } from "../settles";
import { CHANGES, type FitRule, type Rule, row, type Spec } from "./row";

declare module "./row" {
  interface FitFields {
    connectorAt: true;
  }
}

/** Where the connector sits, against how far the display cable reaches, at the place where the panel goes. */
const judge: Rule = ({ old, candidate, build, limits }) => {
  const spec: Spec<{ xMm: number; yMm: number }> = {
    field: "connectorAt",
    name: "Connector at, mm",
    words: (v) => `${mm(v.xMm)}, ${mm(v.yMm)}`,
    look: "Hold the connector against the cable's reach",
  };
  const [a, b] = [old.connectorAt, candidate.connectorAt];
  const was = sureOf("connectorAt", a);
  const is = sureOf("connectorAt", b);
  if (was === null || is === null)
    return row(spec, a, b, {
      verdict: "unknown",
      words: "not certain",
      reason: "Where the connectors sit is not known on both sides from a source that decides.",
    });
  const place = build ? bestPlace(old, candidate, build, limits) : null;
  const on = { xMm: is.xMm - was.xMm, yMm: is.yMm - was.yMm };
  const near = nearMm([was.xMm, was.yMm], a) + nearMm([is.xMm, is.yMm], b);
  const sameOnPanel = against(Math.hypot(on.xMm, on.yMm), near, limits.connectorSameMm) === "inside";
  const away = place?.plug ?? { ...on, awayMm: Math.hypot(on.xMm, on.yMm), shortMm: 0 };
  if (sameOnPanel && away.awayMm <= 1.5)
    return row(spec, a, b, { verdict: "same", words: "same", reason: `Within ${limits.connectorSameMm} mm.` });
  const words = `${smallMm(away.awayMm)} ${Math.abs(away.xMm) >= Math.abs(away.yMm) ? (away.xMm < 0 ? "to the left" : "to the right") : away.yMm < 0 ? "higher" : "lower"}`;
  const lead = build?.connectors.find((c) => c.joins[0] === build.subject.part && c.serves === "picture");
  const slack = lead?.slackMm;
  if (slack === undefined)
    return row(spec, a, b, { verdict: "unknown", words, reason: "How much slack the display cable has is not known." });
  const way = lead?.comesFrom ? " towards where it comes from" : "";
  if (place?.state === "none" && place.by === "connectorAt")
    return row(spec, a, b, {
      verdict: "stop",
      words: `cable ${smallMm(place.plug?.shortMm ?? 0)} short`,
      reason: `The plug lies ${words} of the old one. The cable has ${mm(slack)} mm of slack${way}: it is short by ${smallMm(place.plug?.shortMm ?? 0)} mm at every place where the picture is right.`,
    });
  if (place?.doubt === "connectorAt")
    return row(spec, a, b, {
      verdict: "unknown",
      words,
      reason: `The cable has ${mm(slack)} mm of slack: whether it reaches cannot be told from these figures. Hold it up.`,
    });
  return row(spec, a, b, {
    verdict: "change",
    words,
    reason: `The cable has ${mm(slack)} mm of slack: it reaches, routed anew.`,
    change: CHANGES.reroute,
  });
};

export const connectorAt = { fact: "connectorAt", judge } satisfies FitRule;
