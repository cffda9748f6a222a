import type { SkillContent } from "@/core/model/content";

export const ratioTables: SkillContent = {
  id: "ratio-tables",
  name: "Ratio tables",
  studentName: "Tables that keep the ratio",
  grade: 6,
  standard: {
    code: "WV 6.R3",
    statement:
      "Complete and extend tables of equivalent ratios, also where one column is no whole multiple of the other.",
  },
  difficulty: 0,
  prerequisites: ["equivalent-ratios"],
  contrasts: ["equivalent-ratios"],
  lesson: {
    idea: "In a ratio table every column is the same ratio. Go from one column to another by multiplying, or by way of the smallest column.",
    example: "6 tickets cost 15 €. What do 10 tickets cost?",
    steps: [
      "Find the smallest column: 6 to 15 is three times 2 to 5.",
      "10 tickets are 5 times 2 tickets.",
      "So they cost 5 × 5 = 25 €.",
    ],
    picture: [
      { label: "tickets", count: 10, per: 2 },
      { label: "€", count: 25, per: 5 },
    ],
  },
  reteach: {
    materials: "A strip of squared paper with two rows per student.",
    show: "Write 6 and 15 in a column. Divide both by 3 in the column before it, multiply that by 5 in the column after. Draw the arrows above and below.",
    ask: [
      "What happens along the top arrow? And along the bottom one?",
      "Which small column helps?",
      "Could I add columns? When does adding work?",
    ],
    together: { task: "4 books weigh 6 kg. 10 books?", answer: "2 books 3 kg; 10 books 15 kg." },
    alone: { task: "9 laps take 12 minutes. 6 laps?", answer: "3 laps 4 minutes; 6 laps 8 minutes." },
    exit: {
      task: "6 apples cost 4 €. What do 15 apples cost?",
      answers: [
        { answer: "10 €", means: "Goes by way of 3 apples for 2 €.", next: "Go on to unit rates." },
        { answer: "13 €", means: "Added 9 to both.", next: "Draw the arrows again and label them with ×." },
        { answer: "8 €", means: "Doubled, without checking the top row.", next: "Say what the top arrow does first." },
      ],
    },
  },
  models: [
    {
      id: "ratio-tables/missing-cell",
      kind: "numeric",
      parameters: {
        first: { from: 2, to: 5 },
        second: { from: 2, to: 7 },
        near: { from: 2, to: 4 },
        far: { from: 3, to: 7 },
      },
      where: ["gcd(first, second) == 1", "mod(far, near) != 0", "first != second"],
      derived: { a: "first * near", b: "second * near", c: "first * far" },
      stem: "{story} The table keeps the same ratio. Which number belongs in the empty cell?",
      contexts: {
        rowing: { story: "The crew counts strokes and metres.", top: "strokes", bottom: "metres" },
        baking: { story: "The baker weighs flour and water.", top: "scoops of flour", bottom: "cups of water" },
        football: { story: "The groundsman marks lines.", top: "bags of chalk", bottom: "lines" },
      },
      table: [
        { label: "{top}", cells: ["a", "c"] },
        { label: "{bottom}", cells: ["b", "?"] },
      ],
      answer: "second * far",
      right: "x * a == b * c",
      misconceptions: [
        { id: "added-instead-of-scaled", value: "b + c - a" },
        { id: "scaled-one-side-only", value: "b" },
      ],
      difficultyOffset: "0.1 + (near - 3) * 0.12 + (far - 5) * 0.05",
      hint: "Find a smaller column first: divide both {a} and {b} by the same number.",
      solution:
        "{a} and {b} are {near} times {first} and {second}. {c} is {far} times {first}, so take {far} times {second}.",
    },
    {
      id: "ratio-tables/which-column",
      kind: "choice",
      parameters: {
        first: { from: 2, to: 5 },
        second: { from: 3, to: 8 },
        near: { from: 2, to: 4 },
        far: { from: 5, to: 9 },
      },
      where: ["gcd(first, second) == 1", "first < second"],
      derived: { a: "first * near", b: "second * near" },
      stem: "In a ratio table for {what}, one column says {a} {top} and {b} {bottom}. Which column belongs in the same table?",
      contexts: {
        garden: { what: "planting", top: "rows", bottom: "seedlings" },
        music: { what: "a rhythm", top: "claps", bottom: "taps" },
        craft: { what: "weaving", top: "red threads", bottom: "green threads" },
      },
      option: "{p} {top} and {q} {bottom}",
      right: "p * b == q * a",
      key: { p: "first * far", q: "second * far" },
      misconceptions: [
        { id: "added-instead-of-scaled", values: { p: "a + far", q: "b + far" } },
        { id: "scaled-one-side-only", values: { p: "first * far", q: "b" } },
        { id: "turned-the-ratio-round", values: { p: "second * far", q: "first * far" } },
      ],
      difficultyOffset: "0.05 + (near - 3) * 0.1",
      hint: "Divide {a} and {b} by the same number to find the smallest column.",
      solution: "The smallest column is {first} and {second}; {far} times that is the answer.",
    },
  ],
};
