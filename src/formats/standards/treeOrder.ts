import { groupBy } from "@/core/collections/groupBy";
import type { StandardRecord } from "./standardsPackage";

/**
 * Standards in the order of their tree, each after the one it stands under; of one parent by their sequence, then as they came. Or the identifiers
 * of those that stand under themselves.
 * @example treeOrder([], () => 0) // { standards: [] }
 */
export function treeOrder(
  items: readonly StandardRecord[],
  sequenceOf: (caseId: string) => number,
): { readonly standards: readonly StandardRecord[] } | { readonly circular: readonly string[] } {
  const children = groupBy(items, ({ parentCaseId }) => parentCaseId);
  const standards: StandardRecord[] = [];
  // Deep trees are walked with a list of our own: a call for each level could run out of stack.
  const ahead = [...sorted(children.get(null) ?? [], sequenceOf)].reverse();
  for (let item = ahead.pop(); item !== undefined; item = ahead.pop()) {
    standards.push(item);
    ahead.push(...[...sorted(children.get(item.caseId) ?? [], sequenceOf)].reverse());
  }
  if (standards.length === items.length) return { standards };
  const reached = new Set(standards.map(({ caseId }) => caseId));
  return { circular: items.map(({ caseId }) => caseId).filter((caseId) => !reached.has(caseId)) };
}

function sorted(items: readonly StandardRecord[], sequenceOf: (caseId: string) => number): StandardRecord[] {
  return items
    .map((item, came) => ({ item, came, sequence: sequenceOf(item.caseId) }))
    .sort((x, y) => (x.sequence === y.sequence ? x.came - y.came : x.sequence < y.sequence ? -1 : 1))
    .map(({ item }) => item);
}
