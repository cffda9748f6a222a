import type { SkillContent } from "@/core/model/content";

export const comparingRates: SkillContent = {
  id: "comparing-rates",
  name: "Comparing rates",
  studentName: "Which is the better deal",
  grade: 6,
  standard: {
    code: "WV 6.R5",
    statement:
      "Compare rates given for different amounts by bringing them to the same amount, and say which is better for what.",
  },
  difficulty: 0.4,
  prerequisites: ["unit-rates"],
  contrasts: ["unit-rates"],
  lesson: {
    idea: "Two offers for different amounts can be compared once both say what one costs, or what the same amount costs.",
    example: "6 eggs for 3 €, or 10 eggs for 4 €: which is the better deal?",
    steps: [
      "6 eggs for 3 €: 3 ÷ 6 = 0.50 € an egg.",
      "10 eggs for 4 €: 4 ÷ 10 = 0.40 € an egg.",
      "The second is better: less for each egg, although the price is higher.",
    ],
  },
  reteach: {
    materials: "Price labels cut from paper: amount and price on each.",
    show: "Put up two labels. Ask for a quick vote. Then write under each what one costs, and vote again.",
    ask: [
      "What would make the comparison fair?",
      "Which number did you look at first?",
      "Is the biggest pack always best?",
    ],
    together: { task: "4 pens for 6 € or 5 pens for 7 €?", answer: "1.50 € against 1.40 €: the second." },
    alone: { task: "3 kg for 12 € or 5 kg for 19 €?", answer: "4 € against 3.80 €: the second." },
    exit: {
      task: "Best value: 2 for 5 €, 4 for 8 €, or 6 for 15 €?",
      answers: [
        { answer: "4 for 8 €", means: "Compares what one costs.", next: "Go on to constant of proportionality." },
        { answer: "2 for 5 €", means: "Looks at the price only.", next: "Ask what one costs on every label." },
        { answer: "6 for 15 €", means: "Looks at the amount only.", next: "Ask what one costs on every label." },
      ],
    },
  },
  models: [
    {
      id: "comparing-rates/best-value",
      kind: "choice",
      parameters: {
        middle: { from: 5, to: 8 },
        few: { from: 2, to: 4 },
        many: { from: 9, to: 12 },
        cheap: { from: 2, to: 5 },
        more: { from: 1, to: 3 },
        most: { from: 1, to: 3 },
      },
      derived: { p1: "middle * cheap", p2: "few * (cheap + more)", p3: "many * (cheap + most)" },
      where: ["few * (cheap + more) < middle * cheap", "more != most"],
      stem: "{story} Which offer is the best value: the least for one {one}?",
      contexts: {
        baking: { story: "Three stalls sell the same rolls.", one: "roll", things: "rolls" },
        garden: { story: "Three nurseries sell the same plants.", one: "plant", things: "plants" },
        craft: { story: "Three shops sell the same yarn.", one: "ball", things: "balls" },
      },
      option: "{n} {things} for {p} €",
      right: "p * middle == p1 * n",
      key: { n: "middle", p: "p1" },
      misconceptions: [
        { id: "looked-at-price-only", values: { n: "few", p: "p2" } },
        { id: "looked-at-amount-only", values: { n: "many", p: "p3" } },
      ],
      difficultyOffset: "0.1 - (more + most - 4) * 0.08",
      hint: "Work out what one costs in each offer.",
      solution: "For one: {p1} ÷ {middle} = {cheap} €. In the other offers one costs more.",
    },
    {
      id: "comparing-rates/how-much-less",
      kind: "numeric",
      parameters: {
        n1: { from: 3, to: 9 },
        n2: { from: 3, to: 9 },
        low: { from: 2, to: 8 },
        gap: { of: [0.5, 1, 1.5, 2, 2.5] },
      },
      where: ["n1 != n2", "n1 * low != n2 * (low + gap)"],
      derived: { p1: "n1 * low", p2: "n2 * (low + gap)", high: "low + gap" },
      stem: "{first}: {n1} {things} for {p1:money} €. {second}: {n2} {things} for {p2:money} €. How many euros less does one cost at the cheaper place?",
      contexts: {
        rowing: { first: "River shop", second: "Town shop", things: "boat hooks" },
        football: { first: "Sports hall", second: "Market", things: "training shirts" },
        music: { first: "Music house", second: "Flea market", things: "drumsticks" },
      },
      answer: "gap",
      answerFormat: "money",
      right: "x + p1 / n1 == p2 / n2",
      misconceptions: [
        { id: "looked-at-price-only", value: "abs(p2 - p1)" },
        { id: "one-share-only", value: "low" },
      ],
      unit: { word: "€", required: false },
      difficultyOffset: "0.25 + (mod(gap, 1) == 0 ? 0 : 0.2)",
      hint: "Find the price of one at each place, then compare those two.",
      solution:
        "For one: {p1:money} ÷ {n1} = {low} € and {p2:money} ÷ {n2} = {high:money} €. The difference is {gap:money} €.",
    },
  ],
};
