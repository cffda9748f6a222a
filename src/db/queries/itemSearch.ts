import "server-only";
import { type SQL, sql } from "drizzle-orm";
import { ITEM_AGES, type ItemAge } from "../../core/model/itemAge";
import { ITEM_USE_AT, type ItemUse } from "../../core/model/itemUse";
import type { Queryable } from "../queryable";
import type { ItemCardRow } from "./itemCards";

/** What items are narrowed by; a list that is empty narrows nothing. */
export interface ItemFilter {
  readonly words: readonly string[];
  /** Banks that are searched; null stands for the stock. */
  readonly bankIds: readonly (string | null)[];
  /** Banks of which drafts are shown too. */
  readonly draftBankIds: readonly string[];
  readonly skillIds: readonly string[] | null;
  readonly grades: readonly number[];
  readonly kinds: readonly string[];
  readonly depths: readonly number[];
  readonly languages: readonly string[];
  readonly authorIds: readonly string[];
  readonly passageIds: readonly string[];
  readonly status: "draft" | "ready" | null;
  readonly uses: readonly ItemUse[];
  readonly added: readonly ItemAge[];
  /** Where ages are counted from, in milliseconds since 1970 UTC. */
  readonly from: number;
  readonly retired: boolean;
}

type Facet =
  | "bank"
  | "grade"
  | "kind"
  | "skill"
  | "depth"
  | "language"
  | "author"
  | "passage"
  | "use"
  | "added"
  | "status";
interface FacetCount {
  readonly facet: Facet;
  /** Null where an item says nothing of it; for banks, the stock. */
  readonly value: string | null;
  readonly items: number;
}

const { answers, hardBelow, easyAbove } = ITEM_USE_AT;
/** How it went with an item so far, by its counts (`u`). */
const USE = `case when coalesce(u.answered, 0) = 0 then 'never' when u.answered < ${answers} or u.scored = 0 then 'few'
  when u.earned / u.scored < ${hardBelow} then 'hard' when u.earned / u.scored > ${easyAbove} then 'easy' else 'usual' end`;

/** How long an item has been there: within so many days, or longer. */
const ageFrom = (from: number): string =>
  `case ${ITEM_AGES.flatMap(({ age, days }) => (days === null ? [] : [`when c.added_at > ${Math.trunc(from) - days * DAY} then '${age}'`])).join(" ")} else 'older' end`;
const DAY = 86_400_000;

/** What items are counted by, as an expression over the card (`c`) and its counts. */
const facetColumns = ({ from }: ItemFilter): Readonly<Record<Facet, string>> => ({
  bank: "c.bank_id",
  grade: "c.grade",
  kind: "c.kind",
  skill: "c.skill_id",
  depth: "c.depth",
  language: "c.language",
  author: "c.author_id",
  passage: "c.passage_id",
  use: USE,
  added: ageFrom(from),
  status: "c.status",
});
const COUNTS = sql`left join item_counts u on u.item_id = c.item_id`;

const list = (values: readonly (string | number)[]): SQL =>
  sql`(select value from json_each(${JSON.stringify(values)}))`;

/** Words as the full-text table asks for them: each as a beginning of a word, all of them wanted. */
const match = (words: readonly string[]): string => words.map((word) => `"${word.replaceAll('"', '""')}"*`).join(" ");

function conditions(filter: ItemFilter): SQL {
  const banks = filter.bankIds.filter((id) => id !== null);
  const inBank = filter.bankIds.includes(null)
    ? sql`(c.bank_id is null or c.bank_id in ${list(banks)})`
    : sql`c.bank_id in ${list(banks)}`;
  const among = (column: string, values: readonly (string | number)[]) =>
    values.length > 0 ? [sql`c.${sql.raw(column)} in ${list(values)}`] : [];
  const all: SQL[] = [
    inBank,
    sql`c.retired = ${filter.retired ? 1 : 0}`,
    sql`(c.status = 'ready' or c.bank_id in ${list(filter.draftBankIds)})`,
    ...(filter.words.length > 0
      ? [sql`c.number in (select rowid from item_words where item_words match ${match(filter.words)})`]
      : []),
    ...(filter.skillIds === null
      ? []
      : [
          sql`(c.skill_id in ${list(filter.skillIds)} or exists (select 1 from item_skills s where s.item_id = c.item_id and s.skill_id in ${list(filter.skillIds)}))`,
        ]),
    ...among("grade", filter.grades),
    ...among("kind", filter.kinds),
    ...among("depth", filter.depths),
    ...among("language", filter.languages),
    ...among("author_id", filter.authorIds),
    ...among("passage_id", filter.passageIds),
    ...(filter.uses.length > 0 ? [sql`${sql.raw(USE)} in ${list(filter.uses)}`] : []),
    ...(filter.added.length > 0 ? [sql`${sql.raw(ageFrom(filter.from))} in ${list(filter.added)}`] : []),
    ...(filter.status === null ? [] : [sql`c.status = ${filter.status}`]),
  ];
  return sql.join(all, sql` and `);
}

