import { readdirSync, readFileSync, statSync } from "node:fs";
import ts from "typescript";
import { describe, expect, it } from "vitest";
import { exampleWorld } from "./exampleWorld";

/** Every file of core, as a module and as text. */
const modules = import.meta.glob<Record<string, unknown>>(["../src/core/**/*.ts", "!../src/core/**/*.test.ts"], { eager: true });
const files: string[] = [];
const walk = (dir: string) => {
  for (const name of readdirSync(dir)) {
    const p = `${dir}/${name}`;
    if (statSync(p).isDirectory()) walk(p);
    else if (/\.ts$/.test(name) && !/\.test\.ts$/.test(name)) files.push(p);
  }
};
walk("src/core");

interface Example {
  name: string;
  file: string;
  texts: string[];
}

/** Exported functions of a file with their examples. */
function examplesOf(file: string): Example[] {
  const sf = ts.createSourceFile(file, readFileSync(file, "utf8"), ts.ScriptTarget.ES2022, true);
  return sf.statements.flatMap((s) => {
    if (!ts.canHaveModifiers(s) || !ts.getModifiers(s)?.some((m) => m.kind === ts.SyntaxKind.ExportKeyword)) return [];
    const names = ts.isFunctionDeclaration(s)
      ? [s.name!.text]
      : ts.isVariableStatement(s)
        ? s.declarationList.declarations.flatMap((d) =>
            d.initializer && ts.isArrowFunction(d.initializer) ? [d.name.getText(sf)] : [],
          )
        : [];
    const texts = ts
      .getJSDocTags(s)
      .filter((t) => t.tagName.text === "example")
      .map((t) => ts.getTextOfJSDocComment(t.comment)?.trim() ?? "");
    return names.map((name) => ({ name, file, texts }));
  });
}
const all = files.flatMap(examplesOf);
const everything = Object.assign({}, ...Object.values(modules)) as Record<string, unknown>;

/** Runs an expression with what its module exports, the small world of examples, and all of core by name. */
function run(expression: string, file: string): unknown {
  const scope = { ...everything, ...exampleWorld(), ...modules[`../${file}`] };
  const names = Object.keys(scope);
  // What an example says is plain JavaScript.
  return new Function(...names, `"use strict"; return (${expression});`)(...names.map((n) => scope[n as keyof typeof scope]));
}

describe("examples in core's documentation", () => {
  it("every exported function has one", () => {
    expect(all.length).toBeGreaterThan(250);
    expect(all.filter((e) => e.texts.length === 0).map((e) => `${e.file}: ${e.name}`)).toEqual([]);
  });
  for (const e of all)
    for (const text of e.texts) {
      const [, expression, said] = /^(.*?)(?: \/\/ (.*))?$/s.exec(text)!;
      it(`${e.name}: ${text}`, () => {
        expect(expression, "an example shows its own function").toContain(e.name);
        const got = run(expression!, e.file);
        if (said !== undefined) expect(got).toEqual(run(said, e.file));
      });
    }
});
