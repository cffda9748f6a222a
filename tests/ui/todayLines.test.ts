import { expect, it } from "vitest";
import type { TodayFacts } from "@/features/today/facts";
import { todayLines } from "@/features/today/lines/todayLines";

const named = (...names: readonly string[]) => names.map((name) => ({ id: name.toLowerCase(), name }));
const NOTHING: TodayFacts = {
  pointers: [],
  roster: { students: [{ id: "ada", name: "Ada", signIn: "used" }], health: [] },
  works: [],
  groups: [],
  map: null,
  plan: null,
  gaps: [],
  signs: null,
  numberFacts: null,
  reviews: [],
};
const WORK: TodayFacts["works"][number] = {
  id: "w",
  title: "Warm-up",
  className: "6 Test",
  due: "Fri 27 Nov, 20:00",
  state: "open",
  isDueSoon: false,
  given: 4,
  notStarted: 0,
  stuck: 0,
  finished: 0,
  toScore: 0,
  toShow: 0,
  joinedCount: 0,
};
const lines = (facts: Partial<TodayFacts>) => todayLines("/desk/6-test", { ...NOTHING, ...facts });
const works = (...some: Partial<typeof WORK>[]) => lines({ works: some.map((one) => ({ ...WORK, ...one })) });
const signs = (over: Partial<NonNullable<TodayFacts["signs"]>>) =>
  lines({ signs: { away: [], rushes: [], surprises: [], praise: { week: "2026-11-23", students: [] }, ...over } });

it("says nothing where nothing is the matter", () => {
  expect(lines({})).toEqual([]);
});

it("puts what can't wait first, then the day's, then what has time", () => {
  const all = lines({
    works: [
      { ...WORK, id: "quiet" },
      { ...WORK, id: "score", toScore: 2, finished: 4 },
      { ...WORK, id: "stuck", stuck: 1 },
    ],
    roster: { students: [{ id: "ada", name: "Ada", signIn: "locked" }], health: [] },
    plan: { text: "Unit rates, 2 days behind", attention: false },
    groups: [
      { id: "g", name: "Mixtures", stage: "check", stageText: "check: 0 of 5 handed in" },
      { id: "h", name: "Shares", stage: "practice", stageText: "1 of 4 practised" },
    ],
  });
  expect(all.map(({ band, key }) => `${band} ${key}`)).toEqual([
    "now locked",
    "now students:stuck",
    "today score:score",
    "today group:g",
    "week quiet",
    "week plan",
  ]);
  expect(all[3]).toMatchObject({ why: "Check: 0 of 5 handed in.", href: "/desk/6-test/regroup/g" });
});

it("says of work who is stuck and, once it is due soon, who has not begun, in one line a piece", () => {
  const [both, ...others] = works({ stuck: 2, notStarted: 1, isDueSoon: true, finished: 1 });
  expect(others).toEqual([]);
  expect(both).toMatchObject({ band: "now", what: "Warm-up, 6 Test: 2 stuck, 1 not started" });
  expect(both?.why).toContain("1 of 4 have finished");
  expect(works({ notStarted: 3 }).map(({ band, what }) => [band, what])).toEqual([["week", "1 piece of work goes on"]]);
  expect(works({ state: "prepared", notStarted: 4, isDueSoon: true })).toEqual([]);
  expect(works({ state: "over", toScore: 1, finished: 4 })[0]).toMatchObject({
    what: "Warm-up, 6 Test: 1 answer to score",
    href: "/desk/6-test/work/w/score",
  });
});

it("says another thing once somebody else is stuck, so that a line that was put off comes back", () => {
  const [one, two] = [works({ stuck: 1 })[0], works({ stuck: 2 })[0]];
  expect(one?.key).toBe(two?.key);
  expect(one?.state).not.toBe(two?.state);
  // What only goes on with time is the same matter still.
  expect(works({ stuck: 1, finished: 1 })[0]?.state).toBe(one?.state);
});

it("gathers the signs by what is to be done about them", () => {
  const of = (workId: string, title: string) => ({ workId, title, classId: "c" });
  const all = signs({
    away: [
      { id: "ada", name: "Ada", schoolDays: 7 },
      { id: "ben", name: "Ben", schoolDays: 4 },
    ],
    rushes: [
      { id: "cy", name: "Cy", ...of("w", "Warm-up"), seconds: 30, answers: 12 },
      { id: "cy", name: "Cy", ...of("v", "Check"), seconds: 95, answers: 8 },
    ],
    surprises: [
      { id: "dee", name: "Dee", ...of("v", "Check"), right: 1, items: 8, expected: 7, verdict: "below" },
      { id: "cy", name: "Cy", ...of("v", "Check"), right: 0, items: 8, expected: 7, verdict: "below" },
    ],
    praise: { week: "2026-11-23", students: named("Eve") },
  });
  expect(all.map(({ what, why }) => `${what}. ${why}`)).toEqual([
    "2 students not seen for 4 school days or more. Ada (7), Ben (4). Ill, away, or a device that does not work: ask.",
    "1 student rushed through 2 pieces of work. Cy: 12 items of Warm-up in 30 s, and 1 more. What came of it says little.",
    // Whoever rushed surprises nobody.
    "Check: a result that surprises. Dee 1 of 8 right where about 7 was likely. By luck alone such a result comes once in hundreds: look at the answers, or ask.",
    "1 student deserves a word of praise. Eve: more than was expected, on longer than before, or through a snag alone.",
  ]);
  expect(all.map(({ href }) => href)).toEqual([
    "/desk/6-test/evidence/week?students=ada,ben",
    "/desk/6-test/evidence/put-in?students=cy",
    "/desk/6-test/evidence/pieces/v?students=dee",
    "/desk/6-test/evidence/week?week=2026-11-23#praise-title",
  ]);
  // On the wall a sentence with names is covered.
  expect(all.every(({ names }) => names === true)).toBe(true);
});

