import type { SkillContent } from "@/core/model/content";

export const equivalentRatios: SkillContent = {
  id: "equivalent-ratios",
  name: "Equivalent ratios",
  studentName: "Same ratio, bigger amounts",
  grade: 6,
  standard: {
    code: "WV 6.R2",
    statement:
      "Make and recognise equivalent ratios by taking a batch several times, and use them to find an unknown amount.",
  },
  difficulty: -0.1,
  prerequisites: ["ratio-language", "equivalent-fractions"],
  contrasts: ["ratio-language"],
  lesson: {
    idea: "A mixture stays the same when the whole batch is taken several times: both amounts are multiplied by the same number.",
    example: "2 cups of juice go with 3 cups of water. How much water goes with 8 cups of juice?",
    steps: [
      "8 cups of juice is the batch 4 times, since 2 × 4 = 8.",
      "So the water is taken 4 times too: 3 × 4 = 12 cups.",
      "Adding 6 to both would give 9 cups: too strong, no longer the same drink.",
    ],
    picture: [
      { label: "juice", count: 8, per: 2 },
      { label: "water", count: 12, per: 3 },
    ],
  },
  reteach: {
    materials: "Two colours of counters; a sheet with an empty two-row table.",
    show: "Lay one batch: 2 dark, 3 light. Lay a second batch below, a third, and fill the table as you go. Then show 2 + 3 and 3 + 3: which batch is broken?",
    ask: [
      "How many batches do I have now?",
      "What happens to both numbers each time?",
      "Is 5 and 6 made of whole batches?",
    ],
    together: { task: "3 eggs to 4 spoons of sugar. 12 eggs?", answer: "4 batches, so 16 spoons." },
    alone: { task: "5 red to 2 white. 20 red?", answer: "4 batches, so 8 white." },
    exit: {
      task: "2 scoops of clay to 5 scoops of sand. How much sand for 6 scoops of clay?",
      answers: [
        { answer: "15", means: "Takes the batch three times.", next: "Go on to ratio tables." },
        { answer: "9", means: "Added 4 to both.", next: "Build it: which batch is broken? Count whole batches." },
        { answer: "5", means: "Scaled one side only.", next: "Ask what three batches need of everything." },
      ],
    },
  },
  models: [
    {
      id: "equivalent-ratios/bigger-batch",
      kind: "numeric",
      parameters: { first: { from: 2, to: 7 }, second: { from: 2, to: 9 }, times: { from: 2, to: 6 } },
      where: ["first != second", "gcd(first, second) == 1"],
      derived: { wanted: "first * times" },
      stem: "{who} mixes {first} {ones} with {second} {others}. For {occasion} {wanted} {ones} are used. How many {others} keep {same}?",
      contexts: {
        rowing: {
          who: "The boat club",
          ones: "cans of blue paint",
          others: "cans of white paint",
          occasion: "the big boat,",
          same: "the colour the same",
        },
        baking: {
          who: "The bakery",
          ones: "cups of rye flour",
          others: "cups of wheat flour",
          occasion: "the fair,",
          same: "the dough the same",
        },
        football: {
          who: "The club house",
          ones: "scoops of drink powder",
          others: "bottles of water",
          occasion: "the tournament,",
          same: "the taste the same",
        },
      },
      answer: "second * times",
      right: "x * first == second * wanted",
      misconceptions: [
        { id: "added-instead-of-scaled", value: "second + wanted - first" },
        { id: "scaled-one-side-only", value: "second" },
        { id: "turned-the-ratio-round", value: "wanted * first / second" },
      ],
      difficultyOffset: "(times - 4) * 0.1 + (second - 5) * 0.04",
      hint: "How many times the small batch gives {wanted} {ones}?",
      solution: "{wanted} is {times} times {first}, so the other amount is {times} times {second}.",
      picture: [
        { label: "{ones}", count: "first" },
        { label: "{others}", count: "second" },
      ],
    },
    {
      id: "equivalent-ratios/same-mix",
      kind: "choice",
      parameters: { first: { from: 2, to: 6 }, second: { from: 3, to: 9 }, times: { from: 2, to: 5 } },
      where: ["first < second", "gcd(first, second) == 1"],
      stem: "{who} uses {first} {ones} for every {second} {others}. Which of these is the same mixture?",
      contexts: {
        garden: { who: "The gardener", ones: "spades of compost", others: "spades of soil" },
        craft: { who: "The potter", ones: "spoons of glaze", others: "spoons of water" },
        music: { who: "The drum maker", ones: "drops of oil", others: "drops of wax" },
      },
      option: "{p} {ones} and {q} {others}",
      right: "p * second == q * first",
      key: { p: "first * times", q: "second * times" },
      misconceptions: [
        { id: "added-instead-of-scaled", values: { p: "first + times", q: "second + times" } },
        { id: "scaled-one-side-only", values: { p: "first * times", q: "second" } },
        { id: "turned-the-ratio-round", values: { p: "second * times", q: "first * times" } },
      ],
      difficultyOffset: "(times - 3) * 0.1 - 0.05",
      hint: "Take the whole batch several times. What happens to both numbers?",
      solution: "{times} batches: {first} × {times} and {second} × {times}.",
      picture: [
        { label: "{ones}", count: "first" },
        { label: "{others}", count: "second" },
      ],
    },
  ],
};
