import "server-only";
import { ITEM_AGES, type ItemAge } from "@/core/model/itemAge";
import { ITEM_USE_AT, ITEM_USES, type ItemUse } from "@/core/model/itemUse";
import { skillsOfStandards, standardsWithRelated } from "@/db/queries/crosswalk";
import { countItems, type FoundItem, findItems, type ItemFilter } from "@/db/queries/itemSearch";
import { standardsById } from "@/db/queries/items";
import { currentWords } from "@/db/queries/passages";
import { peopleById } from "@/db/queries/people";
import { LIBRARY_TABLES } from "@/db/queries/tableRevisions";
import { type OpenBank, openBanks } from "@/server/access/bankSubject";
import { demandStaff } from "@/server/access/demand";
import { cardsMade } from "@/server/library/itemCards";
import { usesCounted } from "@/server/library/itemCounts";
import { secondsFor } from "@/server/library/itemSeconds";
import { type Library, libraryOf } from "@/server/library/library";
import { readyToLook } from "@/server/library/lookOver";
import type { Context } from "@/server/runtime/context";
import { kept } from "@/server/runtime/kept";
import { gradeSpan } from "@/words/staff/gradeWords";
import { cardKindWords } from "@/words/staff/itemWords";
import { FACETS, type Facet, type FinderQuery } from "../finderQuery";
import type { BankName, FacetValue, FinderView, ItemLine } from "../itemTypes";

const ITEMS_A_PAGE = 50;
const DAY_MILLISECONDS = 86_400_000;
/** Searches whose counts are kept. */
const MOST_COUNTS = 300;
export const STOCK: BankName = { id: "stock", name: "Oxbow's own stock" };

/** The items that somebody looks for in the banks that are open to them, with counts of what else there is. */
export async function finder(context: Context, query: FinderQuery): Promise<FinderView> {
  const staff = demandStaff(context.actor);
  // Whoever looks for items is about to try or to write one.
  readyToLook();
  const { runtime } = context;
  const db = runtime.db.read;
  await Promise.all([cardsMade(runtime), usesCounted(runtime)]);
  const [library, open, standard] = await Promise.all([
    libraryOf(runtime),
    openBanks(context, staff),
    standardAskedFor(context, query.standardId),
  ]);
  const filter = filterOf(query, open, standard?.skillIds ?? null, runtime.now());
  const [{ items: total, facets: counts }, found] = await Promise.all([
    countsOf(runtime, JSON.stringify(filter)),
    findItems(db, filter, { order: query.order, from: query.from, most: ITEMS_A_PAGE }),
  ]);
  const authorIds = new Set([
    ...found.flatMap(({ authorId }) => authorId ?? []),
    ...counts.flatMap(({ facet, value }) => (facet === "author" && value !== null ? [value] : [])),
  ]);
  const authors = await namesOf(context, authorIds);
  const passageIds = new Set([
    ...found.flatMap(({ passageId }) => passageId ?? []),
    ...(query.chosen.passage ?? []),
    ...counts.flatMap(({ facet, value }) => (facet === "passage" && value !== null ? [value] : [])),
  ]);
  const titles = new Map((await currentWords(db, [...passageIds])).map((row) => [row.passageId, row.title]));
  const names: Names = { library, open, authors, titles };
  const facetValues = (facet: Facet): FacetValue[] => {
    const chosen = query.chosen[facet] ?? [];
    const met = counts.filter((count) => count.facet === facet && (count.value !== null || facet === "bank"));
    const values = met.map(({ value, items }) => ({ value: value ?? STOCK.id, items }));
    // What was chosen stays in the list, so that it can be taken back, also when nothing of it is left.
    const missing = chosen.filter((value) => !values.some((one) => one.value === value));
    return [...values, ...missing.map((value) => ({ value, items: 0 }))]
      .map(({ value, items }) => ({
        value,
        items,
        words: facetWords(facet, value, names),
        isChosen: chosen.includes(value),
      }))
      .sort(facetOrder(facet, library));
  };
  return {
    total,
    from: query.from,
    items: found.map((item) => lineOf(item, names)),
    facets: Object.fromEntries(FACETS.map((facet) => [facet, facetValues(facet)])) as Record<Facet, FacetValue[]>,
    order: query.order,
    standard: standard ? { code: standard.code, statement: standard.statement } : null,
    ownBanks: open.filter(({ mayChange }) => mayChange).map(({ bank: { id, name } }) => ({ id, name })),
    allBanks: [STOCK, ...open.map(({ bank: { id, name } }) => ({ id, name }))],
  };
}

/** Counts of a search are the same until something in the library changes: whoever opens it first pays for all. */
const countsOf = kept(
  [...LIBRARY_TABLES, "item_counts"],
  (runtime, filter) => countItems(runtime.db.read, JSON.parse(filter) as ItemFilter),
  MOST_COUNTS,
);

/** A standard with the skills of it and of what the crosswalk says is the same, related or part of it. */
async function standardAskedFor({ runtime }: Context, id: string | null) {
  if (id === null) return null;
  const db = runtime.db.read;
  const [standard] = await standardsById(db, [id]);
  if (!standard) return null;
  const skillIds = await skillsOfStandards(db, await standardsWithRelated(db, [id]));
  return { code: standard.code, statement: standard.statement, skillIds };
}

