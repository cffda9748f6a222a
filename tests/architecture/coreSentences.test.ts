import { readdirSync, readFileSync, statSync } from "node:fs";
import { join } from "node:path";
import ts from "typescript";
import { expect, it } from "vitest";

const files = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? files(path) : path.endsWith(".ts") ? [path] : [];
  });

/** Names that packages and standards have given, and our own where a file says who wrote it. */
const NAMES: readonly string[] = [
  "Fraction",
  "Other",
  "CoreError",
  "Quotes",
  "QTI Package",
  "Oxbow",
  "fully graded",
  "not submitted",
  "partially graded",
];
/** Words with a blank between them, a word with a capital, or something that begins and ends as sentences do. */
const SAYS = /\p{L}{2,} [\p{L}“]|^\p{Lu}\p{Ll}{2,}$|^\p{Lu}.*\p{Ll}[.?!]$/u;

/** What is thrown at misuse is for whoever maintains the code; everything else in the core is codes and numbers. */
function isThrown(node: ts.Node): boolean {
  for (let above = node.parent; above && !ts.isFunctionLike(above); above = above.parent) {
    if (ts.isNewExpression(above) && /Error$/.test(above.expression.getText())) return true;
    if (ts.isCallExpression(above) && above.expression.getText() === "demandThat") return true;
  }
  return false;
}

/** Words that people write, not words for them. */
const READ_ONLY = "src/core/answers/fieldWords.ts";

function sentencesIn(path: string, text: string): string[] {
  const found: string[] = [];
  const visit = (node: ts.Node): void => {
    const part =
      ts.isStringLiteralLike(node) || ts.isTemplateHead(node) || ts.isTemplateMiddle(node) || ts.isTemplateTail(node);
    // A declaration of a document is none of words.
    if (
      part &&
      !node.text.startsWith("<?xml ") &&
      SAYS.test(node.text) &&
      !NAMES.includes(node.text) &&
      !isThrown(node)
    )
      found.push(`${path}: ${node.text}`);
    ts.forEachChild(node, visit);
  };
  visit(ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true));
  return found;
}

it.each(["src/core", "src/formats"])(
  "%s has no words for people: they are made from its codes in src/words",
  (folder) => {
    const paths = files(folder).filter((path) => path !== READ_ONLY);
    expect(paths.length).toBeGreaterThan(10);
    expect(paths.flatMap((path) => sentencesIn(path, readFileSync(path, "utf8")))).toEqual([]);
  },
);

it("sees sentences in texts and templates, and leaves what is thrown at misuse alone", () => {
  const code = 'const a = { code: "not-a-grade", say: "A grade is K." }; const b = `$' + "{n} students are here`;";
  expect(sentencesIn("x.ts", code)).toEqual(["x.ts: A grade is K.", "x.ts:  students are here"]);
  expect(sentencesIn("x.ts", 'demandThat(n > 0, "n must lie above 0."); throw new CoreError("c", "Not so.");')).toEqual(
    [],
  );
});
