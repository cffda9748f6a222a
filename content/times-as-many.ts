import type { SkillContent } from "@/core/model/content";

export const timesAsMany: SkillContent = {
  id: "times-as-many",
  name: "Times as many",
  studentName: "Times as many",
  grade: 4,
  standard: {
    code: "WV 4.R1",
    statement:
      "Compare two amounts by saying how many times as many one is as the other, and tell this apart from how many more.",
  },
  difficulty: -1.4,
  prerequisites: [],
  contrasts: [],
  lesson: {
    idea: "Two amounts can be compared in two ways: by how many more, and by how many times as many. “Times as many” asks how often the small amount fits into the large one.",
    example: "Bo has 4 shells. Ama has 12 shells. How many times as many shells does Ama have?",
    steps: [
      "Make groups of 4, as many as Bo has: 4, 4, 4 make 12.",
      "That took 3 groups, so Ama has 3 times as many.",
      "“8 more” is also true, but it answers a different question.",
    ],
    picture: [
      { label: "Bo", count: 4 },
      { label: "Ama", count: 12, per: 4 },
    ],
  },
  reteach: {
    materials: "Two colours of counters, buttons or paper squares, about 30 of each.",
    show: "Lay 4 counters in a row. Under it build a row of 12 in bundles of 4. Say both comparisons aloud: 8 more, and 3 times as many.",
    ask: [
      "How many copies of the short row make the long row?",
      "What would 5 times as many look like?",
      "Which sentence is about adding, which about copies?",
    ],
    together: {
      task: "6 pencils and 18 pencils. Build both rows, then say both comparisons.",
      answer: "12 more; 3 times as many.",
    },
    alone: { task: "Draw 5 stars, then draw 4 times as many.", answer: "20 stars in 4 rows of 5." },
    exit: {
      task: "Wim walked 7 km. Sal walked 28 km. How many times as far did Sal walk?",
      answers: [
        { answer: "4", means: "Compares by copies.", next: "Go on to ratio language." },
        {
          answer: "21",
          means: "Still compares by difference.",
          next: "Build both rows again and count the bundles, not the extra.",
        },
        {
          answer: "3",
          means: "Counts only the extra copies.",
          next: "Count aloud, starting with the first copy as “one times”.",
        },
      ],
    },
  },
  models: [
    {
      id: "times-as-many/how-many-times",
      kind: "numeric",
      parameters: { small: { from: 3, to: 9 }, times: { from: 2, to: 9 } },
      derived: { large: "small * times" },
      stem: "{one} {verb} {small} {things}. {other} {verb} {large} {things}. How many times as many {things} is that?",
      contexts: {
        rowing: { one: "On Monday the crew", other: "On Saturday the crew", verb: "rowed", things: "laps" },
        baking: { one: "Oda", other: "Her uncle", verb: "baked", things: "rolls" },
        football: { one: "The young team", other: "The old team", verb: "scored", things: "goals" },
      },
      answer: "times",
      right: "x * small == large",
      misconceptions: [
        { id: "compared-by-difference", value: "large - small" },
        { id: "one-time-too-few", value: "times - 1" },
        { id: "turned-the-ratio-round", value: "small / large" },
      ],
      difficultyOffset: "(times - 5) * 0.07 + (small - 6) * 0.04",
      hint: "How often does {small} fit into {large}?",
      solution: "{small} × {times} = {large}, so it is {times} times as many.",
      picture: [
        { label: "smaller amount", count: "small" },
        { label: "larger amount", count: "large", per: "small" },
      ],
    },
    {
      id: "times-as-many/find-the-larger",
      kind: "choice",
      parameters: { small: { from: 4, to: 12 }, times: { from: 3, to: 8 } },
      where: ["small != times"],
      stem: "{one} has {small} {things}. {other} has {times} times as many. How many {things} does {other} have?",
      contexts: {
        garden: { one: "The small bed", other: "the long bed", things: "bean plants" },
        music: { one: "Ravn's playlist", other: "Juno's playlist", things: "songs" },
        craft: { one: "The short string", other: "the long string", things: "beads" },
      },
      option: "{n}",
      right: "n / small == times",
      key: { n: "small * times" },
      misconceptions: [
        { id: "added-the-factor", values: { n: "small + times" } },
        { id: "one-time-too-few", values: { n: "small * (times - 1)" } },
      ],
      fillers: [{ n: "small * (times + 1)" }, { n: "small * times + times" }],
      difficultyOffset: "(times - 5) * 0.07 - 0.2",
      hint: "{times} times as many means {times} copies of {small}.",
      solution: "{times} copies of {small}: {times} × {small} gives the answer.",
    },
  ],
};
