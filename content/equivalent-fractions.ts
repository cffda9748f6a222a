import type { SkillContent } from "@/core/model/content";

export const equivalentFractions: SkillContent = {
  id: "equivalent-fractions",
  name: "Equivalent fractions",
  studentName: "Fractions of the same size",
  grade: 4,
  standard: {
    code: "WV 4.R2",
    statement:
      "Find and recognise fractions of equal size by cutting or joining equal parts, and explain why they are equal.",
  },
  difficulty: -1.1,
  prerequisites: [],
  contrasts: [],
  lesson: {
    idea: "Cutting every part of a bar into the same number of smaller parts changes how many parts there are, not how much is coloured.",
    example: "2/3 of a bar is coloured. Cut every third into 4. What fraction is coloured now?",
    steps: [
      "The bar had 3 parts; each becomes 4, so there are 3 × 4 = 12 parts.",
      "The 2 coloured parts become 2 × 4 = 8 coloured parts.",
      "So 2/3 = 8/12: top and bottom were multiplied by the same number.",
    ],
    picture: [
      { label: "2 of 3", count: 2 },
      { label: "8 of 12", count: 8, per: 4 },
    ],
  },
  reteach: {
    materials: "Strips of paper of equal length, scissors, a pencil.",
    show: "Fold a strip in thirds and shade two. Fold it again in half the long way: six parts, four shaded. Nothing was coloured or rubbed out.",
    ask: [
      "What changed, what stayed the same?",
      "If I fold once more, what will the fraction be?",
      "Why can I not just add 3 to top and bottom?",
    ],
    together: { task: "Show with strips that 3/4 = 6/8.", answer: "Each fourth is halved: 3 × 2 over 4 × 2." },
    alone: {
      task: "Write two fractions as large as 2/5.",
      answer: "4/10, 6/15, or any with top and bottom multiplied alike.",
    },
    exit: {
      task: "3/5 = ?/20",
      answers: [
        { answer: "12", means: "Multiplies top and bottom alike.", next: "Go on to fractions of amounts." },
        {
          answer: "18",
          means: "Adds the same to top and bottom.",
          next: "Lay a strip for 3/5 next to one for 18/20: not equal.",
        },
        {
          answer: "3",
          means: "Changes only the bottom.",
          next: "Fold a strip: more parts, so more of them are shaded.",
        },
      ],
    },
  },
  models: [
    {
      id: "equivalent-fractions/missing-top",
      kind: "numeric",
      parameters: { top: { from: 1, to: 8 }, bottom: { from: 2, to: 10 }, times: { from: 2, to: 7 } },
      where: ["top < bottom", "gcd(top, bottom) == 1"],
      derived: { wide: "bottom * times", share: "top / bottom" },
      stem: "{who} cuts a {whole} into {bottom} equal parts and uses {top} of them. {other} cuts the same {whole} into {wide} equal parts. How many parts must {other} use for the same amount?",
      contexts: {
        baking: { who: "Tove", other: "Emil", whole: "tray of cake" },
        craft: { who: "Lina", other: "Per", whole: "length of ribbon" },
        garden: { who: "Asa", other: "Noa", whole: "flower bed" },
      },
      answer: "top * times",
      right: "x * bottom == top * wide",
      misconceptions: [
        { id: "added-instead-of-scaled", value: "top + wide - bottom" },
        { id: "scaled-one-side-only", value: "top" },
      ],
      difficultyOffset: "(times - 4) * 0.08 + (bottom - 5) * 0.04",
      hint: "Each of the {bottom} parts is cut into how many smaller ones to make {wide}?",
      solution: "Each part becomes {times} small ones, so {top} parts become {top} × {times} small ones.",
    },
    {
      id: "equivalent-fractions/which-is-equal",
      kind: "choice",
      parameters: { top: { from: 1, to: 7 }, bottom: { from: 3, to: 9 }, times: { from: 2, to: 6 } },
      where: ["top < bottom", "gcd(top, bottom) == 1"],
      derived: { share: "top / bottom" },
      stem: "{who} {done} {share} of {whole}. Which fraction is just as much?",
      contexts: {
        rowing: { who: "The crew", done: "has rowed", whole: "the course" },
        music: { who: "The band", done: "has practised", whole: "the programme" },
        football: { who: "The coach", done: "has used", whole: "the training time" },
      },
      option: "{p}/{q}",
      right: "p * bottom == q * top",
      key: { p: "top * times", q: "bottom * times" },
      misconceptions: [
        { id: "added-instead-of-scaled", values: { p: "top + times", q: "bottom + times" } },
        { id: "scaled-one-side-only", values: { p: "top", q: "bottom * times" } },
        { id: "turned-the-ratio-round", values: { p: "bottom * times", q: "top * times" } },
      ],
      difficultyOffset: "(times - 4) * 0.08 + (bottom - 6) * 0.05",
      hint: "Cut every part into the same number of smaller ones: what happens to the top, and to the bottom?",
      solution:
        "Multiply top and bottom by {times}: the parts are smaller, and there are {times} times as many of them.",
    },
  ],
};
