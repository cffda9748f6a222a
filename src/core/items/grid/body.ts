import { array, object, string } from "yup";

/** A point by its coordinates, as expressions. */
export interface PointBody {
  readonly x: string;
  readonly y: string;
}

/** One axis: its ends and the distance of its lines, as expressions. */
export interface AxisBody {
  readonly from: string;
  readonly to: string;
  readonly step: string;
}

/** A coordinate grid on which points are to be set, or two points through which a line goes. */
export interface GridBody {
  readonly across: AxisBody;
  readonly up: AxisBody;
  readonly task: "points" | "line";
  /** The points; of a line any two of it. */
  readonly right: readonly PointBody[];
  /** Points, or a line, that reveal a misconception. */
  readonly misconceptions: readonly { readonly id: string; readonly points: readonly PointBody[] }[];
}

/** A crossing of the grid, counted from the lower left, across and up. */
export type Crossing = readonly [number, number];

export interface DrawnGrid {
  readonly task: GridBody["task"];
  /** The numbers at the lines of each axis. */
  readonly across: readonly string[];
  readonly up: readonly string[];
  readonly right: readonly Crossing[];
  readonly keyText: string;
  readonly misconceptionPoints: readonly { readonly id: string; readonly points: readonly Crossing[] }[];
}

export interface ShownGrid {
  readonly task: GridBody["task"];
  readonly across: readonly string[];
  readonly up: readonly string[];
}

export interface GridResponse {
  readonly points: readonly Crossing[];
}

const axis = () =>
  object({ from: string().required(), to: string().required(), step: string().required() }).noUnknown().required();
const points = (least: number) =>
  array(object({ x: string().required(), y: string().required() }).noUnknown())
    .min(least)
    .required();

export const gridSchema = object({
  across: axis(),
  up: axis(),
  task: string().oneOf(["points", "line"]).required(),
  right: points(1),
  misconceptions: array(object({ id: string().required(), points: points(1) }).noUnknown()).required(),
});
