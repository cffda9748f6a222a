import { expect } from "vitest";
import { type EvidenceRow, evidenceAfter } from "@/db/queries/answerLog";
import { allMisconceptionDays, allMisconceptionSigns, allSkillDays, allSkillStates } from "@/db/queries/summaries";
import type { Queryable } from "@/db/queryable";
import { rebuildSummaries } from "@/server/summaries/rebuild";
import { exactPart, naiveSignDays, naiveSummaries, REAL_COLUMNS } from "./naiveSummaries";
import type { TestSchool } from "./school";

/** All summaries of a database. */
export const allSummaries = async (db: Queryable) => ({
  states: await allSkillStates(db),
  days: await allSkillDays(db),
  signs: await allMisconceptionSigns(db),
  signDays: await allMisconceptionDays(db),
});

/** Whether summaries are what a second reading of the scores makes of them: counts to the last digit, real numbers but for rounding. */
export function agreesWithLog(running: Awaited<ReturnType<typeof allSummaries>>, log: readonly EvidenceRow[]): void {
  const naive = naiveSummaries(log);
  expect(running.signs).toEqual(naive.signs);
  expect(running.signDays).toEqual(naiveSignDays(log));
  sameRows(running.days, naive.days);
  sameRows(running.states, naive.states);
}

function sameRows(running: readonly object[], naive: readonly object[]): void {
  expect(running.map(exactPart)).toEqual(naive.map(exactPart));
  for (const [place, row] of running.entries())
    for (const column of REAL_COLUMNS)
      if (column in row) {
        const [one, other] = [row, naive[place]] as readonly Record<string, number>[];
        expect(one?.[column], column).toBeCloseTo(other?.[column] ?? Number.NaN, 6);
      }
}

/** The summaries are what a second reading of the scores makes of them, and a rebuild changes nothing. */
export async function summariesHold(school: TestSchool): Promise<void> {
  const running = await allSummaries(school.db.read);
  // In the order of the answers: what was scored anew stands where its answer stands.
  const log = await evidenceAfter(school.db.read, 0, 1000);
  agreesWithLog(
    running,
    [...log].sort((x, y) => x.answerSerial - y.answerSerial || x.serial - y.serial),
  );
  await rebuildSummaries(school.runtime);
  expect(await allSummaries(school.db.read)).toEqual(running);
}
