import { information } from "../../measurement/information";
import type { DiagnosticItem, DiagnosticSettings } from "./diagnosticState";
import type { StrandStanding } from "./strandStanding";

/**
 * The item a strand asks for next: in the area that lacks most against the blueprint, drawn among the few with nearly the
 * most information at the present estimate, from items never met of late, within the window and below the exposure cap. After
 * "not learned yet" from a grade lower. When nothing is left the window goes first, then the cap; what the student met of
 * late never comes back. Null when the pool has nothing.
 */
export function chooseItem(
  standing: StrandStanding,
  pool: readonly DiagnosticItem[],
  settings: DiagnosticSettings,
  random: () => number,
): DiagnosticItem | null {
  const fresh = freshItems(standing, pool, settings);
  const { mean, sd } = standing.strand.prior;
  const inWindow = (item: DiagnosticItem) => Math.abs(item.b - mean) <= settings.windowSd * sd;
  const spared = (item: DiagnosticItem) => item.exposure >= settings.mostExposure;
  const lowered = afterNotLearned(standing, fresh);
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
  { randomAmong, nearBest }: DiagnosticSettings,
  random: () => number,
): DiagnosticItem | null {
  const area = areaInNeed(standing, new Set(items.map((item) => item.area)));
  const best: { item: DiagnosticItem; value: number }[] = [];
  for (const item of items) {
    if (item.area !== area) continue;
    const value = information(standing.ability.theta, item);
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
