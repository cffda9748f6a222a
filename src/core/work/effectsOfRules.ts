import { countingMark } from "../measurement/countingMark";
import { reachesCut } from "../measurement/reachesCut";
import type { Released, ReleaseRules, RetakeRule } from "../model/work";
import { RELEASED } from "../model/work";
import type { Rational } from "../numeric/rational";
import { isReleased } from "./isReleased";

/** What can be changed of work after it was given. */
export interface WorkRules {
  readonly cutPercent: number | null;
  readonly retake: RetakeRule;
  /** The end for all; null where nothing ends it. */
  readonly closesAt: number | null;
  readonly release: ReleaseRules;
  readonly onlyAtSchool: boolean;
  readonly goesFirst: boolean;
  /** Of its parts, in order; of a test the time, of practice the budget. */
  readonly parts: readonly PartLimits[];
}

export interface PartLimits {
  readonly items: number;
  readonly minutes: number | null;
  readonly tries: number | null;
  readonly calculator: boolean;
}

/** Where one student is when rules are changed. */
export interface StudentOfRules {
  /** At work: begun, and not through. */
  readonly atWork: boolean;
  readonly done: boolean;
  /** Of each finished try at the part that is marked, in order. */
  readonly marks: readonly Rational[];
  /** Their own end, where it is not everybody's. */
  readonly ownEnd: number | null;
}

/** What a change of rules means for those who have begun; `students` is how many. */
export type RuleEffect =
  /** A mark that counts passes now, or passes no longer. */
  | { readonly what: "passes" | "passes-not"; readonly students: number }
  /** Another mark counts than before. */
  | { readonly what: "mark"; readonly students: number }
  /** They see something of their results at once, or see it no longer. */
  | { readonly what: "shown" | "hidden"; readonly students: number; readonly of: Released }
  /** Its time was over for them, and is not any more; or the other way round. */
  | { readonly what: "opens" | "closes"; readonly students: number }
  /** They are at work, and go on under another time, number of items, number of tries, with or without a calculator, at school only, or before other work. */
  | {
      readonly what: "minutes" | "items" | "tries" | "calculator" | "place" | "first";
      readonly students: number;
    };

/**
 * What a change of rules means for those who have begun. Nothing is said of what changes for nobody.
 * @param word what a teacher has let them see, whatever the rules say
 * @example effectsOfRules({ cutPercent: null, retake: "latest", closesAt: null, release: {}, onlyAtSchool: false, goesFirst: false, parts: [] }, { cutPercent: null, retake: "latest", closesAt: null, release: {}, onlyAtSchool: true, goesFirst: false, parts: [] }, { students: [{ atWork: true, done: false, marks: [], ownEnd: null }], word: [], now: 0 }) // [{ what: "place", students: 1 }]
 */
export function effectsOfRules(
  before: WorkRules,
  after: WorkRules,
  {
    students,
    word,
    now,
  }: { readonly students: readonly StudentOfRules[]; readonly word: readonly Released[]; readonly now: number },
): RuleEffect[] {
  const effects: RuleEffect[] = [];
  const say = (what: Exclude<RuleEffect["what"], "shown" | "hidden">, of: (student: StudentOfRules) => boolean) => {
    const count = students.filter(of).length;
    if (count > 0) effects.push({ what, students: count });
  };
  const markBy = ({ retake }: WorkRules, { marks }: StudentOfRules) => countingMark(marks, retake);
  const passes = (rules: WorkRules, student: StudentOfRules): boolean | null => {
    const mark = markBy(rules, student);
    return mark === null || rules.cutPercent === null ? null : reachesCut(mark, rules.cutPercent);
  };
  const turns = (student: StudentOfRules, to: boolean) =>
    passes(before, student) !== to && passes(after, student) === to;
  say("passes", (student) => turns(student, true));
  say("passes-not", (student) => turns(student, false));
  say("mark", (student) => {
    const [was, is] = [markBy(before, student), markBy(after, student)];
    return was !== null && is !== null && !was.equals(is);
  });
  const isOver = ({ closesAt }: WorkRules, { ownEnd }: StudentOfRules): boolean => {
    const end = ownEnd ?? closesAt;
    return end !== null && now > end;
  };
  for (const of of RELEASED) {
    const sees = ({ release }: WorkRules, closed: boolean) =>
      isReleased(of, { rules: release, word, done: true, closed });
    const [was, is] = [before, after].map((rules) =>
      students.filter((student) => student.done && sees(rules, isOver(rules, student))),
    ) as [StudentOfRules[], StudentOfRules[]];
    const more = is.filter((student) => !was.includes(student)).length;
    const fewer = was.filter((student) => !is.includes(student)).length;
    if (more > 0) effects.push({ what: "shown", students: more, of });
    if (fewer > 0) effects.push({ what: "hidden", students: fewer, of });
  }
  say("opens", (student) => !student.done && isOver(before, student) && !isOver(after, student));
  say("closes", (student) => !student.done && !isOver(before, student) && isOver(after, student));
  const atWork = ({ atWork: is }: StudentOfRules) => is;
  const differs = (of: (limits: PartLimits) => unknown) =>
    before.parts.some((part, place) => {
      const other = after.parts[place];
      return other !== undefined && of(part) !== of(other);
    });
  if (differs(({ minutes }) => minutes)) say("minutes", atWork);
  if (differs(({ items }) => items)) say("items", atWork);
  if (differs(({ tries }) => tries)) say("tries", atWork);
  if (differs(({ calculator }) => calculator)) say("calculator", atWork);
  if (before.onlyAtSchool !== after.onlyAtSchool) say("place", atWork);
  if (before.goesFirst !== after.goesFirst) say("first", atWork);
  return effects;
}
