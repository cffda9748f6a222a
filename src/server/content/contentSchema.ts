import "server-only";
import { array, mixed, number, object, type Schema, string, ValidationError } from "yup";
import type { ItemBody } from "@/core/items/itemBody";
import { itemBodySchema } from "@/core/items/itemBodySchema";
import type { Lesson, Misconception, ReteachPlan } from "@/core/model/content";

/** The frame of a subject's content: its framework with the tree of standards, and its skills in teaching order. */
export interface SubjectFile {
  readonly subject: { readonly id: string; readonly name: string };
  readonly framework: {
    readonly id: string;
    readonly title: string;
    readonly version: string;
    readonly language: string;
  };
  readonly standards: readonly {
    readonly id: string;
    readonly parentId?: string;
    readonly type: string;
    readonly code: string;
    readonly statement: string;
    readonly gradeLow?: number;
    readonly gradeHigh?: number;
  }[];
  readonly skills: readonly string[];
}

/** A further framework of a subject, with what of it is the same as, related to, or part of standards of others. */
export interface FrameworkFile extends Pick<SubjectFile, "framework" | "standards"> {
  readonly links: readonly {
    readonly from: string;
    readonly kind: "same" | "related" | "part-of";
    readonly to: string;
  }[];
}

/** One skill with its lesson, its reteach plan and its items. */
export interface SkillFile {
  readonly id: string;
  readonly name: string;
  /** The name that students see: no grade, no code. */
  readonly studentName: string;
  readonly strand: string;
  readonly grade: number;
  readonly standards: readonly string[];
  /** Place on the vertical scale in logits; 0 is the end of grade 6, about 0.5 a grade. */
  readonly difficulty: number;
  readonly prerequisites: readonly string[];
  /** Skills that are easily confused with this one. */
  readonly contrasts: readonly string[];
  readonly lesson: Lesson;
  readonly reteach: ReteachPlan;
  readonly items: readonly {
    readonly id: string;
    readonly depth?: number;
    readonly calculator?: boolean;
    readonly body: ItemBody;
  }[];
}

const text = () => string().required();
const texts = () => array(text()).required();
const grade = () => number().integer().min(0).max(12);
const task = () => object({ task: text(), answer: text() }).noUnknown();

const standards = array(
  object({
    id: text(),
    parentId: string(),
    type: text(),
    code: text(),
    statement: text(),
    gradeLow: grade(),
    gradeHigh: grade(),
  }).noUnknown(),
).required();
const framework = object({ id: text(), title: text(), version: text(), language: text() }).noUnknown();

const subjectSchema = object({
  subject: object({ id: text(), name: text() }).noUnknown(),
  framework,
  standards,
  skills: texts(),
}).noUnknown();

const frameworkSchema = object({
  framework,
  standards,
  links: array(
    object({ from: text(), kind: string().oneOf(["same", "related", "part-of"]).required(), to: text() }).noUnknown(),
  ).required(),
}).noUnknown();

const lessonSchema = object({
  idea: text(),
  example: text(),
  steps: texts(),
  picture: array(
    object({ label: text(), count: number().integer().min(0).required(), per: number().integer().min(1) }).noUnknown(),
  ),
}).noUnknown();

const reteachSchema = object({
  materials: text(),
  show: text(),
  ask: texts(),
  together: task(),
  alone: task(),
  exit: object({
    task: text(),
    answers: array(object({ answer: text(), means: text(), next: text() }).noUnknown()).required(),
  }).noUnknown(),
}).noUnknown();

const skillSchema = object({
  id: text(),
  name: text(),
  studentName: text(),
  strand: text(),
  grade: grade().required(),
  standards: texts().min(1),
  difficulty: number().min(-8).max(8).required(),
  prerequisites: array(text()).defined(),
  contrasts: array(text()).defined(),
  lesson: lessonSchema,
  reteach: reteachSchema,
  items: array(
    object({
      id: text(),
      depth: number().integer().min(1).max(4),
      calculator: mixed<boolean>().oneOf([true, false]),
      body: itemBodySchema,
    }).noUnknown(),
  ).required(),
}).noUnknown();

const misconceptionsSchema = array(
  object({ id: text(), name: text(), explanation: text(), feedback: text() }).noUnknown(),
).required();

/** A content file that does not read as one: which file, and what is wrong in it. */
export class ContentFault extends Error {
  override readonly name = "ContentFault";
}

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
export const readFramework = reader<FrameworkFile>(frameworkSchema);
export const readSkill = reader<SkillFile>(skillSchema);
export const readMisconceptions = reader<readonly Misconception[]>(misconceptionsSchema);
