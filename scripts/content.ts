import { basename, join } from "node:path";
import { drawItem } from "@/core/items/drawItem";
import { optionTexts } from "@/core/items/optionTexts";
import { countsTable } from "@/server/content/checks/countsTable";
import { DEMANDS, repeatedSentences, skillFindings, stemReading } from "@/server/content/checks/skillFindings";
import { ContentFault } from "@/server/content/contentFault";
import type { SkillContent } from "@/server/content/contentTypes";
import { readContent } from "@/server/content/readContent";
import { root } from "./steps.mjs";

/**
 * Checks shipped content: `npm run content` all of it, `npm run content -- rounding` skills by their names or files, `-- --show rounding` with
 * one draw of each item and story.
 */
const names = process.argv.slice(2);
const isShown = names.includes("--show");
const wanted = new Set(names.filter((name) => !name.startsWith("--")).map((name) => basename(name, ".yaml")));

let faults = 0;
for (const content of read()) {
  const { subject, skills } = content;
  const demands = DEMANDS[subject.id];
  const chosen = skills.filter(({ id, grade }) => wanted.size === 0 || wanted.has(id) || wanted.has(`grade-${grade}`));
  for (const skill of chosen) {
    const found = demands ? skillFindings(skill, demands) : [];
    for (const finding of found) console.log(`${skill.id}: ${finding}`);
    faults += found.length;
    if (isShown) show(skill);
  }
  if (wanted.size > 0) continue;
  const repeated = repeatedSentences(skills);
  for (const finding of repeated) console.log(finding);
  faults += repeated.length;
  console.log(`\n${countsTable(content)}\n`);
}
console.log(faults === 0 ? "Nothing is wrong." : `${faults} findings.`);
process.exitCode = faults === 0 ? 0 : 1;

function read() {
  try {
    return readContent(join(root, "content"));
  } catch (error) {
    if (!(error instanceof ContentFault)) throw error;
    console.log(error.message);
    process.exit(1);
  }
}

function show(skill: SkillContent): void {
  console.log(
    `\n${skill.name} (grade ${skill.grade}, ${skill.difficulty} logits, stems read like grade ${stemReading(skill).toFixed(1)})`,
  );
  for (const { id, body } of skill.items)
    for (const [seed, context] of Object.keys(body.contexts).entries()) {
      const item = drawItem({ id: `${id}@1`, itemId: id, body }, seed, context);
      const options = optionTexts(item);
      console.log(`  ${id} [${context}] ${item.stem}${options.length > 0 ? `\n      ${options.join(" | ")}` : ""}`);
      console.log(`      → ${item.parts.map(({ keyText }) => keyText).join("; ")}. ${item.solution}`);
    }
}
