import type { DrawnExpression, ExpressionResponse } from "./body";

/**
 * As it was typed.
 * @example responseWords({}, { text: "x = 5" }) // "x = 5"
 */
export const responseWords = (_: DrawnExpression, { text }: ExpressionResponse): string => text;
