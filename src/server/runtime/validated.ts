import "server-only";
import { type AnyObjectSchema, type InferType, string, ValidationError } from "yup";
import { isDay } from "@/core/calendar/isDay";
import { Refusal } from "./refusal";

/** The input in the schema's shape, unknown keys dropped; a refusal with the schema's own words otherwise. */
export function validated<Schema extends AnyObjectSchema>(schema: Schema, input: unknown): InferType<Schema> {
  // Yup takes a function for a value that is still to be made; a call of an action can carry one.
  if (typeof input === "function") throw unreadable();
  try {
    return schema.validateSync(input, { stripUnknown: true, abortEarly: false });
  } catch (error) {
    if (error instanceof ValidationError) throw new Refusal("invalid", error.errors.join(" "));
    // A value that breaks on being read, such as {"toString": 1} where a text belongs, is nobody's of our pages.
    if (error instanceof TypeError) throw unreadable();
    throw error;
  }
}

const unreadable = () => new Refusal("invalid", "This message can't be read. Reload the page and try again.");

/** An id made by the browser: a UUID of any version (Yup's own check knows only the first five). */
export const uuid = () =>
  string()
    .matches(/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i, "An id is missing. Reload the page and try again.")
    .required();

/** A day such as 2026-11-23 that exists. */
export const day = () =>
  string()
    .required("Choose a day.")
    .test("day", "Choose a day that exists.", (text) => text !== undefined && isDay(text));

/** A day, or null for none; an empty field of a form counts as none. */
export const optionalDay = () =>
  string()
    .transform((text) => (text === "" ? null : text))
    .nullable()
    .default(null)
    .test("day", "Choose a day that exists.", (text) => text == null || isDay(text));

/** Whether a value has fields to look at: to a schema of an object a function is one too, and its fields go unchecked. */
export const isRecord = (value: unknown): boolean => typeof value === "object" && value !== null;
