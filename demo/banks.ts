import type { ItemBody, PartBody } from "@/core/items/itemBody";
import { makeBank, openBank } from "@/features/library/writes/banks";
import { putIntoUse, saveDraft } from "@/features/library/writes/drafts";
import { keepPassage } from "@/features/library/writes/passages";
import type { Context } from "@/server/runtime/context";
import { type Simulation, staffContext, staffId } from "./simulation";

interface Written {
  readonly skillId: string;
  readonly stem: string;
  readonly parts: readonly PartBody[];
  readonly over?: Partial<ItemBody>;
  readonly depth?: number;
}

const LOG = {
  title: "A morning in the lock keeper's log",
  topic: "The lock",
  text: `At six the upper gate opened and the barge Perpetua came down with 12 crates of seed potatoes. She pays by the crate, so the toll was 18 marks. Behind her lay two skiffs, which pay nothing before seven.

It took the lock 9 minutes to empty, as it does when the reeds are not in the sluice. By eight the reeds were in it, and the same water took 15 minutes to go.

The ferry asked to be let through twice as often as on other Mondays: for every 2 crossings of last week there were 5 today, since the bridge at Alder Mill is shut until spring.

At noon I counted what the morning had brought. There were 3 barges for every 7 smaller boats, 40 in all, and not one quarrel.`,
};

const ABOUT_THE_LOG: readonly Written[] = [
  {
    skillId: "unit-rates",
    stem: "What is the toll for one crate?",
    over: { hint: "Look at the first paragraph.", solution: "18 marks for 12 crates: 18 ÷ 12 = 1.5 marks for one." },
    parts: [
      {
        id: "a",
        kind: "number",
        answer: "1.5",
        right: "x == 1.5",
        unit: { word: "marks", required: false },
        misconceptions: [{ id: "compared-by-difference", value: "6" }],
      },
    ],
    depth: 2,
  },
  {
    skillId: "ratio-language",
    stem: "How many of the 40 boats that the keeper counted at noon were barges?",
    over: { solution: "3 of every 10 boats are barges: 12 of 40." },
    parts: [
      {
        id: "a",
        kind: "number",
        answer: "12",
        right: "x == 12",
        misconceptions: [{ id: "took-part-for-whole", value: "120 / 7" }],
      },
    ],
    depth: 2,
  },
];

const SLUICES: readonly Written[] = [
  {
    skillId: "equivalent-ratios",
    stem: "The sluice lets {litres} litres through in {seconds} seconds. How many litres in {seconds * times} seconds?",
    over: {
      parameters: { litres: { from: 3, to: 9 }, seconds: { of: [4, 5, 8] }, times: { from: 3, to: 7 } },
      // Otherwise adding comes to the same as multiplying.
      where: ["litres != seconds"],
      hint: "How many times as long is it?",
      solution: "{seconds * times} seconds is {times} times as long: {times} × {litres} = {litres * times} litres.",
    },
    parts: [
      {
        id: "a",
        kind: "number",
        answer: "litres * times",
        right: "x == litres * times",
        unit: { word: "litres", required: false },
        misconceptions: [{ id: "added-instead-of-scaled", value: "litres + seconds * times - seconds" }],
      },
    ],
    depth: 2,
  },
  {
    skillId: "ratio-language",
    stem: "A crew of 12 has 3 steerers; all the others row. Which says how the crew is made up?",
    parts: [
      {
        id: "a",
        kind: "single-choice",
        options: [
          { id: "a", text: "3 steerers for every 9 rowers", right: true },
          { id: "b", text: "3 steerers for every 12 rowers", right: false, misconceptionId: "took-part-for-whole" },
          { id: "c", text: "6 more rowers than steerers", right: false, misconceptionId: "compared-by-difference" },
          { id: "d", text: "9 steerers for every 3 rowers", right: false, misconceptionId: "turned-the-ratio-round" },
        ],
      },
    ],
    depth: 1,
  },
  {
    skillId: "equivalent-fractions",
    stem: "Put these shares of a full lock in order, from the emptiest to the fullest.",
    parts: [
      {
        id: "a",
        kind: "order",
        members: [
          { id: "a", text: "1/6 full" },
          { id: "b", text: "3/8 full" },
          { id: "c", text: "1/2 full" },
          { id: "d", text: "5/6 full" },
        ],
        misconceptions: [],
      },
    ],
  },
  {
    skillId: "fractions-of-amounts",
    stem: "Write any number of boats between 50 and 60 that can be shared out fairly among 4 piers.",
    parts: [
      {
        id: "a",
        kind: "number",
        answer: "52",
        right: "x > 50 and x < 60 and mod(x, 4) == 0",
        anyRight: true,
        misconceptions: [],
      },
    ],
  },
  {
    skillId: "percent-of-amounts",
    stem: "A gauge has 20 marks. Shade what 35 % of it is.",
    parts: [
      {
        id: "a",
        kind: "shading",
        parts: "20",
        columns: "10",
        right: "35 / 100",
        misconceptions: [],
      },
    ],
  },
  {
    skillId: "unit-rates",
    stem: "A barge loads {tonnes} tonnes in {hours} hours.",
    over: { parameters: { hours: { from: 2, to: 6 }, each: { from: 4, to: 12 } }, derived: { tonnes: "hours * each" } },
    parts: [
      {
        id: "a",
        kind: "number",
        prompt: "How many tonnes is that in an hour?",
        answer: "each",
        right: "x * hours == tonnes",
        misconceptions: [{ id: "multiplied-not-divided", value: "tonnes * hours" }],
      },
      {
        id: "b",
        kind: "single-choice",
        prompt: "And at the same rate in {hours + 3} hours?",
        options: [
          { id: "a", text: "{each * (hours + 3)} tonnes", right: true },
          { id: "b", text: "{tonnes + 3} tonnes", right: false, misconceptionId: "added-instead-of-scaled" },
          { id: "c", text: "{tonnes * 3} tonnes", right: false },
        ],
      },
    ],
    depth: 3,
  },
];

