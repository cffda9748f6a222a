import { expect, it } from "vitest";
import { drawItem } from "@/core/items/drawItem";
import { tellingMistakes } from "@/core/items/telling";
import { shippedContent } from "~/demo/shippedContent";

const mathematics = shippedContent().find(({ subject }) => subject.id === "mathematics");
if (!mathematics) throw new Error("No mathematics ships.");
const { skills, standards, misconceptions } = mathematics;

it("holds a year of mathematics for each grade from 1 to 8", () => {
  const byGrade = (grade: number) => skills.filter((skill) => skill.grade === grade).length;
  for (const grade of [3, 4, 5, 6, 7]) {
    expect(byGrade(grade), `grade ${grade}`).toBeGreaterThanOrEqual(12);
    expect(byGrade(grade), `grade ${grade}`).toBeLessThanOrEqual(16);
  }
  for (const grade of [1, 2, 8]) expect(byGrade(grade), `grade ${grade}`).toBeGreaterThanOrEqual(8);
  expect(skills.length).toBeGreaterThanOrEqual(112);
  expect(standards.filter(({ type }) => type === "standard").length).toBeGreaterThanOrEqual(150);
  expect(misconceptions.length).toBeGreaterThanOrEqual(150);
});

it("names every misconception in an item or among the wrong answers to look at, each with words of its own", () => {
  const text = JSON.stringify(skills.map(({ items, reteach }) => [items.map(({ body }) => body), reteach.look]));
  const unused = misconceptions.filter(({ id }) => !text.includes(`"${id}"`)).map(({ id }) => id);
  expect(unused).toEqual([]);
  expect(new Set(misconceptions.map(({ explanation }) => explanation)).size).toBe(misconceptions.length);
});

it("names partners that are easily confused with a skill", () => {
  expect(skills.filter(({ contrasts }) => contrasts.length > 0).length).toBeGreaterThanOrEqual(35);
});

const language = shippedContent().find(({ subject }) => subject.id === "language");

it("holds language for each grade from 3 to 8, with passages at two levels each", () => {
  if (!language) throw new Error("No language ships.");
  for (const grade of [3, 4, 5, 6, 7, 8])
    expect(language.skills.filter((skill) => skill.grade === grade).length, `grade ${grade}`).toBeGreaterThanOrEqual(5);
  expect(language.skills.length).toBeGreaterThanOrEqual(36);
  expect(language.standards.filter(({ type }) => type === "standard").length).toBeGreaterThanOrEqual(60);
  expect(language.passages.length).toBeGreaterThanOrEqual(18);
  const topics = new Map<string, number[]>();
  for (const { topic, grade, paragraphs } of language.passages) {
    topics.set(topic, [...(topics.get(topic) ?? []), grade]);
    const words = paragraphs.join(" ").split(/\s+/).length;
    expect(words, topic).toBeGreaterThanOrEqual(80);
    expect(words, topic).toBeLessThanOrEqual(350);
  }
  for (const [topic, grades] of topics) expect(new Set(grades).size, topic).toBe(2);
});

it("tells a mistake by a wrong answer to every item of language", () => {
  if (!language) throw new Error("No language ships.");
  const silent = language.skills.flatMap(({ items }) =>
    items.flatMap(({ id, body }) => {
      const version = { id: `${id}@1`, itemId: id, body };
      const item = drawItem(version, 0);
      const told = new Set(tellingMistakes(item).map(({ misconceptionId }) => misconceptionId));
      return told.size > 0 ? [] : [id];
    }),
  );
  expect(silent).toEqual([]);
});
