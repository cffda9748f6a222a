import type { Field } from "./fieldTypes";

export const mistakes = (of: Field, blank: object): Field => ({
  type: "list",
  name: "misconceptions",
  label: "Wrong answers that tell something",
  add: "Add a telling mistake",
  of: [of, { type: "misconception", name: "id", label: "What the student thinks" }],
  blank: () => ({ ...blank, id: "" }),
  least: 0,
});
export const point: readonly Field[] = [
  { type: "expression", name: "x", label: "Across" },
  { type: "expression", name: "y", label: "Up" },
];
export const axis = (name: string, label: string): readonly Field[] => [
  { type: "expression", name: `${name}.from`, label: `${label}, from` },
  { type: "expression", name: `${name}.to`, label: "to" },
  { type: "expression", name: `${name}.step`, label: "in steps of" },
];
export const options = (right: string): readonly Field[] => [
  {
    type: "list",
    name: "options",
    label: "Options",
    add: "Add an option",
    of: [
      { type: "text", name: "text", label: "Option" },
      { type: "check", name: "right", label: right },
      { type: "misconception", name: "misconceptionId", label: "What the student thinks" },
    ],
    blank: (id) => ({ id: id(), text: "", right: false }),
    least: 2,
  },
];
export const twoOptions = {
  options: [
    { id: "a", text: "", right: true },
    { id: "b", text: "", right: false },
    { id: "c", text: "", right: false },
  ],
};
