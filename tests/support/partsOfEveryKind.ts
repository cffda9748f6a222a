import type { PartBody } from "@/core/items/itemBody";
import type { ItemKind } from "@/core/items/itemKind";
import { chooseAll, writeWord } from "./newItem";

/** A part of every kind, about the number {n} (2 to 9). */
export const PARTS: Readonly<Record<ItemKind, PartBody>> = {
  number: { id: "a", kind: "number", answer: "2 * n", right: "x == 2 * n", misconceptions: [] },
  "single-choice": {
    id: "a",
    kind: "single-choice",
    option: "{x}",
    right: "x == 2 * n",
    options: [
      { id: "twice", values: { x: "2 * n" } },
      { id: "once", values: { x: "n" } },
      { id: "more", values: { x: "n + 30" } },
    ],
  },
  "multiple-choice": chooseAll,
  "short-text": { ...writeWord, id: "a" },
  "inline-choice": {
    id: "a",
    kind: "inline-choice",
    text: ["Twice {n} is ", { gap: "one" }, " and half of it is ", { gap: "two" }, "."],
    gaps: [
      {
        id: "one",
        options: [
          { id: "k", text: "more than {n}" },
          { id: "x", text: "less than {n}" },
        ],
        right: "k",
      },
      {
        id: "two",
        options: [
          { id: "k", text: "less than {n}" },
          { id: "x", text: "more than {n}" },
        ],
        right: "k",
      },
    ],
  },
  order: {
    id: "a",
    kind: "order",
    members: [
      { id: "p", text: "half of {n}", value: "n / 2" },
      { id: "q", text: "{n} itself", value: "n" },
      { id: "r", text: "three times {n}", value: "3 * n" },
      { id: "s", text: "twice {n}", value: "2 * n" },
    ],
    misconceptions: [],
  },
  matching: {
    id: "a",
    kind: "matching",
    things: [
      { id: "u", text: "2 × {n}", partner: "p" },
      { id: "v", text: "{n} ÷ 2", partner: "q" },
      { id: "w", text: "{n} + {n}", partner: "p" },
    ],
    partners: [
      { id: "p", text: "twice {n}" },
      { id: "q", text: "half of {n}" },
    ],
    misconceptions: [],
  },
  "select-words": {
    id: "a",
    kind: "select-words",
    text: [
      { text: "Select what is counted: " },
      { id: "p", text: "{n}", right: false },
      { text: " " },
      { id: "q", text: "boats", right: true },
      { text: " and " },
      { id: "r", text: "oars", right: true },
      { text: " lay " },
      { id: "s", text: "idle", right: false },
      { text: "." },
    ],
  },
  "number-line": {
    id: "a",
    kind: "number-line",
    from: "0",
    to: "2",
    step: "1 / 4",
    labelEvery: "2",
    right: { low: "1 / 2", high: null, withLow: false, withHigh: false },
    misconceptions: [],
  },
  grid: {
    id: "a",
    kind: "grid",
    across: { from: "0", to: "10", step: "1" },
    up: { from: "0", to: "10", step: "1" },
    task: "points",
    right: [
      { x: "n", y: "2" },
      { x: "1", y: "n" },
    ],
    misconceptions: [],
  },
  shading: { id: "a", kind: "shading", parts: "12", columns: "4", right: "1 / 4", misconceptions: [] },
  expression: { id: "a", kind: "expression", answer: "{n}x + 2", form: "any", misconceptions: [] },
  steps: { id: "a", kind: "steps", start: "{n}x + 3 = 21", misconceptions: [] },
  written: {
    id: "a",
    kind: "written",
    length: "paragraph",
    showCriteria: true,
    criteria: [{ id: "why", name: "A reason", levels: ["None", "One that says little", "One about {n}"] }],
    sample: "Because {n} is doubled.",
  },
};
