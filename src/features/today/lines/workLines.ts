import type { TodayFacts } from "../facts";
import type { TodayLine } from "../types";
import { students } from "./words";

type Work = TodayFacts["works"][number];

/** What pieces of work want: who is stuck, what is due and not begun, what waits for the teacher. What just goes on is one line. */
export function workLines(base: string, { works }: TodayFacts): TodayLine[] {
  const open = works.filter(({ state }) => state === "open" || state === "late");
  const line = (work: Work, matter: string) => ({
    key: `${matter}:${work.id}`,
    station: "Work",
    href: `${base}/work/${work.id}`,
  });
  const named = ({ title, className }: Work) => `${title}, ${className}`;
  const isDue = ({ isDueSoon, notStarted }: Work) => isDueSoon && notStarted > 0;
  // What is due comes before what is only stuck: it has the shorter time.
  const pressing = [...open.filter(isDue), ...open.filter((work) => !isDue(work) && work.stuck > 0)];
  const quiet = open.filter((work) => !pressing.includes(work) && work.finished < work.given);
  const own = works.filter(({ state }) => state !== "prepared" && state !== "later");
  return [
    ...pressing.map(
      (work): TodayLine => ({
        ...line(work, "students"),
        state: isDue(work) ? `${work.stuck} ${work.notStarted} ${work.due}` : String(work.stuck),
        band: "now",
        what: `${named(work)}: ${[
          ...(work.stuck > 0 ? [`${work.stuck} stuck`] : []),
          ...(isDue(work) ? [`${work.notStarted} not started`] : []),
        ].join(", ")}`,
        why: `${work.due === null ? "" : `Due ${work.due}. `}${work.finished} of ${work.given} have finished.`,
        action: "See who",
      }),
    ),
    ...own
      .filter(({ toScore }) => toScore > 0)
      .map(
        (work): TodayLine => ({
          ...line(work, "score"),
          state: String(work.toScore),
          band: "today",
          what: `${named(work)}: ${work.toScore === 1 ? "1 answer" : `${work.toScore} answers`} to score`,
          why: "Written answers count for nothing until somebody has read them.",
          href: `${base}/work/${work.id}/score`,
          action: "Score them",
        }),
      ),
    ...own
      .filter(({ toShow }) => toShow > 0)
      .map(
        (work): TodayLine => ({
          ...line(work, "show"),
          state: String(work.toShow),
          band: "today",
          what: `${named(work)}: students see no results yet`,
          why: `${students(work.toShow)} handed it in, and what they see waits for your word.`,
          action: "Decide",
        }),
      ),
    ...open
      .filter(({ joinedCount }) => joinedCount > 0)
      .map(
        (work): TodayLine => ({
          ...line(work, "joined"),
          state: String(work.joinedCount),
          band: "week",
          what: `${named(work)}: ${students(work.joinedCount)} joined since`,
          why: "They came into the class after it was given and do not have it.",
          action: "Give it or skip",
        }),
      ),
    ...(quiet.length > 0
      ? [
          {
            key: "quiet",
            state: quiet.map(({ id }) => id).join(" "),
            band: "week" as const,
            station: "Work",
            what: quiet.length === 1 ? "1 piece of work goes on" : `${quiet.length} pieces of work go on`,
            why: `Nobody is stuck in ${quiet.length === 1 ? "it" : "them"}, and nothing is due by tomorrow: ${titles(quiet)}.`,
            href: `${base}/work`,
            action: "Look in",
          },
        ]
      : []),
  ];
}

const MOST_TITLES = 3;

function titles(works: readonly Work[]): string {
  const first = works.slice(0, MOST_TITLES).map(({ title }) => title);
  return works.length > first.length ? `${first.join(", ")} and ${works.length - first.length} more` : first.join(", ");
}
