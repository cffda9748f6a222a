import "server-only";
import type { StandardLink, StandardRow } from "../contentTypes";
import { rangeOf } from "./numbers";

/** A standard as an author writes it: its statement, or that with what stands under it. */
export type AuthoredStandard =
  | string
  | {
      /** Its code unless stated. */
      readonly id?: string;
      readonly says: string;
      /** Such as 4..7; told by the code or by what stands under it unless stated. */
      readonly grades?: string;
      readonly under?: Readonly<Record<string, AuthoredStandard>>;
    };

export interface AuthoredFramework {
  readonly framework: {
    readonly id: string;
    readonly title: string;
    readonly version: string;
    readonly language: string;
  };
  /** What the levels of its tree are called, from the top. */
  readonly levels: readonly string[];
  readonly standards: Readonly<Record<string, AuthoredStandard>>;
  /** What is the same as, related to, or part of standards of others. */
  readonly links?: readonly (readonly [string, StandardLink["kind"], string])[];
}

const GRADE_IN_CODE = /(\d+)\./;

/** A framework with its tree written out, each standard after the one it stands under. */
export const frameworkOf = ({ framework, levels, standards, links = [] }: AuthoredFramework) => ({
  framework,
  standards: rowsUnder(standards, levels, 0, null),
  links: links.map(([from, kind, to]) => ({ from, kind, to })),
});

function rowsUnder(
  written: Readonly<Record<string, AuthoredStandard>>,
  levels: readonly string[],
  depth: number,
  parentId: string | null,
): StandardRow[] {
  return Object.entries(written).flatMap(([code, own]) => {
    const { id = code, says, grades, under = {} } = typeof own === "string" ? { says: own } : own;
    const below = rowsUnder(under, levels, depth + 1, id);
    const span = spanOf(code, grades, below);
    const row: StandardRow = {
      id,
      ...(parentId === null ? {} : { parentId }),
      type: levels[depth] ?? "part",
      code,
      statement: says,
      ...span,
    };
    return [row, ...below];
  });
}

function spanOf(code: string, grades: string | undefined, below: readonly StandardRow[]) {
  const own = grades === undefined ? GRADE_IN_CODE.exec(code)?.[1] : undefined;
  if (grades !== undefined) {
    const { from, to } = rangeOf(grades.includes("..") ? grades : `${grades}..${grades}`);
    return { gradeLow: from, gradeHigh: to };
  }
  if (own !== undefined) return { gradeLow: Number(own), gradeHigh: Number(own) };
  const lows = below.flatMap(({ gradeLow }) => gradeLow ?? []);
  const highs = below.flatMap(({ gradeHigh }) => gradeHigh ?? []);
  return lows.length > 0 ? { gradeLow: Math.min(...lows), gradeHigh: Math.max(...highs) } : {};
}
