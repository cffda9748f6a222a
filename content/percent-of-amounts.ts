import type { SkillContent } from "@/core/model/content";

export const percentOfAmounts: SkillContent = {
  id: "percent-of-amounts",
  name: "Percent of an amount",
  studentName: "Percent of an amount",
  grade: 6,
  standard: {
    code: "WV 6.R6",
    statement: "Find a percent of an amount as so many for every hundred, and the amount after a reduction.",
  },
  difficulty: 0.3,
  prerequisites: ["fractions-of-amounts", "equivalent-ratios"],
  contrasts: [],
  lesson: {
    idea: "Percent means “of every hundred”. 10 % is a tenth; other percents are built from it.",
    example: "What is 30 % of 80?",
    steps: [
      "10 % of 80 is 80 ÷ 10 = 8.",
      "30 % is three times that: 3 × 8 = 24.",
      "It is 30 only when the whole is 100.",
    ],
    picture: [
      { label: "10 %", count: 8 },
      { label: "30 %", count: 24, per: 8 },
    ],
  },
  reteach: {
    materials: "A bar drawn ten squares long for each student, counters.",
    show: "Write 80 under the whole bar. Each square is 10 %: 8. Shade three squares. Then write 200 under the same bar and ask again.",
    ask: ["What is one square worth now?", "When would 30 % be exactly 30?", "What is left when 30 % is taken off?"],
    together: { task: "40 % of 60, and what is left.", answer: "24, and 36 are left." },
    alone: { task: "15 % of 40.", answer: "4 and half of 4: 6." },
    exit: {
      task: "A 60 € coat is 20 % off. What does it cost now?",
      answers: [
        { answer: "48 €", means: "Finds the part and takes it off.", next: "Go on; percent is in hand." },
        { answer: "40 €", means: "Took percent as an amount.", next: "Bar again: what is 10 % of 60?" },
        { answer: "12 €", means: "Gave the reduction, not the price.", next: "Ask: paid or saved?" },
      ],
    },
  },
  models: [
    {
      id: "percent-of-amounts/find-percent",
      kind: "numeric",
      parameters: { percent: { of: [5, 10, 15, 20, 25, 30, 40, 60, 70, 75, 80, 90] }, tens: { from: 2, to: 20 } },
      where: ["mod(percent * tens * 20, 100) == 0", "tens != 5"],
      derived: { whole: "tens * 20", tenth: "tens * 2" },
      stem: "{story} {whole} {things}. {percent} % of them {did}. How many is that?",
      contexts: {
        football: { story: "The stand holds", things: "fans", did: "wear a scarf" },
        music: { story: "The concert drew", things: "guests", did: "sang along" },
        garden: { story: "The orchard has", things: "trees", did: "bear fruit this year" },
      },
      answer: "percent * whole / 100",
      right: "x * 100 == percent * whole",
      misconceptions: [
        { id: "percent-as-amount", value: "percent" },
        { id: "took-the-rest", value: "whole - percent * whole / 100" },
        { id: "divided-by-the-top", value: "whole / percent" },
      ],
      difficultyOffset: "(mod(percent, 10) == 0 ? -0.15 : 0.2) + (tens - 10) * 0.02",
      hint: "10 % of {whole} is {tenth}. How many times that do you need?",
      solution: "{percent} of every 100: 10 % is {tenth}, so {percent} % is {percent} ÷ 10 times {tenth}.",
    },
    {
      id: "percent-of-amounts/after-reduction",
      kind: "choice",
      parameters: { percent: { of: [10, 20, 25, 30, 40, 60, 75] }, price: { from: 20, to: 180, step: 20 } },
      where: ["price != 100", "percent < price"],
      derived: { saved: "percent * price / 100" },
      stem: "{thing} costs {price} €. Today it is {percent} % cheaper. What does it cost today?",
      contexts: {
        rowing: { thing: "A life jacket" },
        baking: { thing: "A mixing machine" },
        craft: { thing: "A loom" },
      },
      option: "{n:money} €",
      right: "n * 100 == price * (100 - percent)",
      key: { n: "price - saved" },
      misconceptions: [
        { id: "percent-as-amount", values: { n: "price - percent" } },
        { id: "took-the-rest", values: { n: "saved" } },
      ],
      fillers: [{ n: "price + saved" }],
      difficultyOffset: "0.1 + (mod(percent, 10) == 0 ? 0 : 0.15)",
      hint: "First find how much is taken off.",
      solution: "{percent} % of {price} € is {saved:money} €; take that off {price} €.",
    },
  ],
};
