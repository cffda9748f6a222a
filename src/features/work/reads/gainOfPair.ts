import "server-only";
import { errorOfMarks } from "@/core/measurement/errorOfMarks";
import { gain } from "@/core/measurement/gain";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import type { PartRow } from "@/db/queries/work";
import type { OwnPart } from "@/server/classroom/partsOfTargets";
import type { GainView } from "../types";

/** What came of a test before and one after: for each who has both, and for the class with its interval. Null for work that is no such pair. */
export function gainOfPair(parts: readonly PartRow[], own: ReadonlyMap<string, readonly OwnPart[]>): GainView | null {
  const tests = parts.filter(({ kind }) => conductorOf(kind).standsWhole);
  const [before, after] = tests;
  if (tests.length !== 2 || !before || !after) return null;
  const markOf = (of: readonly OwnPart[], part: PartRow): number | null =>
    of.find((one) => one.part.id === part.id)?.mark?.valueOf() ?? null;
  const begun = [...own].map(([targetId, of]) => ({ targetId, pre: markOf(of, before), post: markOf(of, after) }));
  const both = begun.flatMap(({ targetId, pre, post }) =>
    pre === null || post === null ? [] : [{ targetId, pre, post }],
  );
  const error = (part: PartRow, marks: readonly number[]) =>
    part.settings.items < 2 ? 0 : errorOfMarks(marks, part.settings.items);
  const pre = both.map((one) => one.pre);
  const post = both.map((one) => one.post);
  const found = gain(pre, post, { semPre: error(before, pre), semPost: error(after, post), maximum: 1 });
  return {
    students: new Map(
      both.map(({ targetId }, place) => {
        const { difference = 0, change = "within-error" } = found.students[place] ?? {};
        return [targetId, { points: Math.round(difference * 100), change }] as const;
      }),
    ),
    both: both.length,
    onlyBefore: begun.filter((one) => one.pre !== null && one.post === null).length,
    onlyAfter: begun.filter((one) => one.pre === null && one.post !== null).length,
    before: percentOf(pre),
    after: percentOf(post),
    points: found.class ? Math.round(found.class.difference * 100) : null,
    interval: found.class?.interval
      ? { low: Math.round(found.class.interval.low * 100), high: Math.round(found.class.interval.high * 100) }
      : null,
  };
}

const percentOf = (marks: readonly number[]): number | null =>
  marks.length === 0 ? null : Math.round((100 * marks.reduce((sum, mark) => sum + mark, 0)) / marks.length);
