import type { Relation } from "./node";

/** Each relation as it reads with its sides exchanged, or after both are multiplied by a negative number. */
export const TURNED: Readonly<Record<Relation, Relation>> = { "=": "=", "<": ">", "<=": ">=", ">": "<", ">=": "<=" };
