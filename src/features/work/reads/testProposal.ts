import "server-only";
import { array, boolean, number, object, string } from "yup";
import { buildForms } from "@/core/assembly/buildForms";
import type { Conflict } from "@/core/assembly/explainConflict";
import type { AssemblyItem, FormProblem } from "@/core/assembly/formProblem";
import { formsGreedily } from "@/core/assembly/formsGreedily";
import { TEST_LEVELS, testProblem } from "@/core/assembly/testProblem";
import { dayNumber } from "@/core/calendar/dayNumber";
import { seededRandom } from "@/core/numeric/seededRandom";
import { pairsAmong } from "@/db/queries/itemEnemies";
import { classesById } from "@/db/queries/people";
import { demandClasses } from "@/server/access/subjects";
import { libraryOf } from "@/server/library/library";
import { type Shelf, shelvesOf } from "@/server/library/shelf";
import type { Context } from "@/server/runtime/context";

import { todayOf } from "@/server/runtime/school";
import { validated } from "@/server/runtime/validated";
import type { TestProposal } from "../testTypes";
import { type Candidate, classBeliefs, drawId, groupAbility, shownItems } from "./testItems";
import { keptCandidates, keptInput } from "./testPicks";

const MOST_SKILLS = 30;
const MOST_EACH = 20;
const MOST_ITEMS = 60;
/** How long a better form is searched for. */
const SEARCH_SECONDS = 2;

export const wishesInput = object({
  classId: string().required(),
  counts: array(object({ skillId: string().required(), items: number().integer().min(0).max(MOST_EACH).required() }))
    .min(1, "Choose a standard first.")
    .max(MOST_SKILLS, `A test goes over at most ${MOST_SKILLS} skills.`)
    .required(),
  forms: number().integer().min(1).max(2).default(1),
  level: string().oneOf(TEST_LEVELS).default("usual"),
  /** Kinds of items; empty for all. */
  kinds: array(string().required()).max(30).default([]),
  /** The same number proposes the same draws. */
  seed: number().integer().min(0).required(),
  /** Items that stay, by form. */
  kept: array(keptInput)
    .max(MOST_ITEMS * 2)
    .default([]),
  /** Items that were dropped or swapped away. */
  leftOut: array(string().required()).max(500).default([]),
  /** Search for the best instead of taking the first that will do. */
  search: boolean().default(false),
});

