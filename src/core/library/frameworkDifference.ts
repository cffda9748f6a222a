/** A standard as it is compared; `parent` is the identifier of what it stands under, null at the top. */
export interface ComparedStandard {
  readonly caseId: string;
  readonly parentCaseId: string | null;
  readonly type: string;
  readonly code: string;
  readonly statement: string;
  readonly gradeLow: number | null;
  readonly gradeHigh: number | null;
}

export type StandardField = "code" | "statement" | "type" | "grades" | "parent";

export interface StandardChange {
  readonly what: "added" | "changed" | "gone";
  readonly caseId: string;
  readonly code: string;
  readonly statement: string;
  /** What differs of a standard that is in both. */
  readonly fields: readonly StandardField[];
  /** How it read before; null for one that was not there. */
  readonly before: { readonly code: string; readonly statement: string } | null;
}

/**
 * What an edition of a framework changes in what is known of it, standard by standard, told apart by their identifiers: the new edition in its
 * order, then what is gone from it. What stays the same, and where only the order differs, is left out.
 * @example frameworkDifference([], [{ caseId: "a", parentCaseId: null, type: "", code: "R.1", statement: "Compare.", gradeLow: 6, gradeHigh: 6 }])[0]?.what // "added"
 */
export function frameworkDifference(
  known: readonly ComparedStandard[],
  incoming: readonly ComparedStandard[],
): StandardChange[] {
  const knownById = new Map(known.map((standard) => [standard.caseId, standard]));
  const coming = new Set(incoming.map(({ caseId }) => caseId));
  const changes = incoming.flatMap((standard): StandardChange[] => {
    const { caseId, code, statement } = standard;
    const old = knownById.get(caseId);
    if (!old) return [{ what: "added", caseId, code, statement, fields: [], before: null }];
    const fields = fieldsThatDiffer(old, standard);
    const before = { code: old.code, statement: old.statement };
    return fields.length === 0 ? [] : [{ what: "changed", caseId, code, statement, fields, before }];
  });
  const gone = known
    .filter(({ caseId }) => !coming.has(caseId))
    .map(({ caseId, code, statement }): StandardChange => {
      return { what: "gone", caseId, code, statement, fields: [], before: { code, statement } };
    });
  return [...changes, ...gone];
}

function fieldsThatDiffer(old: ComparedStandard, now: ComparedStandard): StandardField[] {
  const differs: readonly (readonly [StandardField, boolean])[] = [
    ["code", old.code !== now.code],
    ["statement", old.statement !== now.statement],
    ["type", old.type !== now.type],
    ["grades", old.gradeLow !== now.gradeLow || old.gradeHigh !== now.gradeHigh],
    ["parent", old.parentCaseId !== now.parentCaseId],
  ];
  return differs.flatMap(([field, isOther]) => (isOther ? [field] : []));
}
