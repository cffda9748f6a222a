import { expect, it } from "vitest";
import { classScope } from "@/core/roster/classScope";

const subjects = [
  { id: "m", name: "Mathematics", frameworkId: "f" },
  { id: "l", name: "Language and reading", frameworkId: null },
];

it.each([
  [["Mathematics"], ["m"]],
  [["MATH 6"], ["m"]],
  [["Mathemátics"], ["m"]],
  [["Reading"], ["l"]],
  [
    ["Math", "Language"],
    ["m", "l"],
  ],
  [["Homeroom"], ["m", "l"]],
  [
    ["Homeroom", "Math"],
    ["m", "l"],
  ],
  [[""], ["m", "l"]],
  [["Mat"], ["m", "l"]],
  [[], []],
])("classes of %j are taught %j", (words, ids) => {
  expect(classScope(words, subjects).map(({ id }) => id)).toEqual(ids);
});
