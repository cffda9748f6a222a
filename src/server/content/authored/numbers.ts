import "server-only";
import type { ParameterSpec } from "@/core/items/itemBody";
import { ContentFault } from "../contentFault";

/** Numbers as an author writes them: `3..9`, `10..90 by 10`, or a list. */
export type Numbers = string | readonly number[];

const RANGE = /^(-?[\d.]+?)\.\.(-?[\d.]+)(?: by ([\d.]+))?$/;

/** A range of numbers, from its ends and the distance. Throws ContentFault where it does not read as one. */
export function rangeOf(written: string): { from: number; to: number; step?: number } {
  const [, from, to, step] = RANGE.exec(written) ?? [];
  if (from === undefined || to === undefined) throw new ContentFault(`“${written}” is no range such as 3..9.`);
  return { from: Number(from), to: Number(to), ...(step === undefined ? {} : { step: Number(step) }) };
}

export const specOf = (written: Numbers): ParameterSpec =>
  typeof written === "string" ? rangeOf(written) : { of: written };

/** An axis of a grid; its ends may be expressions. */
export function axisOf(written: Numbers): { from: string; to: string; step: string } {
  const [ends = "", step = "1"] = String(written).split(" by ");
  const [from = "", to = ""] = ends.split("..");
  return { from, to, step };
}