/** Proposes a test, or two equivalent forms of one: so many items of each skill, as telling as can be, with what it will show. */
export async function proposeTest(context: Context, raw: unknown): Promise<TestProposal> {
  const wishes = validated(wishesInput, raw);
  const { runtime, actor } = context;
  await demandClasses(context, "see", [wishes.classId]);
  const skillIds = wishes.counts.map(({ skillId }) => skillId);
  const [library, today, [ofClass]] = await Promise.all([
    libraryOf(runtime),
    todayOf(runtime, actor.schoolId),
    classesById(runtime.db.read, [wishes.classId]),
  ]);
  for (const id of skillIds) library.skill(id);
  const place = { classId: wishes.classId, grade: ofClass?.grade ?? 0, today, day: dayNumber(today) };
  const [shelves, beliefs] = await Promise.all([shelvesOf(runtime, skillIds), classBeliefs(runtime, place)]);
  const random = seededRandom(`test ${wishes.seed}`);
  const stock = [...shelves.values()].flatMap((shelf) => {
    const items = wishes.counts.find(({ skillId }) => skillId === shelf.skillId)?.items ?? 0;
    return drawsOf(shelf, { ...wishes, items }, random);
  });
  const all = await keptCandidates(context, wishes.kept);
  const kept = all.filter(({ skillId }) => skillIds.includes(skillId));
  const candidates = [...kept, ...stock.filter(({ id }) => !kept.some((one) => one.id === id))];
  const { counts, short } = withinReach(wishes, candidates, kept);
  const problem = testProblem(await assemblyItems(context, candidates), {
    ...wishes,
    counts: counts.map((one) => ({
      ...one,
      difficulty: library.skill(one.skillId).difficulty,
      mostOfOne: mostOfOne(one.items, shelves.get(one.skillId), wishes),
    })),
    lockedIn: kept.map(({ id }) => id),
    leftOut: wishes.leftOut.filter(
      (id) => candidates.some((one) => one.id === id) && !kept.some((one) => one.id === id),
    ),
  });
  const group = groupAbility(beliefs, skillIds);
  const found = await solved(runtime, problem, wishes.search);
  const byId = new Map(candidates.map((one) => [one.id, one]));
  // What was added by hand of other standards stands behind what was proposed.
  const beside = (place: number) =>
    all.filter((one) => {
      const asked = wishes.kept.find(({ itemId, seed }) => drawId(itemId, seed) === one.id);
      return !skillIds.includes(one.skillId) && asked?.form === LETTERS[place];
    });
  const forms = await Promise.all(
    inLetters(found.forms, wishes.kept).map((ids, place) => {
      const proposed = inOrder(
        ids.flatMap((id) => byId.get(id) ?? []),
        skillIds,
      );
      return shownItems(runtime, beliefs, [...proposed, ...beside(place)]);
    }),
  );
  return {
    forms,
    quality: found.quality,
    problems: [
      ...short.map(
        ({ skillId, wanted, items }) =>
          `${wanted} items of “${library.skill(skillId).name}” can't be had${wishes.kinds.length > 0 ? " of these kinds" : ""}; ${items} can.`,
      ),
      ...found.conflicts.flatMap((conflict) => conflictWords(conflict, (id) => library.skill(id).name, byId) ?? []),
    ],
    group,
    cut: problem.cut,
    available: Object.fromEntries(
      skillIds.map((id) => [
        id,
        new Set(stock.filter((one) => one.skillId === id).map(({ version }) => version.itemId)).size,
      ]),
    ),
  };
}

/** Which of a skill's items may be used. */
interface Usable {
  /** Empty for all. */
  readonly kinds: readonly string[];
  readonly leftOut: readonly string[];
}

const usableOf = (shelf: Shelf, { kinds, leftOut }: Usable) =>
  shelf.versions.filter(({ itemId, body: { parts } }) => {
    const [first] = parts;
    const isOfKind = kinds.length === 0 || kinds.includes(parts.length === 1 && first ? first.kind : "several");
    return isOfKind && !leftOut.includes(itemId);
  });

/** How often one item may come in a form, each time with other numbers: no more often than there are too few for the skill. */
const mostOfOne = (items: number, shelf: Shelf | undefined, usable: Usable): number =>
  Math.max(1, Math.ceil(items / Math.max(1, shelf ? usableOf(shelf, usable).length : 1)));

/** Draws to choose from beyond those that are needed. */
const SPARE_DRAWS = 1;

/** Draws of a skill's items to choose from, with numbers spread over all that the item can show. */
function drawsOf(
  shelf: Shelf,
  wishes: Usable & { readonly forms: number; readonly items: number },
  random: () => number,
): Candidate[] {
  const wanted = mostOfOne(wishes.items, shelf, wishes) * wishes.forms + SPARE_DRAWS;
  return usableOf(shelf, wishes).flatMap((version): Candidate[] => {
    const pool = shelf.pool.filter(({ versionId }) => versionId === version.id);
    const first = Math.floor(random() * pool.length);
    const step = Math.max(1, Math.floor(pool.length / wanted));
    const places = [
      ...new Set(Array.from({ length: wanted }, (_, n) => (first + n * step) % Math.max(1, pool.length))),
    ];
    return places.flatMap((at) => {
      const draw = pool[at];
      if (!draw) return [];
      const { seed, parameters } = draw;
      return [{ id: drawId(version.itemId, seed), version, skillId: shelf.skillId, seed, parameters }];
    });
  });
}

