import type { DrawnShading, ShadingResponse } from "./body";

/** Shaded parts over all. */
export const responseWords = ({ parts }: DrawnShading, { shaded }: ShadingResponse): string =>
  `${new Set(shaded).size}/${parts}`;
