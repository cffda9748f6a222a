import { describe, expect, it } from "vitest";
import { DEMANDS, repeatedSentences, skillFindings } from "@/server/content/checks/skillFindings";
import { shippedContent } from "~/demo/shippedContent";

describe.each(shippedContent().map((content) => [content.subject.name, content] as const))("%s", (_, content) => {
  const demands = DEMANDS[content.subject.id];
  if (!demands) throw new Error(`Nothing says what a skill of ${content.subject.id} needs.`);

  it.each(content.skills.map((skill) => [skill.id, skill] as const))("%s is complete and sound", (_id, skill) => {
    expect(skillFindings(skill, demands)).toEqual([]);
  });

  it("repeats no sentence of a stem in another skill", () => {
    expect(repeatedSentences(content.skills)).toEqual([]);
  });

  it("rises in difficulty along what it builds on, never from a later grade", () => {
    const byId = new Map(content.skills.map((skill) => [skill.id, skill]));
    for (const skill of content.skills)
      for (const under of skill.prerequisites) {
        expect(byId.get(under)?.grade, `${skill.id} builds on ${under}`).toBeLessThanOrEqual(skill.grade);
        expect(byId.get(under)?.difficulty, `${skill.id} builds on ${under}`).toBeLessThan(skill.difficulty);
      }
  });

  it("leads from every skill beyond grade 2 back to an earlier grade", () => {
    const byId = new Map(content.skills.map((skill) => [skill.id, skill]));
    const lowest = (id: string): number =>
      Math.min(byId.get(id)?.grade ?? 99, ...(byId.get(id)?.prerequisites ?? []).map(lowest));
    const first = Math.min(...content.skills.map(({ grade }) => grade));
    const rootless = content.skills.filter(({ id, grade }) => grade > first + 1 && lowest(id) >= grade);
    expect(rootless.map(({ id }) => id)).toEqual([]);
  });

  // Language has standards of writing and speaking too, for which nothing is practised here.
  it.runIf(content.subject.id === "mathematics")("has a skill for every standard of grades 3 to 8", () => {
    const taught = new Set(content.skills.flatMap(({ standards }) => standards));
    const open = content.standards.filter(
      ({ id, type, gradeLow = 0 }) => type === "standard" && gradeLow >= 3 && !taught.has(id),
    );
    expect(open.map(({ code }) => code)).toEqual([]);
  });
});