/** How many items are found, by facet. */
export async function countItems(
  db: Queryable,
  filter: ItemFilter,
): Promise<{ readonly items: number; readonly facets: readonly FacetCount[] }> {
  const columnOf = facetColumns(filter);
  const columns = sql.raw(
    Object.entries(columnOf)
      .map(([facet, column]) => `${column} as of_${facet}`)
      .join(", "),
  );
  const counts = (Object.keys(columnOf) as Facet[]).map((facet) => {
    const column = sql.raw(`of_${facet}`);
    return sql`select ${facet} as facet, ${column} as value, count(*) as items from found group by ${column}`;
  });
  const rows = await db.all<{ facet: Facet | "all"; value: string | number | null; items: number }>(
    sql`with found as materialized (select ${columns} from item_cards c ${COUNTS} where ${conditions(filter)})
        select 'all' as facet, null as value, count(*) as items from found union all ${sql.join(counts, sql` union all `)}`,
  );
  const facets = rows.flatMap(({ facet, value, items }) =>
    facet === "all" ? [] : [{ facet, value: value === null ? null : String(value), items }],
  );
  return { items: rows.find(({ facet }) => facet === "all")?.items ?? 0, facets };
}

/** A card as SQLite gives it: what is a truth value elsewhere is a number here. */
export interface FoundItem extends Omit<ItemCardRow, "number" | "strand" | "model" | "calibrated" | "retired"> {
  readonly model: number;
  readonly calibrated: number;
  readonly retired: number;
  /** First tries, and the share that they earned; null where nothing is scored yet. */
  readonly answered: number;
  readonly share: number | null;
}

type ItemOrder = "best" | "newest" | "easiest" | "hardest" | "passage";

const CARD_COLUMNS = sql.raw(
  `c.item_id as itemId, c.version_id as versionId, c.bank_id as bankId, c.skill_id as skillId, c.kind as kind,
   c.status as status, c.grade as grade, c.depth as depth, c.language as language, c.model as model, c.author_id as authorId,
   c.added_at as addedAt, c.difficulty as difficulty, c.discrimination as discrimination, c.calibrated as calibrated,
   c.line as line, c.retired as retired, c.passage_id as passageId, coalesce(u.answered, 0) as answered,
   case when u.scored > 0 then u.earned / u.scored end as share`,
);

/** The card of an item, whatever bank it stands in; null without one. */
export async function itemById(db: Queryable, itemId: string): Promise<FoundItem | null> {
  const [found] = await db.all<FoundItem>(
    sql`select ${CARD_COLUMNS} from item_cards c ${COUNTS} where c.item_id = ${itemId}`,
  );
  return found ?? null;
}

/** Some of the items that are found, in an order; the best match first where there are words. */
export async function findItems(
  db: Queryable,
  filter: ItemFilter,
  { order, from, most }: { readonly order: ItemOrder; readonly from: number; readonly most: number },
): Promise<FoundItem[]> {
  const byWords = filter.words.length > 0 && order === "best";
  const join = byWords
    ? sql`join (select rowid, rank from item_words where item_words match ${match(filter.words)}) w on w.rowid = c.number`
    : sql``;
  const orders: Readonly<Record<ItemOrder, SQL>> = {
    best: byWords ? sql`w.rank, c.item_id` : sql`c.bank_id is null, c.grade, c.skill_id, c.item_id`,
    newest: sql`c.added_at desc, c.item_id`,
    easiest: sql`c.difficulty is null, c.difficulty, c.item_id`,
    passage: sql`c.passage_id is null, c.passage_id, c.added_at, c.item_id`,
    hardest: sql`c.difficulty is null, c.difficulty desc, c.item_id`,
  };
  return db.all(
    sql`select ${CARD_COLUMNS} from item_cards c ${COUNTS} ${join} where ${conditions(filter)} order by ${orders[order]} limit ${most} offset ${from}`,
  );
}

/** How many items of the stock can be given. */
export async function itemsInStock(db: Queryable): Promise<number> {
  const [found] = await db.all<{ items: number }>(
    sql`select count(*) as items from item_cards where bank_id is null and retired = 0 and status = 'ready'`,
  );
  return found?.items ?? 0;
}
