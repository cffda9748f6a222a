import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import { type ComparedForms, compareForms, equatedShare } from "@/core/measurement/compareForms";
import { errorOfMarks } from "@/core/measurement/errorOfMarks";
import { expectedScore } from "@/core/measurement/expectedScore";
import { gain } from "@/core/measurement/gain";
import type { ItemParameters } from "@/core/measurement/item";
import { distribution } from "@/core/numeric/distribution";
import { mean } from "@/core/numeric/mean";
import { sampleVariance } from "@/core/numeric/sampleVariance";
import { whyGain } from "@/core/why/whyGain";
import { shownInPart } from "@/db/queries/pieces";
import { type Library, libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import type { Search } from "../frame/frameParams";
import type { GainStandard, GainTest, GainView } from "../gainTypes";
import type { ReportFrame } from "./frame";
import { type FrameTest, itemsOfTest, testsOfFrame } from "./testsOfFrame";

const LEVEL = 0.95;
/** Of a share, to see how much an error grows or shrinks where marks are equated. */
const STEP = 0.05;

/** What was gained from one test to another, for each who wrote both, for the class, and by standard. */
export async function gainReport(context: Context, frame: ReportFrame, search: Search): Promise<GainView> {
  const { runtime, actor } = context;
  const tests = await testsOfFrame(runtime, frame);
  const { pre, post } = pairOf(tests, search);
  const listed = tests.map(testView);
  const none = { tests: listed, forms: null, class: null, students: [], onlyBefore: [], onlyAfter: [], standards: [] };
  if (!pre || !post)
    return { ...none, pre: pre ? testView(pre) : null, post: post ? testView(post) : null, leadSkillId: null };
  const [before, after, library] = await Promise.all([
    itemsOfTest(runtime, pre),
    itemsOfTest(runtime, post),
    libraryOf(runtime),
  ]);
  const [first, second] = [before.map((item) => item.parameters), after.map((item) => item.parameters)];
  const around = first.length === 0 ? 0 : mean([...first, ...second].map(({ b }) => b));
  const forms = first.length === 0 || second.length === 0 ? null : compareForms(first, second, around);
  const both = frame.students.filter(({ id }) => pre.marks.has(id) && post.marks.has(id));
  const asMarked = both.map(({ id }) => pre.marks.get(id)?.valueOf() ?? 0);
  const { shares, slope } = onSecond(asMarked, first, second, forms);
  const posts = both.map(({ id }) => post.marks.get(id)?.valueOf() ?? 0);
  const error = (marks: readonly number[], { part }: FrameTest) =>
    part.settings.items < 2 ? 0 : errorOfMarks(marks, part.settings.items);
  const found = gain(shares, posts, { semPre: slope * error(asMarked, pre), semPost: error(posts, post), maximum: 1 });
  const some = (of: FrameTest, other: FrameTest) =>
    frame.students.filter(({ id }) => of.marks.has(id) && !other.marks.has(id)).map(({ id, name }) => ({ id, name }));
  return {
    tests: listed,
    pre: testView(pre),
    post: testView(post),
    forms,
    class: found.class,
    students: both.flatMap(({ id, name }, place) => {
      const own = found.students[place];
      if (!own) return [];
      const { difference, low, high, change, normalised } = own;
      // Said in points of 100, as marks are.
      const why = whyGain({ ...own, difference: 100 * difference, high: 100 * high });
      return [
        {
          id,
          name,
          before: shares[place] ?? 0,
          after: posts[place] ?? 0,
          beforeAsMarked: asMarked[place] ?? 0,
          difference,
          low,
          high,
          change,
          normalised,
          why,
        },
      ];
    }),
    onlyBefore: some(pre, post),
    onlyAfter: some(post, pre),
    standards: await byStandard(context, { pre, post, before, after, around, library, schoolId: actor.schoolId }, both),
    leadSkillId: after[0]?.skillId ?? null,
  };
}

const testView = ({ part, words, marks }: FrameTest): GainTest => ({ partId: part.id, words, marks: marks.size });

/** The tests named in the address; else the two of the latest work that has two, or the first and the last. */
function pairOf(tests: readonly FrameTest[], search: Search) {
  const named = (value: Search[string]) => tests.find(({ part }) => part.id === value);
  const pairs = tests.filter((test) => tests.some((one) => one !== test && one.part.workId === test.part.workId));
  const work = pairs.at(-1)?.part.workId;
  const own = tests.filter(({ part }) => part.workId === work);
  const usual = work === undefined ? [tests[0], tests.at(-1)] : [own[0], own.at(-1)];
  const pre = named(search.pre) ?? usual[0];
  const post = named(search.post) ?? usual[1];
  return { pre, post: post === pre ? undefined : post };
}

/** The first test's shares on the second's footing, and by how much that stretches an error. */
function onSecond(
  shares: readonly number[],
  first: readonly ItemParameters[],
  second: readonly ItemParameters[],
  forms: ComparedForms | null,
): { readonly shares: readonly number[]; readonly slope: number } {
  if (forms?.basis !== "equated" || shares.length === 0) return { shares, slope: 1 };
  const equated = (share: number) => equatedShare(Math.min(1, Math.max(0, share)), first, second);
  const middle = mean(shares);
  return {
    shares: shares.map(equated),
    slope: (equated(middle + STEP) - equated(middle - STEP)) / (2 * STEP),
  };
}

interface Pair {
  readonly pre: FrameTest;
  readonly post: FrameTest;
  readonly before: readonly { readonly skillId: string; readonly parameters: ItemParameters }[];
  readonly after: readonly { readonly skillId: string; readonly parameters: ItemParameters }[];
  readonly around: number;
  readonly library: Library;
  readonly schoolId: string;
}

/** The gain by standard: each student's share right in both, less what the items alone make of it. */
async function byStandard(
  { runtime }: Context,
  pair: Pair,
  both: readonly { readonly id: string }[],
): Promise<GainStandard[]> {
  const skills = new Map(pair.library.skillsAt(pair.schoolId).map((skill) => [skill.id, skill]));
  const standardsOf = (skillId: string) => {
    const skill = skills.get(skillId);
    const own = skill?.standards ?? [];
    return own.length > 0 ? own : [{ id: skillId, code: "", statement: skill?.name ?? "" }];
  };
  const sharesOf = async (test: FrameTest) => {
    const targets = both.flatMap(({ id }) => test.targets.get(id)?.targetId ?? []);
    const rows = (await shownInPart(runtime.db.read, test.part.id, targets)).filter(
      ({ earned, setAside }) => earned !== null && !setAside,
    );
    const each = rows.flatMap((row) => standardsOf(row.skillId).map((standard) => ({ standard, row })));
    return new Map(
      [...groupBy(each, ({ standard }) => standard.id)].map(([id, own]) => [
        id,
        new Map(
          [...groupBy(own, ({ row }) => row.personId)].map(([personId, answers]) => [
            personId,
            answers.filter(({ row }) => row.earned === row.possible).length / answers.length,
          ]),
        ),
      ]),
    );
  };
  const [first, second] = await Promise.all([sharesOf(pair.pre), sharesOf(pair.post)]);
  const named = new Map(
    [...pair.before, ...pair.after].flatMap(({ skillId }) =>
      standardsOf(skillId).map((standard) => [standard.id, { ...standard, skillId }] as const),
    ),
  );
  const expected = (items: Pair["before"], id: string) => {
    const own = items.filter(({ skillId }) => standardsOf(skillId).some((standard) => standard.id === id));
    if (own.length === 0) return null;
    return (
      expectedScore(
        pair.around,
        own.map(({ parameters }) => parameters),
      ) / own.length
    );
  };
  return [...named.values()].flatMap(({ id, code, statement, skillId }): GainStandard[] => {
    const pairs = both.flatMap((student) => {
      const [before, after] = [first.get(id)?.get(student.id), second.get(id)?.get(student.id)];
      return before === undefined || after === undefined ? [] : [{ before, after }];
    });
    if (pairs.length === 0) return [];
    const byItems = (expected(pair.after, id) ?? 0) - (expected(pair.before, id) ?? 0);
    const differences = pairs.map(({ before, after }) => after - before);
    const gained = mean(differences) - byItems;
    const half =
      pairs.length < 2
        ? null
        : distribution.studentQuantile(1 - (1 - LEVEL) / 2, pairs.length - 1) *
          Math.sqrt(sampleVariance(differences) / pairs.length);
    return [
      {
        id,
        code,
        words: statement,
        skillId,
        before: mean(pairs.map(({ before }) => before)),
        after: mean(pairs.map(({ after }) => after)),
        byItems,
        gained,
        low: half === null ? null : gained - half,
        high: half === null ? null : gained + half,
        n: pairs.length,
      },
    ];
  });
}
