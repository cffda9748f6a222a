import "server-only";
import { checkItem } from "@/core/items/checkItem";
import type { DrawnItem } from "@/core/items/drawItem";
import { answersToVersions, type ScoreRow, scoresOfAnswers, supersede } from "@/db/queries/answerLog";
import { versionNumbersOf } from "@/db/queries/library";
import type { Queryable } from "@/db/queryable";
import { drawerOf } from "@/server/library/drawnItems";
import { Refusal } from "@/server/runtime/refusal";
import type { Runtime } from "@/server/runtime/runtime";
import { forgetRunOf } from "../reads/keptRuns";
import { rebuildIn } from "./rebuild";

/** What a re-score came to. */
export interface Rescored {
  readonly answers: number;
  /** Scores that took the place of others. */
  readonly changed: number;
  readonly students: number;
}

/**
 * Judges the answers to earlier versions of an item by the key of its current one. Answers stay as they were given; where the
 * verdict is another now, a new score takes the old one's place, and the summaries of just those students and skills are made
 * anew. Marks of finished work stay as they were told. Answers that the current version can't read keep their scores.
 */
export async function rescoreItem(runtime: Runtime, itemId: string): Promise<Rescored> {
  const versions = await versionNumbersOf(runtime.db.read, itemId);
  const current = versions.at(-1);
  if (!current) throw new Refusal("not-found", "This item is not in the library.");
  const drawer = await drawerOf(
    runtime,
    versions.map(({ id }) => id),
  );
  const earlier = versions.slice(0, -1).map(({ id }) => id);
  const answers = await answersToVersions(runtime.db.read, earlier);
  const byStudent = new Map<string, typeof answers>();
  for (const answer of answers) byStudent.set(answer.personId, [...(byStudent.get(answer.personId) ?? []), answer]);
  let changed = 0;
  let students = 0;
  for (const [personId, own] of byStudent) {
    const count = await runtime.db.write(async (tx) => {
      const fresh = await newScores(tx, own, runtime.now(), (answer) => {
        const before = drawer.drawIfKnown(answer);
        const now = drawer.drawIfKnown({ ...answer, versionId: current.id });
        return before && now && sameDraw(before, now) ? now : null;
      });
      await supersede(tx, fresh);
      if (fresh.length > 0) await rebuildIn(tx, personId, [...new Set(fresh.map(({ skillId }) => skillId))]);
      return fresh.length;
    });
    forgetRunOf(runtime, personId);
    changed += count;
    if (count > 0) students++;
  }
  return { answers: answers.length, changed, students };
}

/** The same numbers were shown: what was asked is the same, whatever the key says of it. */
const sameDraw = (one: DrawnItem, other: DrawnItem): boolean =>
  Object.keys(one.values).every((name) => other.values[name]?.equals(one.values[name] ?? 0) === true);

async function newScores(
  tx: Queryable,
  answers: Awaited<ReturnType<typeof answersToVersions>>,
  now: number,
  itemOf: (answer: (typeof answers)[number]) => DrawnItem | null,
): Promise<Omit<ScoreRow, "serial">[]> {
  const scores = await scoresOfAnswers(
    tx,
    answers.map(({ serial }) => serial),
  );
  return answers.flatMap((answer) => {
    const item = itemOf(answer);
    const verdict = item ? checkItem(item, answer.response) : null;
    if (!verdict?.readable) return [];
    return verdict.parts.flatMap(({ partId, earned, possible, misconceptionIds }) =>
      scores
        .filter(({ answerSerial, part }) => answerSerial === answer.serial && part === partId)
        .flatMap(({ serial, ...score }) => {
          const [misconceptionId = null] = misconceptionIds;
          const same = score.earned * possible === earned * score.possible && score.misconceptionId === misconceptionId;
          const judged = { earned, possible, misconceptionId, by: "re-score" as const };
          return same ? [] : [{ ...score, ...judged, scoredAt: now, supersedes: serial }];
        }),
    );
  });
}
