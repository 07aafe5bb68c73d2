// Mutants of core: small faults put in one at a time, by the compiler's tree. Words are left alone; what decides is changed.
import { readFileSync } from "node:fs";
import ts from "typescript";

/** A small seeded generator (mulberry32). */
export function seeded(seed) {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), a | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

const K = ts.SyntaxKind;
const SWAP = new Map([
  [K.EqualsEqualsEqualsToken, "!=="],
  [K.ExclamationEqualsEqualsToken, "==="],
  [K.LessThanToken, "<="],
  [K.LessThanEqualsToken, "<"],
  [K.GreaterThanToken, ">="],
  [K.GreaterThanEqualsToken, ">"],
  [K.AmpersandAmpersandToken, "||"],
  [K.BarBarToken, "&&"],
  [K.PlusToken, "-"],
  [K.MinusToken, "+"],
  [K.AsteriskToken, "/"],
  [K.SlashToken, "*"],
]);
const CALLS = new Map(Object.entries({ some: "every", every: "some", min: "max", max: "min", floor: "ceil", ceil: "floor" }));

/** True for an expression that makes text: a plus in it joins words, it adds nothing up. */
const makesText = (n) =>
  ts.isStringLiteralLike(n) ||
  ts.isTemplateExpression(n) ||
  (ts.isBinaryExpression(n) && n.operatorToken.kind === K.PlusToken && (makesText(n.left) || makesText(n.right)));

/** Every mutant of a file: where, and what stands there instead. */
export function mutantsOf(file, source = readFileSync(file, "utf8")) {
  const sf = ts.createSourceFile(file, source, ts.ScriptTarget.ES2022, true);
  const found = [];
  /** `node` is the whole expression, `to` what stands in its place. */
  const put = (node, to, what) => {
    const start = node.getStart(sf);
    const { line } = sf.getLineAndCharacterOfPosition(start);
    found.push({ file, start, end: node.getEnd(), line: line + 1, to, what });
  };
  /** The text of an expression with one part of it changed. */
  const changed = (whole, part, to) => {
    const at = whole.getStart(sf);
    const t = whole.getText(sf);
    return t.slice(0, part.getStart(sf) - at) + to + t.slice(part.getEnd() - at);
  };
  // A link of an optional chain cannot be put in brackets by itself.
  const chained = (n) => (n.flags & ts.NodeFlags.OptionalChain) !== 0;
  const visit = (n) => {
    if (ts.isTypeNode(n) || ts.isInterfaceDeclaration(n) || ts.isTypeAliasDeclaration(n) || ts.isImportDeclaration(n)) return;
    if (ts.isModuleDeclaration(n) || ts.isExportDeclaration(n)) return;
    if (ts.isBinaryExpression(n)) {
      const to = SWAP.get(n.operatorToken.kind);
      if (to && !(n.operatorToken.kind === K.PlusToken && makesText(n)))
        put(n, changed(n, n.operatorToken, to), `${n.operatorToken.getText(sf)} becomes ${to}`);
    } else if (ts.isPrefixUnaryExpression(n) && n.operator === K.ExclamationToken)
      put(n, `(${n.operand.getText(sf)})`, "a not is left out");
    else if (n.kind === K.TrueKeyword && !ts.isLiteralTypeNode(n.parent)) put(n, "false", "true becomes false");
    else if (n.kind === K.FalseKeyword && !ts.isLiteralTypeNode(n.parent)) put(n, "true", "false becomes true");
    else if (ts.isNumericLiteral(n) && !ts.isLiteralTypeNode(n.parent) && n.parent.name !== n)
      put(n, `(${n.getText(sf)} + 1)`, `${n.getText(sf)} becomes one more`);
    else if (ts.isConditionalExpression(n)) put(n.condition, `!(${n.condition.getText(sf)})`, "a choice is turned round");
    else if (ts.isIfStatement(n)) {
      put(n.expression, `!(${n.expression.getText(sf)})`, "an if is turned round");
      put(n.expression, "false", "an if never holds");
    } else if (
      ts.isPropertyAccessExpression(n) &&
      ts.isCallExpression(n.parent) &&
      n.parent.expression === n &&
      !chained(n.parent)
    ) {
      const to = CALLS.get(n.name.text);
      if (to && (n.expression.getText(sf) === "Math") === ["min", "max", "floor", "ceil"].includes(n.name.text))
        put(n.parent, changed(n.parent, n.name, to), `${n.name.text} becomes ${to}`);
      if (n.name.text === "filter" && n.parent.arguments.length === 1)
        put(n.parent, `(${n.expression.getText(sf)})`, "a filter is left out");
    }
    ts.forEachChild(n, visit);
  };
  visit(sf);
  return found;
}

/**
 * A file with all its drawn mutants in it, each behind a switch: `globalThis.__fault` is the id of the one that is on. What tells that
 * a fault's place was come past is called where its switch is asked.
 */
export function switched(source, list) {
  const edits = list.flatMap((m) => [
    {
      at: m.start,
      open: true,
      size: m.end - m.start,
      text: `(globalThis.__past?.(${m.id}),globalThis.__fault===${m.id}?(${m.to}):(`,
    },
    { at: m.end, open: false, size: m.end - m.start, text: "))" },
  ]);
  // From the back; at one place what closes stands before what opens, and the wider opens first and closes last.
  edits.sort((a, b) => b.at - a.at || Number(b.open) - Number(a.open) || (a.open ? a.size - b.size : b.size - a.size));
  let out = source;
  for (const e of edits) out = out.slice(0, e.at) + e.text + out.slice(e.at);
  return out;
}
