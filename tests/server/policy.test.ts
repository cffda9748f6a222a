import { describe, expect, it } from "vitest";
import { type Actor, may, type Subject, type Verb } from "@/server/access/policy";

const teacher: Actor = { kind: "staff", personId: "t", schoolId: "s", name: "T", classIds: ["own"] };
const stranger: Actor = { ...teacher, personId: "x", classIds: ["other"] };
const pupil: Actor = { kind: "student", personId: "p", schoolId: "s", name: "P" };
const otherPupil: Actor = { ...pupil, personId: "q" };

const ownClass: Subject = { kind: "class", classId: "own" };
const ownStudent: Subject = { kind: "student", personId: "p", classIds: ["elsewhere", "own"] };
const sitting: Subject = { kind: "sitting", personId: "p", classId: "own" };
const draft: Subject = { kind: "draft", ownerId: "t" };

/** Who may what: every line of the policy and its opposite. */
const TABLE: readonly (readonly [string, Actor, Verb, Subject, boolean])[] = [
  ["a teacher sees the own class", teacher, "see", ownClass, true],
  ["a teacher changes the own class", teacher, "change", ownClass, true],
  ["a stranger does not see the class", stranger, "see", ownClass, false],
  ["a stranger does not change the class", stranger, "change", ownClass, false],
  ["a student does not see the class", pupil, "see", ownClass, false],
  ["a teacher sees a student of any own class", teacher, "see", ownStudent, true],
  ["a stranger does not see the student", stranger, "see", ownStudent, false],
  ["a student does not see a student's sheet", pupil, "see", ownStudent, false],
  ["a student in no class is nobody's", teacher, "see", { kind: "student", personId: "p", classIds: [] }, false],
  ["a student works on the own sitting", pupil, "work-on", sitting, true],
  ["another student does not", otherPupil, "work-on", sitting, false],
  ["another student does not see it", otherPupil, "see", sitting, false],
  ["a teacher sees the sitting", teacher, "see", sitting, true],
  ["a teacher does not work in a student's place", teacher, "work-on", sitting, false],
  ["a stranger does not see the sitting", stranger, "see", sitting, false],
  ["nobody changes a sitting by hand", teacher, "change", sitting, false],
  ["a student does not change the own sitting by hand", pupil, "change", sitting, false],
  ["a draft belongs to its maker", teacher, "change", draft, true],
  ["a draft is closed to others", stranger, "see", draft, false],
  ["a draft is closed to students", pupil, "see", { kind: "draft", ownerId: "p" }, false],
];

describe("policy", () => {
  it.each(TABLE)("%s", (_, actor, verb, subject, allowed) => {
    expect(may(actor, verb, subject)).toBe(allowed);
  });
});
