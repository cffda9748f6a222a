import { array, lazy, mixed, number, type ObjectSchema, object, string } from "yup";
import { expressionSchema } from "./expression/body";
import { gridSchema } from "./grid/body";
import { inlineChoiceSchema } from "./inlineChoice/body";
import type { ItemBody } from "./itemBody";
import { ITEM_KINDS, type ItemKind } from "./itemKind";
import { matchingSchema } from "./matching/body";
import { multipleChoiceSchema } from "./multipleChoice/body";
import { numberSchema } from "./number/body";
import { numberLineSchema } from "./numberLine/body";
import { orderSchema } from "./order/body";
import { selectWordsSchema } from "./selectWords/body";
import { shadingSchema } from "./shading/body";
import { shortTextSchema } from "./shortText/body";
import { singleChoiceSchema } from "./singleChoice/body";
import { stepsSchema } from "./steps/body";
import { isTexts, textsByName } from "./textsByName";
import { writtenSchema } from "./written/body";

/** Shape of a part's body, by its kind. */
const BODY_SCHEMAS = {
  number: numberSchema,
  "single-choice": singleChoiceSchema,
  "multiple-choice": multipleChoiceSchema,
  "short-text": shortTextSchema,
  "inline-choice": inlineChoiceSchema,
  order: orderSchema,
  matching: matchingSchema,
  "select-words": selectWordsSchema,
  "number-line": numberLineSchema,
  grid: gridSchema,
  shading: shadingSchema,
  expression: expressionSchema,
  steps: stepsSchema,
  written: writtenSchema,
} satisfies Record<ItemKind, ObjectSchema<object>>;

const frame = object({
  id: string().required(),
  kind: string()
    .oneOf([...ITEM_KINDS])
    .required(),
  prompt: string().optional(),
  points: number().integer().min(1).optional(),
  skillIds: array(string().required()).min(1).optional(),
});

const part = lazy((raw: unknown) => {
  const kind = typeof raw === "object" && raw !== null ? (raw as { kind?: unknown }).kind : undefined;
  const own = ITEM_KINDS.find((known) => known === kind);
  return own
    ? frame
        .concat(BODY_SCHEMAS[own] as ObjectSchema<object>)
        .noUnknown()
        .strict()
    : frame;
});

const MOST_IMAGES = 4;

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** Shape of an item's body, as content may bring it. What no schema knows is refused: it would be lost unsaid. */
export const itemBodySchema = object({
  parameters: mixed()
    .test("parameters", ({ path }) => `${path}: no-parameters`, isParameters)
    .required(),
  where: array(string().required()).optional(),
  derived: textsByName().optional(),
  stem: string().required(),
  contexts: mixed()
    .test("contexts", ({ path }) => `${path}: no-contexts`, isContexts)
    .required(),
  difficultyOffset: string().required(),
  discrimination: number().positive().optional(),
  hint: string().defined(),
  solution: string().defined(),
  picture: array(
    object({ label: string().required(), count: string().required(), per: string().optional() }).noUnknown(),
  ).optional(),
  images: array(
    object({
      picture: string()
        .matches(/^[0-9a-f]{64}$/)
        .required(),
      alt: string().trim().required(),
    }).noUnknown(),
  )
    .max(MOST_IMAGES)
    .optional(),
  table: array(
    object({ label: string().defined(), cells: array(string().required()).required() }).noUnknown(),
  ).optional(),
  parts: array(part).min(1).required(),
})
  .noUnknown()
  .strict() as unknown as ObjectSchema<ItemBody & object>;

function isParameters(value: unknown): boolean {
  const isNumbers = (list: unknown) => Array.isArray(list) && list.length > 0 && list.every(Number.isFinite);
  const isRange = ({ from, to, step }: Record<string, unknown>) =>
    Number.isFinite(from) &&
    Number.isFinite(to) &&
    (to as number) >= (from as number) &&
    (step === undefined || (Number.isFinite(step) && (step as number) > 0));
  return (
    isObject(value) && Object.values(value).every((spec) => isObject(spec) && (isNumbers(spec.of) || isRange(spec)))
  );
}

function isContexts(value: unknown): boolean {
  return isObject(value) && Object.keys(value).length > 0 && Object.values(value).every(isTexts);
}
