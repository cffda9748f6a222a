import "server-only";
import type { SubjectContent } from "../contentTypes";

/** How much a subject holds, by strand and grade, as a table in Markdown: skills with items in brackets, and units with weeks. */
export function countsTable({ subject, skills, standards, misconceptions, passages, units }: SubjectContent): string {
  const grades = [...new Set(skills.map(({ grade }) => grade))].sort((x, y) => x - y);
  const strands = [...new Set(skills.map(({ strand }) => strand))].sort();
  const cell = (own: typeof skills) =>
    own.length === 0 ? "" : `${own.length} (${own.reduce((sum, { items }) => sum + items.length, 0)})`;
  const row = (name: string, own: typeof skills) =>
    `| ${[name, ...grades.map((grade) => cell(own.filter((skill) => skill.grade === grade))), cell(own)].join(" | ")} |`;
  const own = standards.filter(({ type }) => type === "standard").length;
  const further = passages.length === 0 ? "" : `, ${passages.length} passages`;
  return [
    `## ${subject.name}: ${own} standards, ${skills.length} skills, ${misconceptions.length} misconceptions${further}`,
    "",
    `| skills (items) | ${grades.map((grade) => `grade ${grade}`).join(" | ")} | all |`,
    `| --- |${" ---: |".repeat(grades.length + 1)}`,
    ...strands.map((strand) =>
      row(
        strand,
        skills.filter((skill) => skill.strand === strand),
      ),
    ),
    row("**all**", skills),
    `| ${["**units** (weeks)", ...grades.map((grade) => weeksOf(units.filter((unit) => unit.grade === grade))), weeksOf(units)].join(" | ")} |`,
  ].join("\n");
}

const weeksOf = (units: SubjectContent["units"]): string =>
  units.length === 0 ? "" : `${units.length} (${units.reduce((sum, { weeks }) => sum + weeks, 0)})`;
