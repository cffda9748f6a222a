import type { SkillContent } from "@/core/model/content";

export const ratioLanguage: SkillContent = {
  id: "ratio-language",
  name: "Ratio language",
  studentName: "Saying it as a ratio",
  grade: 6,
  standard: {
    code: "WV 6.R1",
    statement:
      "Describe how two quantities go together with a ratio, in the right order, and tell part to part from part to whole.",
  },
  difficulty: -0.35,
  prerequisites: ["times-as-many"],
  contrasts: [],
  lesson: {
    idea: "A ratio says how much of one thing there is for how much of another. The order of the words is the order of the numbers.",
    example:
      "A team has 3 goalkeepers and 8 field players. What is the ratio of goalkeepers to field players, and of goalkeepers to everyone?",
    steps: [
      "Goalkeepers come first: 3 to 8.",
      "Everyone is 3 + 8 = 11.",
      "Goalkeepers to everyone is 3 to 11: a part to the whole.",
    ],
    picture: [
      { label: "goalkeepers", count: 3 },
      { label: "field players", count: 8 },
    ],
  },
  reteach: {
    materials: "Two colours of counters; slips with “to”, “all”, and the colour words.",
    show: "Lay 2 red and 5 blue. Lay the word slips under them in order and read aloud. Swap the slips: the numbers swap too.",
    ask: ["Which word comes first?", "Where is the whole?", "What fraction of all is red, and why is it not 2/5?"],
    together: {
      task: "4 pens and 3 pencils: pens to pencils, pencils to pens, pens to all.",
      answer: "4 to 3; 3 to 4; 4 to 7.",
    },
    alone: { task: "6 cats and 1 dog: dogs to cats, and the fraction that are dogs.", answer: "1 to 6; 1/7." },
    exit: {
      task: "The ratio of boys to girls is 3 to 4. What fraction are boys?",
      answers: [
        { answer: "3/7", means: "Sees the whole.", next: "Go on to equivalent ratios." },
        { answer: "3/4", means: "Compares parts, not the whole.", next: "Lay it out and ask for “out of all”." },
        { answer: "4/7", means: "Turns the order round.", next: "Put the word slips under the numbers." },
      ],
    },
  },
  models: [
    {
      id: "ratio-language/name-the-ratio",
      kind: "choice",
      parameters: { first: { from: 2, to: 12 }, second: { from: 2, to: 12 } },
      where: ["first != second"],
      derived: { all: "first + second" },
      stem: "{place} has {first} {ones} and {second} {others}. What is the ratio of {ones} to {others}?",
      contexts: {
        rowing: { place: "The boat house", ones: "single boats", others: "double boats" },
        baking: { place: "The tray", ones: "rye rolls", others: "wheat rolls" },
        music: { place: "The band", ones: "drummers", others: "pipers" },
      },
      option: "{p} to {q}",
      right: "p * second == q * first",
      key: { p: "first", q: "second" },
      misconceptions: [
        { id: "turned-the-ratio-round", values: { p: "second", q: "first" } },
        { id: "took-part-for-whole", values: { p: "first", q: "first + second" } },
      ],
      fillers: [{ p: "first + second", q: "second" }],
      difficultyOffset: "-0.1",
      hint: "Which of the two is named first in the question?",
      solution: "The order of the words is the order of the numbers: {first} to {second}.",
      picture: [
        { label: "{ones}", count: "first" },
        { label: "{others}", count: "second" },
      ],
    },
    {
      id: "ratio-language/fraction-of-all",
      kind: "numeric",
      parameters: { first: { from: 2, to: 9 }, second: { from: 2, to: 9 } },
      where: ["first != second", "gcd(first, second) == 1"],
      stem: "In {place}, the ratio of {ones} to {others} is {first} to {second}. What fraction of all the {all} are {ones}?",
      contexts: {
        garden: { place: "a flower bed", ones: "tulips", others: "lilies", all: "flowers" },
        football: { place: "a club", ones: "juniors", others: "seniors", all: "members" },
        craft: { place: "a box", ones: "round beads", others: "square beads", all: "beads" },
      },
      answer: "first / (first + second)",
      right: "x * (first + second) == first",
      misconceptions: [
        { id: "took-part-for-whole", value: "first / second" },
        { id: "turned-the-ratio-round", value: "second / (first + second)" },
      ],
      difficultyOffset: "0.15 + (first + second - 9) * 0.02",
      hint: "For every {first} there are {second} others. How many is that together?",
      solution: "Put together, {first} and {second} make one whole set; {first} of that set are {ones}.",
      picture: [
        { label: "{ones}", count: "first" },
        { label: "{others}", count: "second" },
      ],
    },
  ],
};
