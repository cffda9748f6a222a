/** Models that can be moved in lessons and on the wall. */
export const MODEL_KINDS = [
  "number-line",
  "double-number-line",
  "ratio-table",
  "bars",
  "area-model",
  "place-value-blocks",
  "balance",
  "coordinate-grid",
  "array",
  "dot-plot",
] as const;
export type ModelKind = (typeof MODEL_KINDS)[number];

export type ModelSetting = Readonly<Record<string, unknown>>;

/**
 * Whether something is the name of a kind of model.
 * @example isModelKind("balance") // true
 */
export const isModelKind = (value: unknown): value is ModelKind => MODEL_KINDS.some((kind) => kind === value);

/**
 * A number of a setting; the fallback where it has none of that name.
 * @example numberIn({ from: 3 }, "from", 0) // 3
 */
export function numberIn(setting: ModelSetting, name: string, fallback: number): number {
  const value = setting[name];
  return typeof value === "number" && Number.isFinite(value) ? value : fallback;
}

/**
 * The numbers of a list in a setting; the fallback where it has none of that name, or something else is in it.
 * @example numbersIn({ values: [1, 2] }, "values", []) // [1, 2]
 */
export function numbersIn(setting: ModelSetting, name: string, fallback: readonly number[]): readonly number[] {
  const value = setting[name];
  return Array.isArray(value) && value.every((one) => typeof one === "number") ? value : fallback;
}

/**
 * The texts of a list in a setting, numbers as they are written; the fallback where it has none of that name.
 * @example textsIn({ rows: ["tickets", 5] }, "rows", []) // ["tickets", "5"]
 */
export function textsIn(setting: ModelSetting, name: string, fallback: readonly string[]): readonly string[] {
  const value = setting[name];
  return Array.isArray(value) ? value.map(String) : fallback;
}