const LINE_BY_LINE: Written = {
  skillId: "constant-of-proportionality",
  stem: "{crates} crates of eels and a fee of {fee} marks come to {total} marks. Solve for the price of one crate.",
  over: {
    parameters: { crates: { from: 2, to: 9 }, fee: { from: 3, to: 15 }, price: { from: 2, to: 12 } },
    derived: { total: "crates * price + fee" },
    hint: "What has to go first, the fee or the {crates}?",
    solution: "Take {fee} from both sides, then divide both by {crates}: x = {price}.",
  },
  parts: [
    {
      id: "a",
      kind: "steps",
      start: "{crates}x + {fee} = {total}",
      misconceptions: [{ id: "multiplied-not-divided", slip: "inverse-operation" }],
    },
  ],
  depth: 2,
};

const OWN_WORDS: Written = {
  skillId: "proportional-or-not",
  stem: "The evening ferry costs 4 coins for one person and 7 coins for two. Is the price proportional to the number of people? Say how you know.",
  over: {
    solution: "Two people would have to pay 8 coins, twice as much as one. They pay 7, so it is not proportional.",
  },
  parts: [
    {
      id: "a",
      kind: "written",
      length: "paragraph",
      showCriteria: true,
      criteria: [
        { id: "verdict", name: "The answer", levels: ["Missing, or the other one", "The one that is so"] },
        {
          id: "reason",
          name: "The reason",
          levels: [
            "None",
            "Compares, but not by numbers that decide it",
            "Price for each person, or twice one against two",
          ],
        },
      ],
      sample: "It is not: twice the people would cost twice 4 coins, which is 8, but two pay 7.",
    },
  ],
  depth: 3,
};

const UNFINISHED: Written = {
  skillId: "proportional-or-not",
  stem: "Which of these tables of ferry fares are proportional?",
  parts: [
    {
      id: "a",
      kind: "matching",
      partners: [
        { id: "p", text: "proportional" },
        { id: "q", text: "not proportional" },
      ],
      things: [
        { id: "a", text: "2 people 6 coins, 4 people 12 coins", partner: "p" },
        { id: "b", text: "", partner: "q" },
      ],
      misconceptions: [],
    },
  ],
};

const AUTUMN_TEST: readonly Written[] = [
  {
    skillId: "ratio-tables",
    stem: "Which numbers make every row of the table the same ratio as 2 to 5?",
    parts: [
      {
        id: "a",
        kind: "multiple-choice",
        options: [
          { id: "a", text: "4 and 10", right: true },
          { id: "b", text: "6 and 15", right: true },
          { id: "c", text: "5 and 8", right: false, misconceptionId: "constant-difference" },
          { id: "d", text: "10 and 4", right: false, misconceptionId: "turned-the-ratio-round" },
        ],
      },
    ],
  },
];

/** What the demo's teachers have written: a bank of Noor's that a colleague uses, and one of the school's that is not open yet. */
export async function fillBanks(
  simulation: Simulation,
  restrictedUntil: string,
): Promise<{ readonly ownWordsId: string }> {
  const noor = await staffContext(simulation, "noor");
  const own = await bank(noor, { name: "Sluices and ferries", license: "Free to use in the valley's schools" });
  for (const item of SLUICES) await write(noor, own, item, true);
  const passageId = noor.runtime.newId();
  await keepPassage(noor, { passageId, bankId: own, ...LOG });
  for (const item of ABOUT_THE_LOG) await write(noor, own, item, true, passageId);
  await write(noor, own, LINE_BY_LINE, true);
  const ownWordsId = await write(noor, own, OWN_WORDS, true);
  await write(noor, own, UNFINISHED, false);
  await openBank(noor, { bankId: own, personId: staffId("teo"), level: "change" });
  await openBank(noor, { bankId: own, personId: staffId("ife"), level: "use" });
  const marguerite = await staffContext(simulation, "marguerite");
  const common = await bank(marguerite, { name: "Autumn common test", ofSchool: "yes", restrictedUntil });
  for (const item of AUTUMN_TEST) await write(marguerite, common, item, true);
  return { ownWordsId };
}

async function bank(context: Context, settings: object): Promise<string> {
  const id = context.runtime.newId();
  await makeBank(context, { id, ...settings });
  return id;
}

async function write(
  context: Context,
  bankId: string,
  { skillId, stem, parts, over = {}, depth }: Written,
  inUse: boolean,
  passageId: string | null = null,
): Promise<string> {
  const itemId = context.runtime.newId();
  const body = {
    parameters: {},
    contexts: { plain: {} },
    difficultyOffset: "0",
    hint: "",
    solution: "",
    ...over,
    stem,
    parts,
  };
  const { revision } = await saveDraft(context, {
    itemId,
    bankId,
    revision: 0,
    body,
    depth: depth ?? null,
    skillIds: [skillId],
    passageId,
  });
  if (inUse) await putIntoUse(context, { itemId, revision });
  return itemId;
}
