import type { RowFault } from "@/core/roster/rosterRecord";
import type { RosterRemark } from "@/core/roster/rosterRemark";

/** Of a long cell so much is shown. */
const SHOWN_LETTERS = 80;

/** Notes what is wrong with the rows of one file. */
export const faultNoter =
  (file: string, faults: RowFault[]) =>
  (
    row: number | null,
    column: string | null,
    value: string,
    reason: RosterRemark,
    suggestion: string | null = null,
  ): void => {
    faults.push({ file, row, column, value: value.slice(0, SHOWN_LETTERS), reason, suggestion });
  };