/** Numbers of items that can be had; where fewer can than were wished, how many. */
function withinReach(
  { counts, forms }: { readonly counts: readonly { skillId: string; items: number }[]; readonly forms: number },
  candidates: readonly Candidate[],
  kept: readonly Candidate[],
) {
  const reached = counts.map(({ skillId, items: wanted }) => {
    const there = Math.floor(candidates.filter((one) => one.skillId === skillId).length / forms);
    // What is held counts, also where it is more than was wished.
    const held = Math.ceil(kept.filter((one) => one.skillId === skillId).length / forms);
    return { skillId, wanted, items: Math.max(held, Math.min(wanted, there)) };
  });
  return { counts: reached, short: reached.filter(({ wanted, items }) => items < wanted) };
}

/** Candidates as the model sees them: the kind is the item, so that it is known how often one comes. */
async function assemblyItems({ runtime }: Context, candidates: readonly Candidate[]): Promise<AssemblyItem[]> {
  const pairs = await pairsAmong(runtime.db.read, [...new Set(candidates.map(({ version }) => version.itemId))]);
  const apart = pairs.filter((pair) => pair.apart);
  return candidates.map(({ id, version, skillId, parameters }): AssemblyItem => {
    const enemies = new Set(
      apart.flatMap(({ itemId, enemyId }) =>
        itemId === version.itemId ? [enemyId] : enemyId === version.itemId ? [itemId] : [],
      ),
    );
    return {
      id,
      ...parameters,
      standardId: skillId,
      // Nothing is wished by depth here.
      depth: 1,
      kind: version.itemId,
      passageId: version.passageId ?? null,
      enemyIds: candidates
        .filter((other) => other.id !== id && enemies.has(other.version.itemId))
        .map((other) => other.id),
    };
  });
}

const LETTERS = ["A", "B"];

interface Solved {
  readonly forms: readonly (readonly string[])[];
  readonly quality: TestProposal["quality"];
  readonly conflicts: readonly Conflict[];
}

async function solved(runtime: Context["runtime"], problem: FormProblem, search: boolean): Promise<Solved> {
  if (problem.length === 0) return { forms: [], quality: "none", conflicts: [] };
  const quick = search ? null : formsGreedily(problem);
  if (quick) return { forms: quick.map((form) => form.map(({ id }) => id)), quality: "quick", conflicts: [] };
  const found = await buildForms(problem, runtime.solve, SEARCH_SECONDS);
  if (found.status === "built")
    return {
      forms: found.forms.map(({ itemIds }) => itemIds),
      quality: found.quality === "greedy" ? "quick" : found.quality,
      conflicts: [],
    };
  return { forms: [], quality: "none", conflicts: found.status === "impossible" ? found.conflicts : [] };
}

/** Forms by their letters: the one that holds more of what was kept in A is A. */
function inLetters(
  forms: readonly (readonly string[])[],
  kept: readonly { readonly form: string; readonly itemId: string; readonly seed: number }[],
): readonly (readonly string[])[] {
  const ofA = kept.filter(({ form }) => form === "A").map(({ itemId, seed }) => drawId(itemId, seed));
  const held = (form: readonly string[] | undefined) => (form ?? []).filter((id) => ofA.includes(id)).length;
  return held(forms[1]) > held(forms[0]) ? [...forms].reverse() : forms;
}

/** By skill, in the order in which the skills were chosen, easy items first: a test begins with what can be done. */
function inOrder(items: readonly Candidate[], skillIds: readonly string[]): Candidate[] {
  return [...items].sort(
    (x, y) => skillIds.indexOf(x.skillId) - skillIds.indexOf(y.skillId) || x.parameters.b - y.parameters.b,
  );
}

function conflictWords(
  { wish, nearest }: Conflict,
  skillName: (id: string) => string,
  byId: ReadonlyMap<string, Candidate>,
): string | null {
  switch (wish.kind) {
    case "length":
      return `${wish.wanted} items can't be brought together; ${nearest} can.`;
    case "count":
      // How often an item comes is no wish of a teacher.
      return wish.wish.standardId === undefined
        ? null
        : `${wish.wanted} items of “${skillName(wish.wish.standardId)}” can't be had beside the rest; ${nearest} can.`;
    case "locked-in":
      return `One of the items that you hold on to does not fit with the rest: ${byId.get(wish.itemId)?.version.itemId ?? ""}.`;
  }
}
