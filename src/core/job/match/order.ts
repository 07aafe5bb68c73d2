import { listed } from "../../quantity";
import { type Answer, no } from "../answer";
import { candidateOf, fitOf, type JobView } from "../derived";
import { moneyWords, openMoneyStops, safetyClear } from "../stops";

/**
 * May this candidate be ordered? Never a *stop*; unknown destroying fields accepted by name; differences asked; money stops settled.
 * @example mayOrder(view, []).reason // "Brightwater Panels has the order already."
 */
export function mayOrder(v: JobView, acceptedUnknowns: readonly string[]): Answer {
  const gate = "mayOrder";
  const stop = safetyClear(v, gate);
  if (stop) return stop;
  const money = openMoneyStops(v.state)[0];
  if (money) return no(gate, `${moneyWords(money).name}: ${moneyWords(money).say}`);
  const cand = candidateOf(v);
  if (!cand) return no(gate, "Pick a candidate first.");
  if (v.state.match.order) return no(gate, `${v.state.match.order.seller} has the order already.`);
  const fit = fitOf(v);
  if (!fit) return no(gate, "Identify the old panel first: there is nothing to compare with.");
  if (fit.overall.kind === "stop") return no(gate, `${cand.code} must not be ordered. ${fit.overall.words}`);
  const missing = fit.rows.filter((r) => r.destroying && r.verdict === "unknown" && !acceptedUnknowns.includes(r.field));
  if (missing.length)
    return no(
      gate,
      `${listed(missing.map((r) => r.name))} not known. Accept each by name, to be looked at on arrival, before ordering.`,
    );
  const ask = fit.rows.filter((r) => r.verdict === "ask" && v.state.match.asked[r.field]?.answer !== "accepted");
  if (ask.length) return no(gate, `Ask the customer first: ${listed(ask.map((r) => `${r.name.toLowerCase()} ${r.words}`))}.`);
  return null;
}
