import "server-only";
import { type SQL, sql } from "drizzle-orm";
import type { Queryable } from "../queryable";

/** Rows of a log that are counted in one turn of the writer. */
const AT_ONCE = 20_000;
const LOGS = ["answers", "scores"] as const;
type Log = (typeof LOGS)[number];

const markOf = (log: Log): string => `counted:${log}`;

/** How far each log is counted, and how far it goes. */
async function marks(db: Queryable): Promise<Readonly<Record<Log, { readonly from: number; readonly to: number }>>> {
  const [row] = await db.all<Record<`${Log}From` | `${Log}To`, number>>(
    sql`select coalesce((select number from revisions where id = ${markOf("answers")}), 0) as answersFrom,
               coalesce((select max(serial) from answers), 0) as answersTo,
               coalesce((select number from revisions where id = ${markOf("scores")}), 0) as scoresFrom,
               coalesce((select max(serial) from scores), 0) as scoresTo`,
  );
  return {
    answers: { from: row?.answersFrom ?? 0, to: row?.answersTo ?? 0 },
    scores: { from: row?.scoresFrom ?? 0, to: row?.scoresTo ?? 0 },
  };
}

/** Whether something in the logs is not counted yet. */
export async function hasUncounted(db: Queryable): Promise<boolean> {
  const found = await marks(db);
  return LOGS.some((log) => found[log].to > found[log].from);
}

/** Counts a piece of each log, of students alone: trial runs of staff say nothing of an item. True when more is left. A score that took another's place adds the difference. */
export async function countFurther(tx: Queryable): Promise<boolean> {
  const found = await marks(tx);
  const end = (log: Log) => Math.min(found[log].to, found[log].from + AT_ONCE);
  await add(
    tx,
    sql`select v.item_id, count(*), 0, 0.0 from answers a join people p on p.id = a.person_id and p.kind = 'student'
        join sitting_items i on i.id = a.sitting_item_id join item_versions v on v.id = i.version_id
        where a.serial > ${found.answers.from} and a.serial <= ${end("answers")} and a.try_number = 1 group by v.item_id`,
  );
  await add(
    tx,
    sql`select v.item_id, 0, sum(s.supersedes is null),
               sum(s.earned * 1.0 / s.possible - coalesce(b.earned * 1.0 / b.possible, 0.0)) from scores s
        join answers a on a.serial = s.answer_serial join people p on p.id = a.person_id and p.kind = 'student'
        join sitting_items i on i.id = a.sitting_item_id
        join item_versions v on v.id = i.version_id left join scores b on b.serial = s.supersedes
        where s.serial > ${found.scores.from} and s.serial <= ${end("scores")} and a.try_number = 1 group by v.item_id`,
  );
  for (const log of LOGS)
    await tx.run(
      sql`insert into revisions (id, number) values (${markOf(log)}, ${end(log)})
          on conflict (id) do update set number = excluded.number`,
    );
  return LOGS.some((log) => end(log) < found[log].to);
}

const add = (tx: Queryable, counts: SQL) =>
  tx.run(
    sql`insert into item_counts (item_id, answered, scored, earned) ${counts}
        on conflict (item_id) do update set answered = answered + excluded.answered,
          scored = scored + excluded.scored, earned = earned + excluded.earned`,
  );
