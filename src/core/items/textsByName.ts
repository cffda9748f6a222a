import { mixed } from "yup";

/** Texts by name, under names that the content chooses. */
export const textsByName = () =>
  mixed<Readonly<Record<string, string>>>()
    .test(
      "texts-by-name",
      ({ path }) => `${path}: not-texts-by-name`,
      (value) => value === undefined || isTexts(value),
    )
    .required();

/**
 * @example isTexts({ a: "1", b: 2 }) // false
 */
export const isTexts = (value: unknown): boolean =>
  typeof value === "object" &&
  value !== null &&
  !Array.isArray(value) &&
  Object.values(value).every((text) => typeof text === "string");
