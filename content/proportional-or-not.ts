import type { SkillContent } from "@/core/model/content";

export const proportionalOrNot: SkillContent = {
  id: "proportional-or-not",
  name: "Proportional or not",
  studentName: "Does doubling work here",
  grade: 7,
  standard: {
    code: "WV 7.R1",
    statement:
      "Decide whether two quantities are proportional from pairs of values or a description, and give the reason.",
  },
  difficulty: 0.75,
  prerequisites: ["ratio-tables"],
  contrasts: ["ratio-tables"],
  lesson: {
    idea: "Two quantities are proportional when doubling one always doubles the other: every pair has the same ratio. A fixed start or an equal difference breaks that.",
    example: "A boat ride costs 4 € plus 2 € for every km. Is the price proportional to the distance?",
    steps: [
      "3 km cost 4 + 6 = 10 €, 6 km cost 4 + 12 = 16 €.",
      "The distance doubled, the price did not.",
      "So it is not proportional: the 4 € are paid only once.",
    ],
  },
  reteach: {
    materials: "Two sets of cards with pairs of numbers; paper for two small tables.",
    show: "Set A: 2→6, 4→12, 5→15. Set B: 2→6, 4→8, 5→9. Find out what each rule does. Double 2 in both: what happens?",
    ask: ["What stays the same in each set?", "Does doubling work?", "What would be on the card for 0?"],
    together: {
      task: "Taxi: 3 € start and 2 € a km. 2 km, 4 km: proportional?",
      answer: "7 € and 11 €: no, doubling fails.",
    },
    alone: { task: "5 pens 8 €, 10 pens 16 €, 15 pens 24 €: proportional?", answer: "Yes, always 1.60 € a pen." },
    exit: {
      task: "A bike costs 5 € plus 3 € an hour. 2 hours cost 11 €. What do 4 hours cost?",
      answers: [
        { answer: "17 €", means: "Keeps the start apart.", next: "Go on to constant of proportionality." },
        {
          answer: "22 €",
          means: "Overlooked the start and doubled.",
          next: "Act it out with coins: what is paid twice?",
        },
      ],
    },
  },
  models: [
    {
      id: "proportional-or-not/which-pairs",
      kind: "choice",
      parameters: { a: { from: 2, to: 5 }, b: { from: 6, to: 9 }, rate: { from: 2, to: 6 }, start: { from: 2, to: 9 } },
      where: ["start != rate"],
      stem: "{story} In which record are the two quantities proportional?",
      contexts: {
        rowing: { story: "Four crews note minutes and laps.", one: "min", other: "laps" },
        garden: { story: "Four gardeners note days and buckets of water.", one: "days", other: "buckets" },
        craft: { story: "Four weavers note hours and rows.", one: "h", other: "rows" },
      },
      option: "{x1} {one} → {y1} {other}, {x2} {one} → {y2} {other}",
      right: "y1 * x2 == y2 * x1",
      key: { x1: "a", y1: "a * rate", x2: "b", y2: "b * rate" },
      misconceptions: [
        { id: "constant-difference", values: { x1: "a", y1: "a + start", x2: "b", y2: "b + start" } },
        { id: "overlooked-the-start", values: { x1: "a", y1: "a * rate + start", x2: "b", y2: "b * rate + start" } },
      ],
      fillers: [{ x1: "a", y1: "b * rate", x2: "b", y2: "a * rate" }],
      difficultyOffset: "(rate - 4) * 0.05",
      hint: "In each record, divide the second quantity by the first. Where is it the same both times?",
      solution: "Only where each is {rate} times as much do both pairs have the same ratio.",
    },
    {
      id: "proportional-or-not/with-a-start",
      kind: "numeric",
      parameters: {
        start: { from: 2, to: 9 },
        rate: { from: 2, to: 7 },
        few: { from: 2, to: 6 },
        times: { from: 2, to: 3 },
      },
      derived: { cost: "start + rate * few", many: "few * times" },
      stem: "{thing} costs {start} € {once}, plus the same amount for every {unit}. {few} {units} cost {cost} € altogether. What do {many} {units} cost?",
      contexts: {
        rowing: { thing: "Hiring a boat", once: "to start with", unit: "hour", units: "hours" },
        music: { thing: "A rehearsal room", once: "for the key", unit: "hour", units: "hours" },
        football: { thing: "The pitch", once: "for the lights", unit: "hour", units: "hours" },
      },
      answer: "start + rate * many",
      right: "(x - start) * few == (cost - start) * many",
      misconceptions: [
        { id: "overlooked-the-start", value: "cost * times" },
        { id: "added-instead-of-scaled", value: "cost + many - few" },
      ],
      unit: { word: "€", required: false },
      difficultyOffset: "0.1 + (times - 2) * 0.15",
      hint: "Which part of the price is paid only once?",
      solution:
        "Without the start: {cost} − {start} € for {few}, so {rate} € each. {many} times {rate} €, plus {start} €.",
    },
  ],
};
