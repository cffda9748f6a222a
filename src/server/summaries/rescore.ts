import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import { checkItem } from "@/core/items/checkItem";
import type { DrawnItem } from "@/core/items/drawItem";
import type { ChangeFacts } from "@/core/model/changeFacts";
import type { DecimalMark } from "@/core/model/decimalMark";
import { answersToVersions, type ScoreRow, scoresOfAnswers, scoresOfChange, supersede } from "@/db/queries/answerLog";
import type { ChangeRow } from "@/db/queries/history";
import { versionNumbersOf } from "@/db/queries/library";
import { personById } from "@/db/queries/people";
import type { Queryable } from "@/db/queryable";
import { drawerOf } from "@/server/library/drawnItems";
import { Refusal } from "@/server/runtime/refusal";
import type { Runtime } from "@/server/runtime/runtime";
import { schoolOf } from "@/server/runtime/school";
import { recordCommand } from "../history/recordChange";
import { rebuildIn } from "./rebuild";
import { renewMarks } from "./renewMarks";

/** Who asked for it, and the school whose students it concerns; null for everybody's. */
export interface RescoredBy {
  readonly schoolId: string | null;
  readonly actorId: string | null;
}

/** What a re-score came to. */
export interface Rescored {
  readonly answers: number;
  /** Scores that took the place of others. */
  readonly changed: number;
  readonly students: number;
  /** Entries of the history, one a school. */
  readonly changeIds: readonly string[];
}

/**
 * Judges the answers to earlier versions of an item by the key of its current one. Answers stay as they were given; where the
 * verdict is another now, a new score takes the old one's place, and the summaries of just those students and skills are made
 * anew, and the marks of their runs. Answers that the current version can't read keep their scores. Each
 * school whose students it concerns has an entry in its history, by which it is taken back.
 */
export async function rescoreItem(
  runtime: Runtime,
  itemId: string,
  by: RescoredBy = { schoolId: null, actorId: null },
): Promise<Rescored> {
  const versions = await versionNumbersOf(runtime.db.read, itemId);
  const current = versions.at(-1);
  if (!current) throw new Refusal("not-found", "This item is not in the library.");
  const drawer = await drawerOf(
    runtime,
    versions.map(({ id }) => id),
  );
  const earlier = versions.slice(0, -1).map(({ id }) => id);
  const answers = await answersToVersions(runtime.db.read, earlier);
  const byStudent = groupBy(answers, ({ personId }) => personId);
  const entries = new Map<string, string>();
  let changed = 0;
  let students = 0;
  for (const [personId, given] of byStudent) {
    const count = await runtime.db.write(async (tx) => {
      const schoolId = await schoolIdOf(tx, personId);
      if (by.schoolId !== null && schoolId !== by.schoolId) return 0;
      const { decimalMark } = await schoolOf(runtime, schoolId);
      const fresh = await newScores(tx, given, { now: runtime.now(), decimalMark }, (answer) => {
        const before = drawer.drawIfKnown(answer);
        const now = drawer.drawIfKnown({ ...answer, versionId: current.id });
        return before && now && sameDraw(before, now) ? now : null;
      });
      if (fresh.length === 0) return 0;
      const entry = { itemId, version: current.number };
      const changeId = await entryOfSchool(tx, runtime, entries, { schoolId, actorId: by.actorId }, entry);
      await replaceScores(
        tx,
        personId,
        fresh.map((score) => ({ ...score, changeId })),
      );
      return fresh.length;
    });
    changed += count;
    if (count > 0) students++;
  }
  return { answers: answers.length, changed, students, changeIds: [...entries.values()] };
}

/** The entry of a school's history for this re-score; made with the first score that it changes. */
async function entryOfSchool(
  tx: Queryable,
  runtime: Runtime,
  entries: Map<string, string>,
  { schoolId, actorId }: { readonly schoolId: string; readonly actorId: string | null },
  facts: ChangeFacts["item-rescored"],
): Promise<string> {
  const known = entries.get(schoolId);
  if (known !== undefined) return known;
  const told = { kind: "item-rescored" as const, facts };
  const id = await recordCommand(tx, runtime, { ...told, schoolId, actorId, command: "rescore" });
  entries.set(schoolId, id);
  return id;
}

async function schoolIdOf(tx: Queryable, personId: string): Promise<string> {
  const person = await personById(tx, personId);
  if (!person) throw new Refusal("not-found", "This student is not known any more.");
  return person.schoolId;
}

type NewScore = Omit<ScoreRow, "serial">;

/** Puts scores in the place of a student's others and makes the summaries of just their skills anew. */
async function replaceScores(tx: Queryable, personId: string, fresh: readonly NewScore[]): Promise<void> {
  await supersede(tx, fresh);
  await rebuildIn(tx, personId, [...new Set(fresh.map(({ skillId }) => skillId))]);
  await renewMarks(tx, [...new Set(fresh.map(({ answerSerial }) => answerSerial))]);
}

/**
 * Takes a re-score back: the scores that it replaced come into force again, as new ones, since scores are only ever added.
 * Refused when something has been judged once more since.
 */
export async function takeRescoreBack(tx: Queryable, runtime: Runtime, change: ChangeRow): Promise<void> {
  const pairs = await scoresOfChange(tx, change.id);
  if (pairs.some(({ current }) => !current))
    throw new Refusal("conflict", "Some of these answers were judged once more since. Undo that first.");
  const now = runtime.now();
  const byStudent = groupBy(pairs, ({ before }) => before.personId);
  for (const [personId, own] of byStudent) {
    const fresh = own.map(({ serial, before: { serial: _, ...score } }) => ({
      ...score,
      by: "re-score" as const,
      scoredAt: now,
      supersedes: serial,
      changeId: null,
    }));
    await replaceScores(tx, personId, fresh);
  }
}

/** The same numbers were shown: what was asked is the same, whatever the key says of it. */
const sameDraw = (one: DrawnItem, other: DrawnItem): boolean =>
  Object.keys(one.values).every((name) => other.values[name]?.equals(one.values[name] ?? 0) === true);

async function newScores(
  tx: Queryable,
  answers: Awaited<ReturnType<typeof answersToVersions>>,
  { now, decimalMark }: { readonly now: number; readonly decimalMark: DecimalMark },
  itemOf: (answer: (typeof answers)[number]) => DrawnItem | null,
): Promise<NewScore[]> {
  const scores = await scoresOfAnswers(
    tx,
    answers.map(({ serial }) => serial),
  );
  return answers.flatMap((answer) => {
    const item = itemOf(answer);
    const verdict = item ? checkItem(item, answer.response, decimalMark) : null;
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
