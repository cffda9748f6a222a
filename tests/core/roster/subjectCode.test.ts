import { expect, it } from "vitest";
import { subjectCode } from "@/core/roster/subjectCode";

it.each([
  ["Mathematics", "", "mathematics"],
  ["MATH 6", "", "mathematics"],
  ["Maths, advanced", "", "mathematics"],
  ["Pre-Algebra", "", "mathematics"],
  // A word that only holds the letters is another subject.
  ["Aftermath studies", "", null],
  ["Polymath club", "", null],
  ["Language and reading", "", "language"],
  ["", "", null],
  // The codes of the roster's standard come before the name.
  ["Period 3", "02061", "mathematics"],
  ["Period 3", "51027, 52036", "language"],
  ["Period 3", "51027", "language"],
  ["Period 3", "02", null],
])("“%s” with codes “%s” is %s", (name, codes, subject) => expect(subjectCode(name, codes)).toBe(subject));
