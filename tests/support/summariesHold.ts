import { expect } from "vitest";
import { evidenceAfter } from "@/db/queries/answerLog";
import { allMisconceptionSigns, allSkillDays, allSkillStates } from "@/db/queries/summaries";
import { rebuildSummaries } from "@/server/summaries/rebuild";
import { exactPart, naiveSummaries } from "./naiveSummaries";
import type { TestSchool } from "./school";

/** The summaries are what a second reading of the scores makes of them, and a rebuild changes nothing. */
export async function summariesHold(school: TestSchool): Promise<void> {
  const rows = async () => ({
    states: await allSkillStates(school.db.read),
    days: await allSkillDays(school.db.read),
    signs: await allMisconceptionSigns(school.db.read),
  });
  const running = await rows();
  // In the order of the answers: what was scored anew stands where its answer stands.
  const log = await evidenceAfter(school.db.read, 0, 1000);
  const naive = naiveSummaries([...log].sort((x, y) => x.answerSerial - y.answerSerial || x.serial - y.serial));
  expect(running.days).toEqual(naive.days);
  expect(running.signs).toEqual(naive.signs);
  expect(running.states.map(exactPart)).toEqual(naive.states.map(exactPart));
  for (const [place, { mastery }] of running.states.entries())
    expect(mastery).toBeCloseTo(naive.states[place]?.mastery ?? Number.NaN, 6);
  await rebuildSummaries(school.runtime);
  expect(await rows()).toEqual(running);
}
