import "server-only";
import { type AnyObjectSchema, type InferType, ValidationError } from "yup";
import { Refusal } from "./refusal";

/** The input in the schema's shape, unknown keys dropped; a refusal with the schema's own words otherwise. */
export function validated<Schema extends AnyObjectSchema>(schema: Schema, input: unknown): InferType<Schema> {
  try {
    return schema.validateSync(input, { stripUnknown: true, abortEarly: false });
  } catch (error) {
    if (error instanceof ValidationError) throw new Refusal("invalid", error.errors.join(" "));
    throw error;
  }
}
