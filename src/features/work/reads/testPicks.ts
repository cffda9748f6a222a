import "server-only";
import { array, type InferType, number, object, string } from "yup";
import { dayNumber } from "@/core/calendar/dayNumber";
import { findItems, itemById } from "@/db/queries/itemSearch";
import { currentVersions } from "@/db/queries/items";
import { classesById } from "@/db/queries/people";
import { demandBank, openBanks } from "@/server/access/bankSubject";
import { demandStaff } from "@/server/access/demand";
import { demandClasses } from "@/server/access/subjects";
import { cardsMade } from "@/server/library/itemCards";
import { asVersion, DRAWS_AN_ITEM, shelvesOf } from "@/server/library/shelf";
import type { Context } from "@/server/runtime/context";
import { todayOf } from "@/server/runtime/school";
import { validated } from "@/server/runtime/validated";
import type { TestItem } from "../testTypes";
import { type Candidate, classBeliefs, drawId, shownItems } from "./testItems";

/** A draw that stays in a test. */
export const keptInput = object({
  form: string()
    .matches(/^[A-D]$/)
    .default("A"),
  itemId: string().required(),
  skillId: string().required(),
  seed: number().integer().min(0).max(1_000_000).required(),
});

/** Draws of any bank that the asking person may use, as their current versions stand; what is there no more is left out. */
export async function keptCandidates(
  context: Context,
  kept: readonly Omit<InferType<typeof keptInput>, "form">[],
): Promise<Candidate[]> {
  if (kept.length === 0) return [];
  const { runtime } = context;
  const db = runtime.db.read;
  const ids = [...new Set(kept.map(({ itemId }) => itemId))];
  await cardsMade(runtime);
  const [versions, cards, shelves] = await Promise.all([
    currentVersions(db, ids),
    Promise.all(ids.map((id) => itemById(db, id))),
    shelvesOf(runtime, [...new Set(kept.map(({ skillId }) => skillId))]),
  ]);
  for (const bankId of new Set(cards.flatMap((card) => (card ? [card.bankId] : []))))
    await demandBank(context, "use", bankId, db);
  return kept.flatMap(({ itemId, skillId, seed }): Candidate[] => {
    const found = versions.find((one) => one.itemId === itemId);
    const shelf = shelves.get(skillId);
    const card = cards.find((one) => one?.itemId === itemId);
    if (!found || !shelf || card?.retired !== 0) return [];
    const version = asVersion(found);
    return [{ id: drawId(itemId, seed), version, skillId, seed, parameters: shelf.parametersOf(version, seed) }];
  });
}

const searchInput = object({
  classId: string().required(),
  words: string().trim().max(100).default(""),
  skillIds: array(string().required()).max(30).default([]),
});
const MOST_FOUND = 12;

/** Items to add one by one: of the test's skills first, from the stock and every bank that is open to the asking person. */
export async function searchTestItems(context: Context, raw: unknown): Promise<TestItem[]> {
  const { classId, words, skillIds } = validated(searchInput, raw);
  const { runtime } = context;
  const staff = demandStaff(context.actor);
  await demandClasses(context, "see", [classId]);
  await cardsMade(runtime);
  const open = await openBanks(context, staff);
  const filter = {
    words: words.match(/[\p{L}\p{N}]+/gu) ?? [],
    bankIds: [null, ...open.map(({ bank }) => bank.id)],
    draftBankIds: [],
    skillIds: skillIds.length === 0 ? null : skillIds,
    grades: [],
    kinds: [],
    depths: [],
    languages: [],
    authorIds: [],
    passageIds: [],
    uses: [],
    added: [],
    from: 0,
    status: "ready" as const,
    retired: false,
  };
  const page = { order: "best" as const, from: 0, most: MOST_FOUND };
  const found = await findItems(runtime.db.read, filter, page);
  const others =
    found.length < MOST_FOUND && words !== "" && skillIds.length > 0
      ? await findItems(runtime.db.read, { ...filter, skillIds: null }, page)
      : [];
  const all = [...found, ...others.filter(({ itemId }) => !found.some((one) => one.itemId === itemId))];
  const picks = all
    .slice(0, MOST_FOUND)
    .flatMap(({ itemId, skillId }) =>
      skillId === null ? [] : [{ itemId, skillId, seed: Math.floor(runtime.random() * DRAWS_AN_ITEM) }],
    );
  const [[ofClass], today, candidates] = await Promise.all([
    classesById(runtime.db.read, [classId]),
    todayOf(runtime, staff.schoolId),
    keptCandidates(context, picks),
  ]);
  const place = { classId, grade: ofClass?.grade ?? 0, today, day: dayNumber(today) };
  return shownItems(runtime, await classBeliefs(runtime, place), candidates);
}

/** Draws of one item that are offered in another's place. */
const DRAWS_TO_SWAP = 3;
const swapInput = object({
  classId: string().required(),
  item: keptInput.required(),
  /** Draws that are in the test or were in it, and items that were dropped: none of them comes back. */
  not: array(string().required()).max(1000).default([]),
});

/** What could stand in an item's place: of the same skill, the nearest in difficulty first. */
export async function swapsFor(context: Context, raw: unknown): Promise<TestItem[]> {
  const { classId, item, not } = validated(swapInput, raw);
  const { runtime } = context;
  await demandClasses(context, "see", [classId]);
  const [shelves, [before], [ofClass], today] = await Promise.all([
    shelvesOf(runtime, [item.skillId]),
    keptCandidates(context, [item]),
    classesById(runtime.db.read, [classId]),
    todayOf(runtime, context.actor.schoolId),
  ]);
  const shelf = shelves.get(item.skillId);
  const wanted = before?.parameters.b ?? 0;
  const far = ({ parameters }: { readonly parameters: Candidate["parameters"] }) => Math.abs(parameters.b - wanted);
  // What is in the test comes again, with other numbers, only after everything else.
  const used = new Set([item.itemId, ...not.map((id) => id.slice(0, id.lastIndexOf("#")))]);
  const isUsed = ({ version }: Candidate) => Number(used.has(version.itemId));
  const options = (shelf?.versions ?? []).flatMap((version): Candidate[] => {
    if (not.includes(version.itemId)) return [];
    const draws = (shelf?.pool ?? [])
      .filter(({ versionId, seed }) => versionId === version.id && !not.includes(drawId(version.itemId, seed)))
      .sort((x, y) => far(x) - far(y));
    return draws.slice(0, DRAWS_TO_SWAP).map(({ seed, parameters }) => {
      return { id: drawId(version.itemId, seed), version, skillId: item.skillId, seed, parameters };
    });
  });
  const place = { classId, grade: ofClass?.grade ?? 0, today, day: dayNumber(today) };
  return shownItems(
    runtime,
    await classBeliefs(runtime, place),
    options.sort((x, y) => isUsed(x) - isUsed(y) || far(x) - far(y)).slice(0, MOST_FOUND),
  );
}
