import "server-only";
import { array, mixed, number, object, type Schema, string, ValidationError } from "yup";
import { isModelKind, MODEL_KINDS } from "@/core/manipulatives/modelSetting";
import { UNIT_MOMENTS } from "@/core/model/unit";
import type { AuthoredFramework } from "./authored/framework";
import type { Stories } from "./authored/items";
import { AUTHOR_WORDS } from "./authored/parts";
import type { AuthoredPassage } from "./authored/passage";
import type { AuthoredSkill } from "./authored/skill";
import type { AuthoredUnit } from "./authored/unit";
import { ContentFault } from "./contentFault";

/** The frame of a subject: the framework that it follows and its skills by grade, each grade in teaching order. */
export interface SubjectFile {
  readonly subject: { readonly id: string; readonly name: string };
  readonly framework: string;
  readonly skills: Readonly<Record<string, readonly string[]>>;
  /** Units by grade, in teaching order. */
  readonly units?: Readonly<Record<string, readonly string[]>>;
}

/** Misconceptions by their ids. */
export type MisconceptionsFile = Readonly<
  Record<string, { readonly name: string; readonly means: string; readonly say: string }>
>;

const text = () => string().required();
const texts = (least = 1) => array(text()).min(least).required();
const pair = () =>
  mixed()
    .test("pair", ({ path }) => `${path} must be a task and its answer: [task, answer]`, isTexts(2))
    .required();
const isTexts = (length: number) => (value: unknown) =>
  Array.isArray(value) &&
  value.length === length &&
  value.every((one) => typeof one === "number" || (typeof one === "string" && one !== ""));

/** An object with any names whose values all have one shape. */
const named = (value: Schema) =>
  mixed().test("named", function named(raw) {
    if (raw === undefined) return true;
    if (typeof raw !== "object" || raw === null || Array.isArray(raw))
      return this.createError({ message: `${this.path} must be names with what belongs to each` });
    for (const [name, own] of Object.entries(raw))
      try {
        value.validateSync(own, { strict: true });
      } catch (error) {
        if (!(error instanceof ValidationError)) throw error;
        return this.createError({ message: `${this.path}.${name}: ${error.errors.join("; ")}` });
      }
    return true;
  });

const subjectSchema = object({
  subject: object({ id: text(), name: text() }).noUnknown(),
  framework: text(),
  skills: named(texts()).required(),
  units: named(texts()),
}).noUnknown();

const frameworkSchema = object({
  framework: object({ id: text(), title: text(), version: text(), language: text() }).noUnknown(),
  levels: texts(),
  standards: named(
    mixed().test(
      "standard",
      ({ path }) => `${path} must be a statement, or says with what stands under it`,
      (value) =>
        typeof value === "string" || typeof (value as { says?: unknown } | null | undefined)?.says === "string",
    ),
  ).required(),
  links: array(mixed().test("link", ({ path }) => `${path} must be [standard, how, standard]`, isTexts(3))),
}).noUnknown();

const lessonSchema = object({
  idea: text(),
  example: text(),
  steps: texts(2),
  picture: array(
    object({ label: text(), count: number().integer().min(0).required(), per: number().integer().min(1) }).noUnknown(),
  ),
}).noUnknown();

const reteachSchema = object({
  look: named(string().required()).required(),
  things: text(),
  show: text(),
  ask: texts(2),
  together: pair(),
  alone: pair(),
  further: object({ together: pair(), alone: pair() }).noUnknown().required(),
  exit: object({
    task: text(),
    answers: array(
      mixed().test("answer", ({ path }) => `${path} must be [answer, what it means, what next]`, isTexts(3)),
    )
      .min(2)
      .required(),
  })
    .noUnknown()
    .required(),
}).noUnknown();

const ITEM_NAMES = new Set([
  ...Object.keys(AUTHOR_WORDS),
  ..."numbers where with stories ask moves load offset discrimination depth calculator hint solution picture table parts passage sometimes".split(
    " ",
  ),
]);

const itemSchema = mixed().test("item", function item(raw) {
  if (typeof raw !== "object" || raw === null) return this.createError({ message: "an item needs its fields" });
  const unknown = Object.keys(raw).filter((name) => !ITEM_NAMES.has(name));
  if (unknown.length > 0) return this.createError({ message: `no field of an item is called ${unknown.join(", ")}` });
  const missing = ["ask", "hint", "solution"].filter(
    (name) => typeof (raw as Record<string, unknown>)[name] !== "string",
  );
  return missing.length === 0 || this.createError({ message: `an item needs ${missing.join(", ")}` });
});

const skillSchema = object({
  name: text(),
  called: text(),
  strand: text(),
  standards: texts(),
  difficulty: number().min(-8).max(8),
  "builds on": array(text()),
  "mixed up with": array(text()),
  means: text(),
  first: object({
    open: text(),
    worked: object({ task: text(), steps: texts(2) }).noUnknown(),
    story: pair(),
    talk: texts(3),
    words: named(string().required()).required(),
  })
    .noUnknown()
    .required(),
  lesson: lessonSchema.required(),
  hints: texts(3).max(3),
  notes: texts(2),
  model: mixed().test(
    "model",
    ({ path }) => `${path} must be one of ${MODEL_KINDS.join(", ")} with how it stands at first`,
    (value) => value === undefined || Object.keys(value as object).every(isModelKind),
  ),
  reteach: reteachSchema.required(),
  items: named(itemSchema),
  quick: array(mixed().required()),
  read: string(),
}).noUnknown();

const unitSchema = object({
  name: text(),
  weeks: number().integer().min(2).max(4).required(),
  skills: texts(),
  builds: text(),
  pictures: text(),
  before: text(),
  after: text(),
  trips: array(mixed().test("trip", ({ path }) => `${path} must be [where students trip, what helps]`, isTexts(2)))
    .min(3)
    .required(),
  study: array(
    object({ task: text(), minutes: number().integer().min(5).max(30).required(), afterwards: text() }).noUnknown(),
  )
    .min(3)
    .required(),
  checks: object(Object.fromEntries(UNIT_MOMENTS.map((moment) => [moment, text()])))
    .noUnknown()
    .required(),
}).noUnknown();

function reader<File>(schema: Schema): (raw: unknown, file: string) => File {
  return (raw, file) => {
    try {
      return schema.validateSync(raw, { strict: true, abortEarly: false }) as File;
    } catch (error) {
      if (error instanceof ValidationError) throw new ContentFault(`${file}: ${error.errors.join("; ")}`);
      throw error;
    }
  };
}

export const readSubject = reader<SubjectFile>(subjectSchema);
export const readFramework = reader<AuthoredFramework>(frameworkSchema);
export const readSkill = reader<AuthoredSkill>(skillSchema);
export const readUnit = reader<AuthoredUnit>(unitSchema);
export const readStories = reader<Stories>(named(named(named(string().required()))).required());
export const readPassage = reader<AuthoredPassage>(
  object({
    title: text(),
    topic: text(),
    grade: number().integer().min(1).max(12).required(),
    text: text(),
  }).noUnknown(),
);
export const readMisconceptions = reader<MisconceptionsFile>(
  named(object({ name: text(), means: text(), say: text() }).noUnknown()).required(),
);
