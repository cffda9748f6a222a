import type { ItemKind } from "@/core/items/itemKind";
import { axis, mistakes, options, point, twoOptions } from "./fieldParts";
import type { PartForm } from "./fieldTypes";
import { stepsForm, writtenForm } from "./longerForms";

/** How each kind of part is written: the compiler wants every one. */
export const PART_FORMS: Readonly<Record<ItemKind, PartForm>> = {
  number: {
    fields: [
      { type: "expression", name: "answer", label: "Right answer" },
      { type: "expression", name: "unit.word", label: "Unit after the box" },
      {
        type: "more",
        name: "more",
        label: "Other right answers, unit and form",
        of: [
          {
            type: "text",
            name: "right",
            label: "Condition on x",
            help: "Left empty: x equals the right answer. Or for example: x > 50 and x < 60 and mod(x, 4) == 0",
          },
          { type: "check", name: "anyRight", label: "Any number that meets the condition is right" },
          { type: "expression", name: "tolerance", label: "May be off by", help: "Left empty: exactly right" },
          { type: "check", name: "unit.required", label: "The student has to write the unit" },
          {
            type: "choice",
            name: "form",
            label: "Fractions",
            options: [
              ["any", "in any form"],
              ["lowest-terms", "only in lowest terms"],
            ],
          },
        ],
      },
      mistakes({ type: "expression", name: "value", label: "Wrong answer" }, { value: "" }),
    ],
    blank: { answer: "", right: "", misconceptions: [] },
  },
  "single-choice": { fields: options("right"), blank: twoOptions },
  "multiple-choice": { fields: options("right"), blank: twoOptions },
  "short-text": {
    fields: [
      {
        type: "texts",
        name: "accepted",
        label: "Right texts; the first is shown as the answer",
        add: "Add a right text",
      },
      {
        type: "more",
        name: "more",
        label: "What does not matter, and spelling",
        of: [
          { type: "check", name: "ignoreCase", label: "Capitals do not matter" },
          { type: "check", name: "ignoreSpacing", label: "Spaces do not matter" },
          { type: "check", name: "ignoreAccents", label: "Accents do not matter" },
          { type: "check", name: "ignorePunctuation", label: "Full stops and commas do not matter" },
          {
            type: "choice",
            name: "spelling",
            label: "Spelling",
            options: [
              ["exact", "letter by letter"],
              ["lenient", "a small slip counts as right"],
            ],
          },
        ],
      },
      mistakes({ type: "text", name: "text", label: "Wrong text" }, { text: "" }),
    ],
    blank: {
      accepted: [""],
      misconceptions: [],
      ignoreCase: true,
      ignoreSpacing: true,
      ignoreAccents: true,
      ignorePunctuation: true,
      spelling: "exact",
    },
  },
  "inline-choice": {
    fields: [
      {
        type: "gapText",
        name: "text",
        label: "Text with gaps",
        help: "Write each gap's name in brackets: Six is [one] than four.",
      },
      {
        type: "list",
        name: "gaps",
        label: "Gaps",
        add: "Add a gap",
        of: [
          { type: "text", name: "id", label: "Name of the gap" },
          {
            type: "list",
            name: "options",
            label: "Words to choose from",
            add: "Add a word",
            of: [
              { type: "text", name: "text", label: "Word" },
              { type: "misconception", name: "misconceptionId", label: "What the student thinks" },
            ],
            blank: (id) => ({ id: id(), text: "" }),
            least: 2,
          },
          { type: "choice", name: "right", label: "Right word", options: [] },
        ],
        blank: (id) => ({
          id: id(),
          options: [
            { id: "a", text: "" },
            { id: "b", text: "" },
          ],
          right: "a",
        }),
        least: 1,
      },
    ],
    blank: {
      text: [{ gap: "one" }],
      gaps: [
        {
          id: "one",
          options: [
            { id: "a", text: "" },
            { id: "b", text: "" },
          ],
          right: "a",
        },
      ],
    },
  },
  order: {
    fields: [
      {
        type: "list",
        name: "members",
        label: "In the right order, from first to last",
        add: "Add one",
        of: [{ type: "text", name: "text", label: "Text" }],
        blank: (id) => ({ id: id(), text: "" }),
        least: 2,
      },
      mistakes(
        { type: "sequence", name: "order", label: "Wrong order, by the places above", help: "For example 3 1 2" },
        { order: [] },
      ),
    ],
    blank: {
      members: [
        { id: "a", text: "" },
        { id: "b", text: "" },
        { id: "c", text: "" },
      ],
      misconceptions: [],
    },
  },
  matching: {
    fields: [
      {
        type: "list",
        name: "partners",
        label: "Partners, or bins to sort into",
        add: "Add a partner",
        of: [{ type: "text", name: "text", label: "Text" }],
        blank: (id) => ({ id: id(), text: "" }),
        least: 2,
      },
      {
        type: "list",
        name: "things",
        label: "Things",
        add: "Add a thing",
        of: [
          { type: "text", name: "text", label: "Text" },
          { type: "choice", name: "partner", label: "belongs to", options: [] },
        ],
        blank: (id) => ({ id: id(), text: "", partner: "" }),
        least: 2,
      },
      {
        type: "list",
        name: "misconceptions",
        label: "Wrong pairs that tell something",
        add: "Add a telling mistake",
        of: [
          { type: "choice", name: "thing", label: "Thing", options: [] },
          { type: "choice", name: "partner", label: "with", options: [] },
          { type: "misconception", name: "id", label: "What the student thinks" },
        ],
        blank: () => ({ thing: "", partner: "", id: "" }),
        least: 0,
      },
    ],
    blank: {
      partners: [
        { id: "p", text: "" },
        { id: "q", text: "" },
      ],
      things: [
        { id: "a", text: "", partner: "p" },
        { id: "b", text: "", partner: "q" },
      ],
      misconceptions: [],
    },
  },
  "select-words": {
    fields: [
      {
        type: "selectText",
        name: "text",
        label: "Text",
        help: "Put what can be selected in brackets, with a star where it is right: The [*boats] lay [still].",
      },
    ],
    blank: { text: [] },
  },
  "number-line": {
    fields: [
      { type: "expression", name: "from", label: "Line from" },
      { type: "expression", name: "to", label: "to" },
      { type: "expression", name: "step", label: "in steps of" },
      { type: "expression", name: "labelEvery", label: "a number at every … step", help: "Left empty: at each" },
      { type: "mark", name: "right", label: "Right mark" },
      mistakes({ type: "mark", name: "mark", label: "Wrong mark" }, { mark: { point: "" } }),
    ],
    blank: { from: "0", to: "10", step: "1", right: { point: "" }, misconceptions: [] },
  },
  grid: {
    fields: [
      {
        type: "choice",
        name: "task",
        label: "To be set",
        options: [
          ["points", "points"],
          ["line", "a line through two points"],
        ],
      },
      ...axis("across", "Across"),
      ...axis("up", "Up"),
      {
        type: "list",
        name: "right",
        label: "Right points",
        add: "Add a point",
        of: point,
        blank: () => ({ x: "", y: "" }),
        least: 1,
      },
      mistakes(
        {
          type: "list",
          name: "points",
          label: "Wrong points, all of them",
          add: "Add a point",
          of: point,
          blank: () => ({ x: "", y: "" }),
          least: 1,
        },
        { points: [{ x: "", y: "" }] },
      ),
    ],
    blank: {
      task: "points",
      across: { from: "0", to: "10", step: "1" },
      up: { from: "0", to: "10", step: "1" },
      right: [{ x: "", y: "" }],
      misconceptions: [],
    },
  },
  shading: {
    fields: [
      { type: "expression", name: "parts", label: "Equal parts" },
      { type: "expression", name: "columns", label: "in a row", help: "Left empty: all in one row" },
      { type: "expression", name: "right", label: "Fraction to shade" },
      mistakes({ type: "expression", name: "value", label: "Wrong fraction" }, { value: "" }),
    ],
    blank: { parts: "", right: "", misconceptions: [] },
  },
  expression: {
    fields: [
      { type: "text", name: "answer", label: "Right expression or equation", help: "Slots such as {a} are filled" },
      {
        type: "choice",
        name: "form",
        label: "Form",
        options: [
          ["any", "any that is equal"],
          ["solved", "solved for the unknown"],
          ["collected", "like terms collected"],
        ],
      },
      mistakes({ type: "text", name: "text", label: "Wrong expression" }, { text: "" }),
    ],
    blank: { answer: "", form: "any", misconceptions: [] },
  },
  steps: stepsForm,
  written: writtenForm,
};
