import "server-only";
import { array, boolean, type InferType, lazy, mixed, number, object, string } from "yup";
import { type OpeningRule, type PartSettings, RELEASE_TIMES, RETAKE_RULES, type WorkKind } from "@/core/model/work";
import { day, uuid } from "@/server/runtime/validated";

/** Kinds of work that a teacher gives; a check belongs to a reteach. */
const GIVEN_KINDS = [
  "practice",
  "amount",
  "quiz",
  "diagnostic",
  "sequential",
  "contrast",
  "paper",
  "depth",
  "lesson",
] as const satisfies readonly WorkKind[];
export const MOST_PICKED = 60;
/** A diagnostic of all strands may take as many. */
const MOST_ITEMS = 240;
const MOST_SKILLS = 200;
const MOST_PARTS = 8;
const MOST_STUDENTS = 400;
const LATEST = 8.64e15;
const MOST_POINTS = 20;

/** A draw that was picked, or proposed and kept. */
export const drawInput = object({
  itemId: string().required(),
  skillId: string().required(),
  seed: number().integer().min(0).max(1_000_000).required(),
  points: number()
    .integer()
    .min(0)
    .max(MOST_POINTS, `An item has at most ${MOST_POINTS} points.`)
    .nullable()
    .default(null),
  form: string()
    .matches(/^[A-D]$/)
    .default("A"),
});
export type DrawInput = InferType<typeof drawInput>;

const percent = () =>
  number()
    .typeError("Write the cut as a number, for example 80.")
    .moreThan(0, "A cut lies above 0 and up to 100 %.")
    .max(100, "A cut lies above 0 and up to 100 %.");

export const endInput = lazy((end: { by?: unknown } | undefined) => {
  if (end === undefined) return mixed<never>().optional();
  if (end.by === "run")
    return object({
      by: string().oneOf(["run"]).required(),
      right: number().integer().min(1).max(20).required(),
      of: number()
        .integer()
        .max(30)
        .when("right", ([right], schema) => schema.min(Number(right), "No more can be right than are asked."))
        .required(),
    });
  if (end.by === "net")
    return object({
      by: string().oneOf(["net"]).required(),
      target: number().integer().min(1).max(50).required(),
      penalty: number().min(0).max(5).required(),
    });
  return object({ by: string().oneOf(["sure"]).required() });
});

const settingsInput = object({
  items: number()
    .integer()
    .min(1, "Give at least 1 item.")
    .max(MOST_ITEMS, `Give at most ${MOST_ITEMS} items.`)
    .required(),
  certainty: string().oneOf(["quicker", "usual", "stricter"], "Choose how sure it has to be.").optional(),
  end: endInput,
  minutes: number().integer().min(1, "Give at least a minute.").max(300, "Give at most 300 minutes.").optional(),
  goBack: boolean().optional(),
  shuffle: boolean().optional(),
  tries: number().integer().min(1).max(3).optional(),
  calculator: boolean().optional(),
  missedIn: object({ partId: uuid(), alsoAtCut: boolean().required() }).optional().default(undefined),
  scope: object({
    strandIds: array(string().required()).min(1, "Choose at least one strand.").max(12).required(),
    above: number().integer().min(0).max(3).required(),
    below: number().integer().min(0).max(8).required(),
  })
    .optional()
    .default(undefined),
});

const openingInput = lazy((rule: { by?: unknown; day?: unknown }) => {
  // A day by itself begins in the morning of the school's zone, which the browser does not know.
  if (rule?.by === "day" && rule.day !== undefined)
    return object({ by: string().oneOf(["day"]).required(), day: day() });
  if (rule?.by === "day")
    return object({ by: string().oneOf(["day"]).required(), at: number().integer().min(0).max(LATEST).required() });
  if (rule?.by === "word") return object({ by: string().oneOf(["word"]).required() });
  if (rule?.by === "done") return object({ by: string().oneOf(["done"]).required(), partId: uuid() });
  return object({ by: string().oneOf(["reached", "below"]).required(), partId: uuid(), percent: percent().required() });
});

export const partInput = object({
  id: uuid(),
  kind: string().oneOf(GIVEN_KINDS).required(),
  title: string().trim().max(80, "A title has at most 80 letters.").default(""),
  skillIds: array(string().required()).max(MOST_SKILLS, `Choose at most ${MOST_SKILLS} skills.`).required(),
  settings: settingsInput.required(),
  opening: array(openingInput).max(5).default([]),
  items: array(drawInput)
    .max(MOST_PICKED * 2, `Pick at most ${MOST_PICKED} items.`)
    .default([]),
});
/** A part as it is sent; what lies behind `lazy` is checked, and named here. */
export type PartInput = Omit<InferType<typeof partInput>, "opening" | "settings"> & {
  readonly opening: readonly (OpeningRule | { readonly by: "day"; readonly day: string })[];
  readonly settings: PartSettings;
};

const time = () => string().matches(/^([01]\d|2[0-3]):[0-5]\d$/, "Write the time as 15:30.");
const moment = () => object({ day: day(), time: time().required() });

const targetInput = object({
  /** Made by the browser, so that sending twice gives once. */
  assignmentId: uuid(),
  classId: string().required(),
  groupId: string().nullable().default(null),
  /** A due time of its own; everybody's unless stated. */
  due: moment().nullable().default(null),
  studentIds: array(string().required())
    .min(1, "Nobody is left: tick at least one student.")
    .max(MOST_STUDENTS)
    .required(),
});

export const rulesInput = object({
  isPrepared: boolean().default(false),
  /** Students get the forms by turns. */
  alternate: boolean().default(false),
  onlyAtSchool: boolean().default(false),
  unlockCode: string()
    .trim()
    .uppercase()
    .matches(/^[A-Z0-9]{3,12}$/, { message: "A code has 3 to 12 letters and digits.", excludeEmptyString: true })
    .nullable()
    .default(null),
  goesFirst: boolean().default(false),
  release: object({
    score: string().oneOf(RELEASE_TIMES).optional(),
    answers: string().oneOf(RELEASE_TIMES).optional(),
    explanations: string().oneOf(RELEASE_TIMES).optional(),
  }).default({}),
  cutPercent: percent().nullable().default(null),
  retake: string().oneOf(RETAKE_RULES).default("latest"),
  category: string().trim().max(40, "A category has at most 40 letters.").default(""),
});

/** What work is called and what stands above it. */
export const workText = {
  title: string()
    .trim()
    .min(1, "Give the work a title.")
    .max(80, "A title has at most 80 letters.")
    .required("Give the work a title."),
  instructions: string().trim().max(500, "Instructions have at most 500 letters.").default(""),
};

export const giveInput = object({
  workId: uuid(),
  ...workText,
  parts: array(partInput)
    .min(1, "Put something into the work.")
    .max(MOST_PARTS, `Work has at most ${MOST_PARTS} parts.`)
    .required(),
  to: array(targetInput).min(1, "Choose somebody to give it to.").max(30).required(),
  opens: moment().required(),
  /** Null where it has no due time. */
  due: moment().nullable().default(null),
  closes: moment().nullable().default(null),
  rules: rulesInput.default({}),
  /** Kept to be found again. */
  keep: boolean().default(false),
});
