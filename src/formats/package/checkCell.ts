import { isDay } from "@/core/calendar/isDay";
import { type RosterRemark, remark } from "@/core/roster/rosterRemark";
import type { ColumnKind } from "./oneRosterFiles";

/** Why a cell that is not empty does not fit its column, and what was likely meant. */
export interface CellProblem {
  readonly reason: RosterRemark;
  readonly suggestion: string | null;
}

const GRADES = [
  "IT",
  "PR",
  "PK",
  "TK",
  "KG",
  "01",
  "02",
  "03",
  "04",
  "05",
  "06",
  "07",
  "08",
  "09",
  "10",
  "11",
  "12",
  "13",
  "PS",
  "UG",
  "Other",
];

/** Checks one cell by its column's kind; references are checked once all files are read. Null when it fits. */
export function checkCell(value: string, of: ColumnKind): CellProblem | null {
  switch (of.kind) {
    case "date":
      return isDay(value) ? null : { reason: remark("not-a-date"), suggestion: dayMeant(value) };
    case "instant":
      return /^\d{4}-\d{2}-\d{2}(T[\d:.]+(Z|[+-]\d{2}:?\d{2})?)?$/.test(value) && isDay(value.slice(0, 10))
        ? null
        : { reason: remark("not-a-time"), suggestion: dayMeant(value) };
    case "year":
      return /^(19|20)\d{2}$/.test(value)
        ? null
        : {
            reason: remark("not-a-school-year"),
            suggestion: /(20\d{2})\D*$/.exec(value)?.[1] ?? null,
          };
    case "flag":
      return value === "true" || value === "false"
        ? null
        : {
            reason: remark("not-a-flag"),
            suggestion: /^(1|y|yes|t)$/i.test(value)
              ? "true"
              : /^(0|n|no|f)$/i.test(value)
                ? "false"
                : (lower(value, ["true", "false"]) ?? null),
          };
    case "grades":
      return checkGrades(value);
    case "one-of":
      return of.values.includes(value)
        ? null
        : { reason: remark("not-one-of", { values: of.values }), suggestion: lower(value, of.values) ?? null };
    default:
      return null;
  }
}

function checkGrades(value: string): CellProblem | null {
  const codes = value.split(",").map((code) => code.trim());
  if (codes.every((code) => GRADES.includes(code))) return null;
  const meant = codes.map((code) => {
    const digits = /^(?:grade )?0*(\d{1,2})(?:st|nd|rd|th)?(?: grade)?$/i.exec(code)?.[1];
    const padded = digits?.padStart(2, "0");
    return padded && GRADES.includes(padded)
      ? padded
      : (lower(code, GRADES) ?? (/^k(inder.*)?$/i.test(code) ? "KG" : null));
  });
  const known = meant.every((code) => code !== null);
  return {
    reason: remark("not-grades"),
    suggestion: known ? meant.join(",") : null,
  };
}

/** The allowed value that differs in case and spaces only. */
function lower(value: string, values: readonly string[]): string | undefined {
  const bare = (text: string) => text.toLowerCase().replace(/[\s_-]/g, "");
  return values.find((allowed) => bare(allowed) === bare(value));
}

/** The day that a differently written date must mean; null when day and month could be either. */
function dayMeant(value: string): string | null {
  const [, first, second, year] = /^(\d{1,2})[./-](\d{1,2})[./-](\d{4})$/.exec(value.trim()) ?? [];
  const [, early, month, late] = /^(\d{4})[./](\d{1,2})[./](\d{1,2})$/.exec(value.trim()) ?? [];
  const written = (y: string, m: string, d: string) => {
    const day = `${y}-${m.padStart(2, "0")}-${d.padStart(2, "0")}`;
    return isDay(day) ? day : null;
  };
  if (early && month && late) return written(early, month, late);
  if (!first || !second || !year) return null;
  const [asDayFirst, asMonthFirst] = [written(year, second, first), written(year, first, second)];
  if (asDayFirst && asMonthFirst) return asDayFirst === asMonthFirst ? asDayFirst : null;
  return asDayFirst ?? asMonthFirst;
}