it("names the mistake of what is taught now before one that more share, and none that two share", () => {
  const map = {
    currentSkillId: "rates",
    skills: [
      { id: "rates", name: "Unit rates", blocks: ["Comparing rates"] },
      { id: "ratios", name: "Ratios", blocks: [] },
    ],
    misconceptions: [
      { skillId: "ratios", name: "Added", students: named("A", "B", "C", "D", "E", "F", "G") },
      { skillId: "rates", name: "Turned round", students: named("A", "B", "C") },
    ],
  };
  expect(lines({ map }).map(({ what, why }) => `${what}; ${why}`)).toEqual([
    "3 share a mistake in Unit rates: turned round; A, B, C; Comparing rates builds on it.",
  ]);
  expect(lines({ map: { ...map, currentSkillId: "other" } })[0]?.why).toBe("A, B, C, D, E and 2 more.");
  const few = map.misconceptions.map((one) => ({ ...one, students: named("A", "B") }));
  expect(lines({ map: { ...map, misconceptions: few } })).toEqual([]);
});

it("leads from a pointer and a gap straight to the place", () => {
  const pointer = { id: "p", name: "Teo", sentence: "Look.", path: "/desk/6-alder/evidence/marks?range=term" };
  const [gap, due, later] = lines({
    pointers: [
      { ...pointer, dayWords: "today", isDue: true },
      { ...pointer, id: "q", dayWords: "Fri 27 Nov", isDue: false },
    ],
    gaps: [
      {
        classId: "c",
        className: "6 Test",
        title: "Comparing rates",
        from: "26 Nov",
        skillId: "rates",
        skill: "Unit rates",
        lacking: 9,
        known: 12,
      },
    ],
  });
  expect(due).toMatchObject({ band: "today", station: "Evidence", pointerId: "p", href: pointer.path });
  expect(later).toMatchObject({ band: "week", pointerId: "q" });
  expect(gap).toMatchObject({
    what: "Comparing rates begins on 26 Nov, and 9 of 12 lack what it builds on",
    href: "/desk/6-test/evidence?skill=rates",
  });
});

it("says who gets no further in number facts, and who has stopped", () => {
  const [first, second, ...rest] = lines({ numberFacts: { stalled: named("Ada"), missed: named("Ben", "Cleo") } });
  expect(rest).toEqual([]);
  expect(first).toMatchObject({
    what: "Number facts: 1 student gets no further",
    why: "Practised on four days, and nothing new is known by heart: Ada.",
    href: "/desk/6-test/work/facts",
    pull: { students: [{ id: "ada" }] },
  });
  expect(second).toMatchObject({
    what: "Number facts: 2 students have stopped",
    why: expect.stringContaining("Ben, Cleo"),
  });
  expect(lines({ numberFacts: { stalled: [], missed: [] } })).toEqual([]);
});

it("says whose review wants something: what comes back in vain, minutes too few for many, who has stopped", () => {
  const review = {
    classId: "c1",
    className: "6 Alder",
    students: 6,
    short: named("Ada", "Ben"),
    moreMinutes: 3,
    missed: [],
    tooHard: [{ skillId: "rates", name: "Unit rates", right: 1, tries: 12, lacking: named("Ada") }],
  };
  const [hard, ...none] = lines({ reviews: [review] });
  expect(hard).toMatchObject({
    what: "Unit rates comes back in vain",
    why: "In review 1 of 12 first tries were right in 6 Alder: it is to be taught again before it is asked any more.",
    pull: { students: named("Ada"), skillId: "rates" },
  });
  // Two of six is no matter of the class yet.
  expect(none).toEqual([]);
  const [short, missed] = lines({
    reviews: [{ ...review, short: named("Ada", "Ben", "Cleo"), missed: named("Dov"), tooHard: [] }],
  });
  expect(short).toMatchObject({
    what: "Review in 6 Alder: the minutes are too few for 3 students",
    why: "3 more minutes a day would keep what they learned, or let some skills rest.",
  });
  expect(missed).toMatchObject({ what: "Review: 1 student has stopped", names: true });
});
