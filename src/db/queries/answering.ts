import "server-only";
import { getTableColumns, type SQL, sql } from "drizzle-orm";
import type { SQLiteColumn, SQLiteTable } from "drizzle-orm/sqlite-core";
import { type HotRun, hot, runHot } from "../hot";
import type { Queryable } from "../queryable";
import { answers, scores, sittingItems, sittings, uncountedAnswers } from "../schema/sittings";
import { misconceptionDays, misconceptionSigns, skillDays, skillStates } from "../schema/summaries";
import type { SittingRow } from "./sittings";

/**
 * What every answer writes, as statements that are worded by the query builder once and then kept (see `hot`). A whole answer
 * is one batch of them, which reads nothing: all of it was worked out before.
 */
const value = sql.placeholder;
const put = (name: string): SQL => sql`${value(name)}`;

/** A placeholder for each column of a table, by its name. */
function placeholders<Table extends SQLiteTable>(table: Table, ...left: (keyof Table["_"]["columns"] & string)[]) {
  const names = Object.keys(getTableColumns(table)).filter((name) => !left.includes(name));
  return Object.fromEntries(names.map((name) => [name, value(name)])) as never;
}

/** What an upsert sets: the new row's own values. */
const fromNewRow = (...columns: SQLiteColumn[]) =>
  Object.fromEntries(columns.map((column) => [nameOf(column), sql.raw(`excluded.${column.name}`)]));

function nameOf(column: SQLiteColumn): string {
  const found = Object.entries(getTableColumns(column.table)).find(([, own]) => own.name === column.name);
  if (!found) throw new Error(`${column.name} is no column of its table.`);
  return found[0];
}

const answerInsert = hot((db) => db.insert(answers).values(placeholders(answers, "serial")));

const scoreInsert = hot((db) =>
  db.insert(scores).values({
    ...(placeholders(scores, "serial", "answerSerial", "supersedes", "changeId") as Record<string, unknown>),
    answerSerial: sql`(select ${answers.serial} from ${answers} where ${answers.key} = ${value("key")})`,
    supersedes: null,
    changeId: null,
  } as never),
);

const sittingMove = hot((db) =>
  db
    .update(sittings)
    .set({
      version: sql`${sittings.version} + 1`,
      lastAt: put("lastAt"),
      finishedAt: put("finishedAt"),
      finishReason: put("finishReason"),
      state: value("state") as never,
      itemsDone: put("itemsDone"),
      itemsRight: put("itemsRight"),
      progressPermille: put("progressPermille"),
      activeMilliseconds: put("activeMilliseconds"),
      mark: put("mark"),
    })
    .where(sql`${sittings.id} = ${value("id")} and ${sittings.version} = ${value("version")}`),
);

const itemSave = hot((db) =>
  db
    .insert(sittingItems)
    .values(placeholders(sittingItems))
    .onConflictDoUpdate({
      target: sittingItems.id,
      set: fromNewRow(
        sittingItems.place,
        sittingItems.state,
        sittingItems.tries,
        sittingItems.earned,
        sittingItems.possible,
        sittingItems.tryFrom,
        sittingItems.hints,
        sittingItems.setAside,
      ),
    }),
);

const stateSave = hot((db) => {
  const { personId: _person, skillId: _skill, ...kept } = getTableColumns(skillStates);
  return db
    .insert(skillStates)
    .values(placeholders(skillStates))
    .onConflictDoUpdate({
      target: [skillStates.personId, skillStates.skillId],
      set: fromNewRow(...Object.values(kept)),
      setWhere: sql`${skillStates.evidence} = ${value("evidenceBefore")}`,
    });
});

const dayAdd = hot((db) =>
  db
    .insert(skillDays)
    .values(placeholders(skillDays))
    .onConflictDoUpdate({
      target: [skillDays.personId, skillDays.skillId, skillDays.day],
      set: {
        answered: sql`${skillDays.answered} + excluded.answered`,
        right: sql`${skillDays.right} + excluded.right`,
        milliseconds: sql`${skillDays.milliseconds} + excluded.milliseconds`,
        ...fromNewRow(
          skillDays.mastery,
          skillDays.stabilityDays,
          skillDays.mean,
          skillDays.spread,
          skillDays.answeredUntil,
          skillDays.rightUntil,
        ),
      },
    }),
);

const signAdd = hot((db) =>
  db
    .insert(misconceptionSigns)
    .values(placeholders(misconceptionSigns))
    .onConflictDoUpdate({
      target: [misconceptionSigns.personId, misconceptionSigns.skillId, misconceptionSigns.misconceptionId],
      set: {
        times: sql`${misconceptionSigns.times} + excluded.times`,
        lastDay: sql`max(${misconceptionSigns.lastDay}, excluded.last_day)`,
      },
    }),
);