function filterOf(
  { words, chosen, retired }: FinderQuery,
  open: readonly OpenBank[],
  skillIdsOfStandard: readonly string[] | null,
  now: number,
): ItemFilter {
  const banks = [null, ...open.map(({ bank }) => bank.id)];
  const wanted = chosen.bank;
  const numbers = (facet: Facet) => (chosen[facet] ?? []).map(Number).filter(Number.isInteger);
  const skills = chosen.skill ?? null;
  const status = chosen.status ?? [];
  return {
    words: words.match(/[\p{L}\p{N}]+/gu) ?? [],
    bankIds: wanted ? banks.filter((id) => wanted.includes(id ?? STOCK.id)) : banks,
    draftBankIds: open.filter(({ mayChange }) => mayChange).map(({ bank }) => bank.id),
    skillIds:
      skills && skillIdsOfStandard
        ? skills.filter((id) => skillIdsOfStandard.includes(id))
        : (skills ?? skillIdsOfStandard),
    grades: numbers("grade"),
    kinds: chosen.kind ?? [],
    depths: numbers("depth"),
    languages: chosen.language ?? [],
    authorIds: chosen.author ?? [],
    passageIds: chosen.passage ?? [],
    uses: ITEM_USES.filter((use) => chosen.use?.includes(use)),
    added: ITEM_AGES.map(({ age }) => age).filter((age) => chosen.added?.includes(age)),
    // By whole days, so that counts are kept for one.
    from: Math.ceil(now / DAY_MILLISECONDS) * DAY_MILLISECONDS,
    status: status.length === 1 ? (status[0] === "draft" ? "draft" : "ready") : null,
    retired,
  };
}

interface Names {
  readonly library: Library;
  readonly open: readonly OpenBank[];
  readonly authors: ReadonlyMap<string, string>;
  /** Titles of passages. */
  readonly titles: ReadonlyMap<string, string>;
}

export async function namesOf({ runtime }: Context, ids: ReadonlySet<string>): Promise<ReadonlyMap<string, string>> {
  const people = await peopleById(runtime.db.read, [...ids]);
  return new Map(people.map(({ id, givenName, familyName }) => [id, `${givenName} ${familyName}`]));
}

export function lineOf(item: FoundItem, { library, open, authors, titles }: Names): ItemLine {
  const skill = library.skills.find(({ id }) => id === item.skillId);
  const bank = open.find((one) => one.bank.id === item.bankId);
  return {
    id: item.itemId,
    line: item.line,
    kind: cardKindWords(item.kind),
    skill: skill?.name ?? "",
    grade: item.grade,
    bank: bank ? { id: bank.bank.id, name: bank.bank.name } : STOCK,
    passage: titles.get(item.passageId ?? "") ?? "",
    isDraft: item.status === "draft",
    isModel: item.model === 1,
    depth: item.depth,
    author: item.authorId === null ? "" : (authors.get(item.authorId) ?? ""),
    answered: item.answered,
    sharePercent: item.share === null || item.answered < ITEM_USE_AT.answers ? null : Math.round(item.share * 100),
    harderBy: item.difficulty === null || !skill ? null : item.difficulty - skill.difficulty,
    isCalibrated: item.calibrated === 1,
    seconds: secondsFor(item),
    mayChange: bank?.mayChange ?? false,
  };
}

const LANGUAGES = new Intl.DisplayNames("en", { type: "language" });
const USE_WORDS: Readonly<Record<ItemUse, string>> = {
  never: "never answered",
  few: `answered under ${ITEM_USE_AT.answers} times`,
  hard: `answered rightly by under ${ITEM_USE_AT.hardBelow * 100} %`,
  usual: "answered rightly by some",
  easy: `answered rightly by over ${ITEM_USE_AT.easyAbove * 100} %`,
};
const AGE_WORDS: Readonly<Record<ItemAge, string>> = {
  week: "this week",
  month: "in the month before",
  year: "in the year before",
  older: "more than a year ago",
};
const DEPTHS = ["recall", "use a procedure", "reason", "extend"];

function facetWords(facet: Facet, value: string, { library, open, authors, titles }: Names): string {
  switch (facet) {
    case "bank":
      return value === STOCK.id ? STOCK.name : (open.find(({ bank }) => bank.id === value)?.bank.name ?? "a bank");
    case "grade":
      return gradeSpan(Number(value), Number(value));
    case "kind":
      return cardKindWords(value);
    case "skill":
      return library.skills.find(({ id }) => id === value)?.name ?? "a skill";
    case "depth":
      return `${value}: ${DEPTHS[Number(value) - 1] ?? ""}`;
    case "language":
      return LANGUAGES.of(value) ?? value;
    case "author":
      return authors.get(value) ?? "somebody";
    case "passage":
      return titles.get(value) ?? "a passage";
    case "use":
      return USE_WORDS[value as ItemUse] ?? value;
    case "added":
      return AGE_WORDS[value as ItemAge] ?? value;
    case "status":
      return value === "draft" ? "drafts" : "in use";
  }
}

function facetOrder(facet: Facet, library: Library): (one: FacetValue, other: FacetValue) => number {
  if (facet === "grade" || facet === "depth") return (one, other) => Number(one.value) - Number(other.value);
  if (facet === "use" || facet === "added") {
    const places: readonly string[] = facet === "use" ? ITEM_USES : ITEM_AGES.map(({ age }) => age);
    return (one, other) => places.indexOf(one.value) - places.indexOf(other.value);
  }
  if (facet === "skill") {
    const places = new Map(library.skills.map(({ id }, place) => [id, place]));
    return (one, other) => (places.get(one.value) ?? 0) - (places.get(other.value) ?? 0);
  }
  return (one, other) => other.items - one.items || one.words.localeCompare(other.words);
}
