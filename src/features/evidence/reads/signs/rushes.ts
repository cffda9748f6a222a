import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import { effort } from "@/core/measurement/effort";
import { rushedTest } from "@/core/measurement/rushedTest";
import { median } from "@/core/numeric/median";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import type { RunBetween, TriedItem } from "@/db/queries/weeks";
import { drawerOf } from "@/server/library/drawnItems";
import type { Runtime } from "@/server/runtime/runtime";
import type { RushSign } from "../../signTypes";
import { expectedOf } from "../expectedOf";
import { type AroundRuns, ofRun } from "./around";

/** Effort under which a run says little of what its student can do (Wise & Kong 2005), once so many answers were rapid. */
const LEAST_EFFORT = 0.9;
const LEAST_RAPID = 4;

/** Runs that were rushed: as a whole, for a test, or in many of their answers. */
export async function rushesOf(runtime: Runtime, tried: readonly TriedItem[], around: AroundRuns): Promise<RushSign[]> {
  const drawer = await drawerOf(
    runtime,
    tried.map(({ versionId }) => versionId),
  );
  const grades = new Map(around.frame.skills.map(({ id, grade }) => [id, grade]));
  // How long the words of an item are hangs little on its draw.
  const expected = new Map<string, number>();
  for (const { versionId, skillId } of tried)
    if (!expected.has(versionId)) {
      const item = drawer.drawIfKnown({ versionId, seed: 0, context: "", optionOrder: null });
      expected.set(versionId, expectedOf(item, grades.get(skillId) ?? null));
    }
  const timed = groupBy(tried, ({ sittingId }) => sittingId);
  const medians = new Map(
    [...groupBy(tried, ({ versionId }) => versionId)].map(([id, own]) => [id, median(own.map(secondsOf))]),
  );
  const totals = new Map(
    [...groupBy(around.runs, ({ partId }) => partId)].map(([partId, runs]) => [
      partId,
      runs.map(({ id }) => total(timed.get(id) ?? [])),
    ]),
  );
  const isRushed = (run: RunBetween, own: readonly TriedItem[], rapid: number) =>
    (rapid >= LEAST_RAPID && 1 - rapid / own.length < LEAST_EFFORT) ||
    (conductorOf(run.kind).standsWhole &&
      rushedTest(
        total(own),
        totals.get(run.partId) ?? [],
        own.reduce((sum, { versionId }) => sum + (expected.get(versionId) ?? 0), 0),
      ) !== null);
  return around.runs.flatMap((run): RushSign[] => {
    const own = timed.get(run.id) ?? [];
    const of = ofRun(run, around);
    // What was typed in from paper has no time of its own.
    if (!of || own.length === 0 || conductorOf(run.kind).onPaper) return [];
    const found = effort(
      own.map((item) => ({
        seconds: secondsOf(item),
        itemMedianSeconds: medians.get(item.versionId) ?? 0,
        itemExpectedSeconds: expected.get(item.versionId) ?? 0,
      })),
    );
    const rapid = "noEstimate" in found ? 0 : found.rapid.filter(Boolean).length;
    if (!isRushed(run, own, rapid)) return [];
    return [{ ...of, seconds: Math.round(total(own)), rapid, answers: own.length }];
  });
}

const secondsOf = ({ milliseconds }: TriedItem): number => milliseconds / 1000;
const total = (own: readonly TriedItem[]): number => own.reduce((sum, item) => sum + secondsOf(item), 0);
