import { readdirSync, readFileSync, statSync } from "node:fs";
import { join, resolve } from "node:path";
import ts from "typescript";
import { beforeAll, describe, expect, it } from "vitest";

const CORE = "src/core";
/** Take whole models, bodies of content or states of a run: their examples are their tests. */
const WITHOUT_EXAMPLE: readonly RegExp[] = [
  /^assembly\/(?!predictForm)/,
  /^grouping\/(group|plan|tenth|value)/,
  /^measurement\/(calibrat|itemAnalysis|commonOdds)/,
  /^items\/(?!drawOptions|fillText|room$|verdict)/,
  /^items\/drawOptions$/,
  /^selection\/(diagnostic\/|nextItem)/,
  /^review\/(forecast|simulate|minutesNeeded|reviewQueue|reviewStanding)/,
  /^mastery\/updateSkillState$/,
  /^roster\/(readRosterSheet|sheetPlaces|rosterDifference|rosterHealth|movesOf)$/,
  /^work\/(aimAt|chooseNext|nextInReview|conductors|depthInStrand|diagnosticOfRun|endOf|endRule|partSituation|projectGoal)/,
  /^answers\/algebra\/(movedSlips|writeTerms)$/,
  /^model\/fail$/,
];

interface Documented {
  readonly file: string;
  readonly name: string;
  readonly examples: readonly { readonly code: string; readonly result: string }[];
  readonly throws: boolean;
  readonly saysSo: boolean;
}

const files = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? files(path) : path.endsWith(".ts") ? [path] : [];
  });

const isFunction = (node: ts.Node | undefined) =>
  node !== undefined && (ts.isArrowFunction(node) || ts.isFunctionExpression(node));

function documented(path: string): Documented[] {
  const source = ts.createSourceFile(path, readFileSync(path, "utf8"), ts.ScriptTarget.Latest, true);
  return source.statements.flatMap((statement) => {
    const exported = ts.canHaveModifiers(statement) ? (ts.getModifiers(statement) ?? []) : [];
    if (!exported.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword)) return [];
    const declared = ts.isVariableStatement(statement)
      ? statement.declarationList.declarations.find(({ initializer }) => isFunction(initializer))
      : ts.isFunctionDeclaration(statement) && statement.body
        ? statement
        : undefined;
    if (!declared?.name) return [];
    const doc = ts
      .getJSDocCommentsAndTags(statement)
      .map((comment) => comment.getText())
      .join("\n");
    return [
      {
        file: path.slice(CORE.length + 1, -".ts".length),
        name: declared.name.getText(),
        examples: [...doc.matchAll(/@example (.+) \/\/ (.+?)(?: \*\/)?$/gm)].map(([, code = "", result = ""]) => ({
          code,
          result,
        })),
        throws: /\bdemandThat\(|throw new CoreError\(/.test(statement.getText(source)),
        saysSo: /throw/i.test(doc),
      },
    ];
  });
}

const all = files(CORE).flatMap(documented);
let names: Record<string, unknown> = {};
beforeAll(async () => {
  for (const path of files(CORE)) names = { ...names, ...((await import(resolve(path))) as Record<string, unknown>) };
});

/** What an example's code comes to; it may use everything that the core exports, its own file's before others. */
async function resultOf(file: string, code: string): Promise<unknown> {
  const scope = { ...names, ...((await import(resolve(CORE, `${file}.ts`))) as Record<string, unknown>) };
  return new Function(...Object.keys(scope), `"use strict"; return (${code});`)(...Object.values(scope));
}

describe("what the comments of the core say", () => {
  it.each(all.flatMap(({ file, examples }) => examples.map(({ code, result }) => [file, code, result] as const)))(
    "%s: %s is %s",
    async (file, code, result) => {
      expect(await resultOf(file, code)).toEqual(await resultOf(file, result));
    },
  );

  it("every exported function carries an example, but those that take whole models", () => {
    const missing = all.filter(
      ({ file, examples }) => examples.length === 0 && !WITHOUT_EXAMPLE.some((path) => path.test(file)),
    );
    expect(missing.map(({ file, name }) => `${file}: ${name}`)).toEqual([]);
    expect(all.filter(({ examples }) => examples.length > 0).length).toBeGreaterThan(180);
  });

  it("every exported function that throws says so", () => {
    expect(all.filter(({ throws, saysSo }) => throws && !saysSo).map(({ file, name }) => `${file}: ${name}`)).toEqual(
      [],
    );
  });
});
