import { idsInCircles } from "./idsInCircles";
import type { IncomingRecord, RosterRecord } from "./rosterRecord";

/**
 * Tells of the rows of one file whether their parents, as they would be once the whole file is in, lead back to themselves. A
 * file that is sound in itself can close a circle with what is known already.
 * @example circleFinder([{ file: "orgs", key: "a", values: { parentSourcedId: "a" } }], [])({ file: "orgs", key: "a", values: {} }) // true
 */
export function circleFinder(
  known: readonly RosterRecord[],
  coming: readonly IncomingRecord[],
): (record: RosterRecord) => boolean {
  const parents = new Map<string, string>();
  for (const { key, values } of [...known, ...coming])
    if (values.parentSourcedId) parents.set(key, values.parentSourcedId);
  const inCircle = idsInCircles(parents);
  return ({ key }) => inCircle.has(key);
}
