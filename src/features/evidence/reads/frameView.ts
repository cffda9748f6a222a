import "server-only";
import { format } from "date-fns";
import type { SchoolDay } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import type { DayRange } from "@/core/calendar/rangeOfDays";
import type { ScopeSubject } from "@/core/roster/classScope";
import type { LibrarySkill } from "@/server/library/library";
import type { FrameKey, FrameParams } from "../frame/frameParams";
import type { FrameView, RangeView } from "../frame/frameTypes";

interface Named {
  readonly id: string;
  readonly name: string;
}

interface Decided {
  readonly params: FrameParams;
  readonly today: SchoolDay;
  readonly range: DayRange;
  readonly against: DayRange | null;
  readonly isToCome: boolean;
  readonly lookedOn: number | null;
  readonly everybody: readonly Named[];
  readonly students: readonly Named[];
  readonly groups: readonly Named[];
  readonly subjects: readonly ScopeSubject[];
  readonly inScope: readonly LibrarySkill[];
  readonly all: readonly LibrarySkill[];
  readonly skills: readonly LibrarySkill[];
}

const inWords = (day: number, pattern: string) => format(new Date(`${dayOfNumber(day)}T12:00:00`), pattern);

/** Days in words: "23 Nov", "2 to 20 Nov", "28 Sep to 23 Nov"; a year where it is another than today's. */
export function rangeWords({ from, to }: DayRange, today: SchoolDay): string {
  const year = (day: number) => (dayOfNumber(day).slice(0, 4) === today.slice(0, 4) ? "" : " yyyy");
  if (from === to) return inWords(from, `EEE d MMM${year(from)}`);
  const sameMonth = dayOfNumber(from).slice(0, 7) === dayOfNumber(to).slice(0, 7);
  return `${inWords(from, sameMonth ? "d" : `d MMM${year(from)}`)} to ${inWords(to, `d MMM${year(to)}`)}`;
}

const rangeView = (range: DayRange, today: SchoolDay): RangeView => ({
  from: dayOfNumber(range.from),
  to: dayOfNumber(range.to),
  words: rangeWords(range, today),
});

/** What the band says of a frame. */
export function frameView(decided: Decided): FrameView {
  const { params, today, range, against, lookedOn, everybody, students, groups, subjects, inScope, all } = decided;
  const withAll = new Map(all.map((skill) => [skill.id, skill]));
  const standards = new Map(
    inScope.flatMap(({ id }) =>
      (withAll.get(id)?.standards ?? []).map((standard) => [
        standard.id,
        { id: standard.id, name: `${standard.code} ${standard.statement}`, frameworkId: standard.frameworkId },
      ]),
    ),
  );
  const frameworks = new Map(
    inScope.flatMap(({ id }) =>
      (withAll.get(id)?.standards ?? []).map(({ frameworkId, framework }) => [frameworkId, framework]),
    ),
  );
  const group = groups.find(({ id }) => id === params.groupId);
  const { about } = params;
  const strand = inScope.find(({ strandId }) => strandId === about?.id);
  const standard = about?.kind === "standard" ? standards.get(about.id) : undefined;
  const aboutWords =
    about === null
      ? "all skills"
      : about.kind === "skill"
        ? (withAll.get(about.id)?.name ?? "an unknown skill")
        : about.kind === "strand"
          ? (strand?.strand ?? "an unknown strand")
          : (standard?.name.split(" ")[0] ?? "an unknown standard");
  return {
    params,
    today,
    range: rangeView(range, today),
    against: against ? rangeView(against, today) : null,
    lookedWords: lookedOn === null ? null : inWords(lookedOn, "EEE d MMM"),
    whom: group?.name ?? (params.studentIds.length === 0 ? "everyone" : someWords(students, params.studentIds.length)),
    about: aboutWords,
    groups,
    students: everybody.map(({ id, name }) => ({ id, name })),
    subjects: subjects.map(({ id, name }) => ({ id, name })),
    frameworks: [...frameworks].map(([id, name]) => ({ id, name })),
    strands: [...new Map(inScope.map(({ strandId, strand: name }) => [strandId, { id: strandId, name }])).values()],
    skills: inScope.map(({ id, name, strand: own, grade }) => ({ id, name, strand: own, grade })),
    standards: [...standards.values()].sort((x, y) => x.name.localeCompare(y.name)),
    hides: hidesOf(decided, aboutWords),
  };
}

const someWords = (students: readonly Named[], asked: number): string =>
  students.length === 1 && asked === 1 ? (students[0]?.name ?? "") : `${students.length} students`;

/** What is out of sight because of the frame, and what to drop to see it. */
function hidesOf(decided: Decided, about: string): FrameView["hides"] {
  const { params, everybody, students, inScope, skills, isToCome } = decided;
  const hidden = everybody.length - students.length;
  return [
    ...(hidden > 0
      ? [
          {
            words: `${hidden} of ${everybody.length} students are out of sight`,
            widen: "Show everyone",
            drop: ["group", "students"] satisfies FrameKey[],
          },
        ]
      : []),
    ...(skills.length < inScope.length
      ? [
          {
            words:
              skills.length === 0
                ? `no skill of the class fits ${about}`
                : `${skills.length} of ${inScope.length} skills are shown`,
            widen: "Show all skills",
            drop: ["about", "subjects"] satisfies FrameKey[],
          },
        ]
      : []),
    ...(params.ofGrade === null
      ? []
      : [
          {
            words: `only skills ${params.ofGrade === "on" ? "of" : params.ofGrade} each student's own grade count`,
            widen: "Count any grade",
            drop: ["grade"] satisfies FrameKey[],
          },
        ]),
    ...(isToCome
      ? [
          {
            words: "the days asked for are still to come",
            widen: "Show the usual days",
            drop: ["range"] satisfies FrameKey[],
          },
        ]
      : []),
  ];
}
