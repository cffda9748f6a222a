import { groupBy } from "../../collections/groupBy";
import { information } from "../../measurement/information";
import { passageWeight } from "../../measurement/passageEffect";
import { mean } from "../../numeric/mean";
import type { DiagnosticItem, DiagnosticSettings } from "./diagnosticState";
import type { StrandStanding } from "./strandStanding";

/**
 * The item a strand asks for next: in the area that lacks most against the blueprint, drawn among the few with nearly the
 * most information at the present estimate, from items never met of late, within the window and below the exposure cap. After
 * "not learned yet" from a grade lower. When nothing is left the window goes first, then the cap; what the student met of
 * late never comes back. A passage that was begun is asked on until it has its items. Null when the pool has nothing.
 */
export function chooseItem(
  standing: StrandStanding,
  pool: readonly DiagnosticItem[],
  settings: DiagnosticSettings,
  random: () => number,
): DiagnosticItem | null {
  const fresh = freshItems(standing, pool, settings);
  const onward = restOfPassage(standing, fresh, settings);
  if (onward.length > 0) return bestAt(standing, onward);
  const { mean, sd } = standing.strand.prior;
  const inWindow = (item: DiagnosticItem) => Math.abs(item.b - mean) <= settings.windowSd * sd;
  const spared = (item: DiagnosticItem) => item.exposure >= settings.mostExposure;
  const lowered = afterNotLearned(standing, outsideOfRead(standing, fresh));
  for (const allowed of [
    (item: DiagnosticItem) => inWindow(item) && !spared(item),
    (item: DiagnosticItem) => !spared(item),
    () => true,
  ]) {
    const choice = lowered.filter(allowed);
    if (choice.length > 0) return drawAmongBest(choice, standing, settings, random);
  }
  return null;
}

function freshItems(standing: StrandStanding, pool: readonly DiagnosticItem[], settings: DiagnosticSettings) {
  const given = new Set(standing.records.map(({ itemId }) => itemId));
  const { bounds, grades, unseenDays } = settings;
  return pool.filter(
    (item) =>
      item.strandId === standing.strand.id &&
      standing.strand.blueprint[item.area] !== undefined &&
      !given.has(item.id) &&
      (item.seenDaysAgo === null || item.seenDaysAgo >= unseenDays) &&
      (bounds === null || (item.b >= bounds.low && item.b <= bounds.high)) &&
      (grades === null || (item.grade >= grades.lowest && item.grade <= grades.highest)),
  );
}

/** Items left of the passage that the last item hung on, unless it has had its number. */
function restOfPassage(
  { records }: StrandStanding,
  fresh: readonly DiagnosticItem[],
  { itemsOfPassage }: DiagnosticSettings,
): DiagnosticItem[] {
  const last = records.at(-1);
  const passageId = last?.passageId;
  // Who sets an item aside is not held at its passage.
  if (passageId === undefined || last?.outcome === "not-learned") return [];
  const asked = records.filter((record) => record.passageId === passageId).length;
  return asked >= itemsOfPassage ? [] : fresh.filter((item) => item.passageId === passageId);
}

/** A passage that was left is not opened again. */
function outsideOfRead({ records }: StrandStanding, items: readonly DiagnosticItem[]): readonly DiagnosticItem[] {
  const read = new Set(records.flatMap(({ passageId }) => passageId ?? []));
  return read.size === 0 ? items : items.filter(({ passageId }) => passageId === undefined || !read.has(passageId));
}

function bestAt({ ability }: StrandStanding, items: readonly DiagnosticItem[]): DiagnosticItem | null {
  let [best, most]: [DiagnosticItem | null, number] = [null, Number.NEGATIVE_INFINITY];
  for (const item of items) {
    const value = information(ability.theta, item);
    if (value > most) [best, most] = [item, value];
  }
  return best;
}

/** After an item set aside as not learned, the highest grade below its own that has items; all items otherwise. */
function afterNotLearned(standing: StrandStanding, items: readonly DiagnosticItem[]): readonly DiagnosticItem[] {
  const last = standing.records.at(-1);
  if (last?.outcome !== "not-learned") return items;
  const lower = items.filter(({ grade }) => grade < last.grade);
  const step = Math.max(...lower.map(({ grade }) => grade));
  return lower.length > 0 ? lower.filter(({ grade }) => grade === step) : items;
}

function drawAmongBest(
  items: readonly DiagnosticItem[],
  standing: StrandStanding,
  { randomAmong, nearBest, itemsOfPassage }: DiagnosticSettings,
  random: () => number,
): DiagnosticItem | null {
  const worthOfPassage = worthOfPassages(items, standing.ability.theta, itemsOfPassage);
  const area = areaInNeed(standing, new Set(items.map((item) => item.area)));
  const best: { item: DiagnosticItem; value: number }[] = [];
  for (const item of items) {
    if (item.area !== area) continue;
    const value =
      item.passageId === undefined
        ? information(standing.ability.theta, item)
        : (worthOfPassage.get(item.passageId) ?? 0);
    const last = best.at(-1);
    if (best.length === randomAmong && last && value <= last.value) continue;
    const place = best.findIndex((other) => other.value < value);
    best.splice(place === -1 ? best.length : place, 0, { item, value });
    if (best.length > randomAmong) best.pop();
  }
  // Drawing among all five would cost a fifth of the information in a small area.
  const near = best.filter(({ value }) => value >= nearBest * (best[0]?.value ?? 0));
  return near[Math.floor(random() * near.length)]?.item ?? null;
}

const hangsOnPassage = (item: DiagnosticItem): item is DiagnosticItem & { readonly passageId: string } =>
  item.passageId !== undefined;

/** What an item of each passage tells in the mean of those that would be asked, the passage's own share of what they tell taken off. */
function worthOfPassages(items: readonly DiagnosticItem[], theta: number, asked: number): ReadonlyMap<string, number> {
  const byPassage = groupBy(items.filter(hangsOnPassage), ({ passageId }) => passageId);
  return new Map(
    [...byPassage].map(([id, members]) => {
      const best = members
        .map((item) => information(theta, item))
        .sort((x, y) => y - x)
        .slice(0, asked);
      return [id, mean(best.map((value, n) => value * passageWeight(n + 1, value)))];
    }),
  );
}

/** The area with the largest shortfall against its share of the items so far and the next one (Kingsbury & Zara 1991). */
function areaInNeed({ strand, records }: StrandStanding, available: ReadonlySet<string>): string | null {
  const total = Object.values(strand.blueprint).reduce((sum, share) => sum + share, 0);
  let [worst, largest]: [string | null, number] = [null, Number.NEGATIVE_INFINITY];
  for (const [area, share] of Object.entries(strand.blueprint)) {
    if (!available.has(area)) continue;
    const given = records.filter((record) => record.area === area).length;
    const shortfall = (share / total) * (records.length + 1) - given;
    if (shortfall > largest) [worst, largest] = [area, shortfall];
  }
  return worst;
}
