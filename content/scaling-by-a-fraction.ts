import type { SkillContent } from "@/core/model/content";

export const scalingByAFraction: SkillContent = {
  id: "scaling-by-a-fraction",
  name: "Scaling by a fraction",
  studentName: "Longer or shorter: times a fraction",
  grade: 5,
  standard: {
    code: "WV 5.R2",
    statement:
      "Treat multiplying as resizing: say beforehand whether a product is larger or smaller, and name the fraction that takes one length to another.",
  },
  difficulty: -0.45,
  prerequisites: ["times-as-many", "fractions-of-amounts"],
  contrasts: [],
  lesson: {
    idea: "Multiplying by a number resizes. By more than 1, things grow; by less than 1, they shrink; by 1, they stay.",
    example: "A plank of 12 m is made 2/3 times as long. How long is it now?",
    steps: [
      "2/3 is less than 1, so the plank gets shorter.",
      "One third of 12 m is 4 m.",
      "Two thirds are 8 m, and 8 m is shorter than 12 m, as expected.",
    ],
    picture: [
      { label: "before", count: 12, per: 4 },
      { label: "after", count: 8, per: 4 },
    ],
  },
  reteach: {
    materials: "A long paper strip per student, a ruler.",
    show: "Mark a strip of 12 cm. Ask for 2/3 times as long, 3/3 times, 4/3 times: cut and lay them one under the other.",
    ask: [
      "Shorter or longer: how can you tell before you work it out?",
      "What would 1 times as long be?",
      "Which fraction takes the short strip back to the long one?",
    ],
    together: { task: "10 cm made 3/5 times as long.", answer: "6 cm, shorter, since 3/5 is less than 1." },
    alone: { task: "8 cm made 5/4 times as long.", answer: "10 cm, longer, since 5/4 is more than 1." },
    exit: {
      task: "A path of 15 m is made 2/5 times as long. How long is it?",
      answers: [
        { answer: "6 m", means: "Resizes and expects it shorter.", next: "Go on to percent of an amount." },
        {
          answer: "37.5 m",
          means: "Expects multiplying to make bigger.",
          next: "Lay strips for 1/2, 1 and 2 times as long.",
        },
        { answer: "15 2/5 m", means: "Adds the fraction.", next: "Compare “2/5 longer by” with “2/5 times as long”." },
      ],
    },
  },
  models: [
    {
      id: "scaling-by-a-fraction/new-length",
      kind: "choice",
      parameters: { top: { from: 2, to: 7 }, bottom: { from: 3, to: 6 }, share: { from: 3, to: 8 } },
      where: ["gcd(top, bottom) == 1", "top != bottom"],
      derived: { length: "bottom * share", fraction: "top / bottom" },
      stem: "{thing} is {length} {unit} long. It is made {fraction} times as long. How long is it then?",
      contexts: {
        rowing: { thing: "A rowing course", unit: "km" },
        craft: { thing: "A scarf", unit: "cm" },
        garden: { thing: "A hedge", unit: "m" },
      },
      option: "{n:mixed} {unit}",
      right: "n * bottom == length * top",
      key: { n: "top * share" },
      misconceptions: [
        { id: "multiplying-makes-bigger", values: { n: "length * bottom / top" } },
        { id: "added-the-fraction", values: { n: "length + top / bottom" } },
        { id: "one-share-only", values: { n: "share" } },
      ],
      fillers: [{ n: "length + share" }],
      difficultyOffset: "(top > bottom ? -0.15 : 0.1) + (bottom - 4) * 0.1",
      hint: "Is {fraction} more or less than 1? So will it be longer or shorter?",
      solution: "1/{bottom} of {length} is {share}; {top} such parts are the new length.",
    },
    {
      id: "scaling-by-a-fraction/which-factor",
      kind: "numeric",
      parameters: { top: { from: 2, to: 7 }, bottom: { from: 3, to: 7 }, share: { from: 2, to: 6 } },
      where: ["gcd(top, bottom) == 1", "top < bottom"],
      derived: { before: "bottom * share", after: "top * share" },
      stem: "{thing} was {before} {unit} {size}. Now it is {after} {unit} {size}. How many times as {size} is it now? Write a fraction.",
      contexts: {
        baking: { thing: "A loaf", unit: "cm", size: "long" },
        music: { thing: "An organ pipe", unit: "cm", size: "long" },
        football: { thing: "The training pitch", unit: "m", size: "wide" },
      },
      answer: "after / before",
      answerFormat: "fraction",
      right: "x * before == after",
      misconceptions: [
        { id: "turned-the-ratio-round", value: "before / after" },
        { id: "compared-by-difference", value: "before - after" },
      ],
      difficultyOffset: "0.25 + (share - 4) * 0.08",
      hint: "The new one is shorter, so the fraction is less than 1. Which number goes on top?",
      solution: "{after} out of {before} is {top} parts of {bottom}.",
    },
  ],
};