const signDayAdd = hot((db) =>
  db
    .insert(misconceptionDays)
    .values(placeholders(misconceptionDays))
    .onConflictDoUpdate({
      target: [
        misconceptionDays.personId,
        misconceptionDays.day,
        misconceptionDays.skillId,
        misconceptionDays.misconceptionId,
      ],
      set: { times: sql`${misconceptionDays.times} + excluded.times` },
    }),
);

type NewAnswer = Omit<typeof answers.$inferSelect, "serial">;
export type NewScore = Omit<typeof scores.$inferSelect, "serial" | "answerSerial" | "supersedes" | "changeId">;
type ItemSave = typeof sittingItems.$inferSelect;
type SkillStateRow = typeof skillStates.$inferSelect;

/** A sitting as an answer leaves it; `version` is the one that it was read at. */
export type SittingMove = Omit<SittingRow, "targetId" | "partId" | "attempt" | "startedAt" | "endsAt">;

/** One answer's part of a summary. */
export type SummaryStep =
  /** `evidenceBefore`: scores in the summary that it was worked out from. */
  | { readonly kind: "state"; readonly row: SkillStateRow & { readonly evidenceBefore: number } }
  | { readonly kind: "day"; readonly row: typeof skillDays.$inferSelect }
  | { readonly kind: "sign"; readonly row: typeof misconceptionSigns.$inferSelect }
  | { readonly kind: "sign-day"; readonly row: typeof misconceptionDays.$inferSelect };

const SUMMARY_STATEMENTS = { state: stateSave, day: dayAdd, sign: signAdd, "sign-day": signDayAdd } as const;

const stepRun = ({ kind, row }: SummaryStep): HotRun => ({ statement: SUMMARY_STATEMENTS[kind], values: row });

/** Takes steps into the summaries. */
export async function takeIntoSummaries(tx: Queryable, steps: readonly SummaryStep[]): Promise<void> {
  await runHot(tx, steps.map(stepRun));
}

/** Everything that one answer writes. */
export interface AnswerWrite {
  readonly answer: NewAnswer;
  readonly scores: readonly NewScore[];
  readonly sitting: SittingMove;
  /** Items that changed or are new. */
  readonly items: readonly ItemSave[];
  readonly steps: readonly SummaryStep[];
}

/**
 * Writes an answer with all that hangs on it. False when somebody else has moved the sitting, or a summary, since it was
 * read; then everything must be taken back and worked out anew.
 */
export async function writeAnswer(tx: Queryable, { answer, sitting, ...write }: AnswerWrite): Promise<boolean> {
  const changed = await runHot(tx, [
    { statement: sittingMove, values: sitting },
    ...write.steps.map(stepRun),
    ...write.items.map((item): HotRun => ({ statement: itemSave, values: item })),
    { statement: answerInsert, values: answer },
    ...write.scores.map((score): HotRun => ({ statement: scoreInsert, values: { ...score, key: answer.key } })),
  ]);
  return changed.slice(0, 1 + write.steps.length).every((rows) => rows === 1);
}

/** Moves a sitting as an answer leaves it; false when somebody else has moved it since it was read. */
export async function moveSitting(tx: Queryable, sitting: SittingMove): Promise<boolean> {
  return (await runHot(tx, [{ statement: sittingMove, values: sitting }]))[0] === 1;
}

/** Answers with what each is worth, as handing in a whole test makes them, and the items and the sitting as that leaves them. */
export async function writeAnswers(
  tx: Queryable,
  sitting: SittingMove,
  given: readonly { readonly answer: NewAnswer; readonly scores: readonly NewScore[] }[],
  items: readonly ItemSave[],
): Promise<boolean> {
  const changed = await runHot(tx, [
    { statement: sittingMove, values: sitting },
    ...items.map((item): HotRun => ({ statement: itemSave, values: item })),
    ...given.flatMap(({ answer, scores: own }): HotRun[] => [
      { statement: answerInsert, values: answer },
      ...own.map((score): HotRun => ({ statement: scoreInsert, values: { ...score, key: answer.key } })),
    ]),
  ]);
  return changed[0] === 1;
}

/** Keeps what a student sent and what counts for nothing; sent again it is there already. */
export async function keepUncounted(tx: Queryable, row: typeof uncountedAnswers.$inferInsert): Promise<void> {
  await tx.insert(uncountedAnswers).values(row).onConflictDoNothing();
}
