import type { SkillContent } from "@/core/model/content";

export const fractionsOfAmounts: SkillContent = {
  id: "fractions-of-amounts",
  name: "Fractions of amounts",
  studentName: "A fraction of an amount",
  grade: 5,
  standard: {
    code: "WV 5.R1",
    statement:
      "Find a fraction of an amount by sharing into equal parts and taking as many as needed; find the part that remains.",
  },
  difficulty: -0.7,
  prerequisites: ["equivalent-fractions"],
  contrasts: [],
  lesson: {
    idea: "To find a fraction of an amount, first share it into as many equal parts as the bottom number says, then take as many parts as the top number says.",
    example: "What is 3/5 of 20 plums?",
    steps: [
      "Share 20 into 5 equal parts: 20 ÷ 5 = 4 in each.",
      "Take 3 of the parts: 3 × 4 = 12.",
      "So 3/5 of 20 is 12.",
    ],
    picture: [
      { label: "all", count: 20, per: 4 },
      { label: "3 parts", count: 12, per: 4 },
    ],
  },
  reteach: {
    materials: "24 small things to share (beans, paper clips), five paper cups.",
    show: "Share 20 beans evenly among 5 cups. Push 3 cups forward: three fifths. Count them.",
    ask: [
      "How many cups does the bottom number ask for?",
      "What does the top number tell me to do?",
      "How many beans stay behind?",
    ],
    together: { task: "2/3 of 18: share, take, count.", answer: "3 cups of 6; take 2: 12." },
    alone: { task: "3/4 of 24, and how many are left.", answer: "18, and 6 are left." },
    exit: {
      task: "What is 2/5 of 30?",
      answers: [
        { answer: "12", means: "Shares, then takes.", next: "Go on to scaling by a fraction." },
        { answer: "6", means: "Stops at one share.", next: "Say “fifths” and “two of them” apart, with cups." },
        { answer: "15", means: "Divides by the top number.", next: "Ask which number makes the cups." },
      ],
    },
  },
  models: [
    {
      id: "fractions-of-amounts/find-the-part",
      kind: "numeric",
      parameters: { top: { from: 2, to: 7 }, bottom: { from: 3, to: 9 }, share: { from: 3, to: 9 } },
      where: ["top < bottom", "gcd(top, bottom) == 1"],
      derived: { whole: "bottom * share", fraction: "top / bottom" },
      stem: "{who} has {whole} {things}. {fraction} of them are {kind}. How many {things} are {kind}?",
      contexts: {
        garden: { who: "The school garden", things: "tulips", kind: "red" },
        football: { who: "The club", things: "players", kind: "under twelve" },
        craft: { who: "The workshop", things: "tiles", kind: "blue" },
      },
      answer: "top * share",
      right: "x * bottom == top * whole",
      misconceptions: [
        { id: "one-share-only", value: "whole / bottom" },
        { id: "took-the-rest", value: "whole - top * share" },
        { id: "divided-by-the-top", value: "whole / top" },
      ],
      difficultyOffset: "(bottom - 6) * 0.08 + (share - 6) * 0.05",
      hint: "Share {whole} into {bottom} equal parts first. How many are in one part?",
      solution: "{whole} ÷ {bottom} = {share} in one part; {top} parts are {top} × {share}.",
      picture: [{ label: "{bottom} equal parts", count: "whole", per: "share" }],
    },
    {
      id: "fractions-of-amounts/find-the-rest",
      kind: "choice",
      parameters: { top: { from: 1, to: 5 }, bottom: { from: 3, to: 8 }, share: { from: 3, to: 9 } },
      where: ["top < bottom", "gcd(top, bottom) == 1", "2 * top != bottom"],
      derived: { whole: "bottom * share", fraction: "top / bottom" },
      stem: "{who} {had} {whole} {things}. {fraction} of them {gone}. How many {things} {left}?",
      contexts: {
        baking: { who: "The bakery", had: "made", things: "buns", gone: "were sold by noon", left: "were left" },
        rowing: { who: "The boat house", had: "owned", things: "oars", gone: "were lent out", left: "stayed" },
        music: { who: "The choir", had: "had", things: "song sheets", gone: "were handed out", left: "were left" },
      },
      option: "{n}",
      right: "(whole - n) * bottom == top * whole",
      key: { n: "whole - top * share" },
      misconceptions: [
        { id: "took-the-rest", values: { n: "top * share" } },
        { id: "one-share-only", values: { n: "share" } },
      ],
      fillers: [{ n: "whole - bottom" }, { n: "whole - share + 1" }],
      difficultyOffset: "0.2 + (bottom - 5) * 0.07",
      hint: "First find the part that is gone. What is asked for?",
      solution: "One part is {whole} ÷ {bottom} = {share}; {top} parts are gone, the others stay.",
    },
  ],
};
