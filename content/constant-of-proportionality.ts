import type { SkillContent } from "@/core/model/content";

export const constantOfProportionality: SkillContent = {
  id: "constant-of-proportionality",
  name: "Constant of proportionality",
  studentName: "The number behind the rule",
  grade: 7,
  standard: {
    code: "WV 7.R2",
    statement: "Find the constant of proportionality from a pair of values and write the rule as an equation.",
  },
  difficulty: 1,
  prerequisites: ["proportional-or-not", "comparing-rates"],
  contrasts: ["proportional-or-not"],
  lesson: {
    idea: "When two quantities are proportional, one is always the same number times the other. That number is the constant of proportionality.",
    example: "8 m of rope weigh 6 kg. Which number times the length gives the weight?",
    steps: ["Weight ÷ length: 6 ÷ 8 = 3/4.", "So weight = 3/4 × length.", "Check: 3/4 × 8 = 6."],
  },
  reteach: {
    materials: "String, a kitchen scale or a bag of equal coins, squared paper.",
    show: "Weigh 4, 8 and 12 coins. Divide each weight by the number of coins: the same number every time. Write it between the two columns.",
    ask: ["Which quantity do I want to get?", "What do I multiply to get it?", "What would turning it round tell me?"],
    together: { task: "6 litres of paint cover 15 m². Area = ? × litres", answer: "2 1/2" },
    alone: { task: "10 steps are 7 m. Metres = ? × steps", answer: "7/10" },
    exit: {
      task: "4 cups weigh 10 hg. Weight = ? × cups",
      answers: [
        { answer: "2.5", means: "Divides the wanted by the known.", next: "Done: stretch with graphs." },
        { answer: "0.4", means: "Turned the rate round.", next: "Test it: 0.4 × 4 is not 10." },
        { answer: "6", means: "Used the difference.", next: "Test it with another pair." },
      ],
    },
  },
  models: [
    {
      id: "constant-of-proportionality/find-the-number",
      kind: "numeric",
      parameters: { input: { from: 2, to: 12 }, output: { from: 3, to: 30 } },
      where: ["gcd(input, output) > 1", "input != output", "mod(input, output) != 0", "output - input != 1"],
      stem: "{story} {input} {ins} go with {output} {outs}, and the two are proportional. Which number belongs in: {outs} = ? × {ins}",
      contexts: {
        rowing: { story: "On a chart,", ins: "cm", outs: "km" },
        baking: { story: "In a recipe,", ins: "loaves", outs: "cups" },
        garden: { story: "In a field,", ins: "rows", outs: "sacks" },
      },
      answer: "output / input",
      right: "x * input == output",
      misconceptions: [
        { id: "turned-the-ratio-round", value: "input / output" },
        { id: "constant-difference", value: "output - input" },
      ],
      difficultyOffset: "(mod(output, input) == 0 ? -0.3 : 0.15)",
      hint: "What do you multiply {input} by to get {output}?",
      solution: "Divide: {output} ÷ {input}. Check by multiplying back.",
    },
    {
      id: "constant-of-proportionality/which-rule",
      kind: "choice",
      parameters: { half: { from: 3, to: 11 }, input: { of: [2, 4, 6, 8, 10] } },
      where: ["half != 2", "half * input / 2 != input"],
      derived: { rate: "half / 2", output: "half * input / 2" },
      stem: "{input} {ins} go with {output} {outs}; the two are proportional. Which rule fits?",
      contexts: {
        football: { ins: "minutes", outs: "laps" },
        music: { ins: "bars", outs: "seconds" },
        craft: { ins: "metres", outs: "grams" },
      },
      option: "{outs} = {m:mixed} × {ins}",
      right: "m * input == output",
      key: { m: "rate" },
      misconceptions: [
        { id: "turned-the-ratio-round", values: { m: "input / output" } },
        { id: "constant-difference", values: { m: "abs(output - input)" } },
      ],
      fillers: [{ m: "rate + 1" }, { m: "rate + 1 / 2" }],
      difficultyOffset: "(mod(half, 2) == 0 ? -0.25 : 0.1)",
      hint: "Put {input} into each rule. Which one gives {output}?",
      solution: "{output} ÷ {input} is the number that {input} must be multiplied by.",
    },
  ],
};
