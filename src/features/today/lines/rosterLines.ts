import type { TodayFacts } from "../facts";
import type { TodayLine } from "../types";
import { idsOf, students } from "./words";

/** Kinds that have a line of their own, or stand in every class at the start. */
const SAID_ELSEWHERE: readonly string[] = ["locked", "no-pin"];

export function rosterLines(base: string, { roster }: TodayFacts): TodayLine[] {
  const locked = roster.students.filter(({ signIn }) => signIn === "locked");
  const none = roster.students.filter(({ signIn }) => signIn === "none");
  const off = roster.health.filter(({ kind }) => !SAID_ELSEWHERE.includes(kind));
  const line = { station: "Roster", href: `${base}/roster` };
  return [
    ...(locked.length > 0
      ? [
          {
            ...line,
            key: "locked",
            state: idsOf(locked),
            band: "now" as const,
            what: `${locked.map(({ name }) => name).join(", ")} held at the door`,
            why: "Wrong PINs were tried. Devices used before and cards still open; others wait longer each time.",
            action: "Let them in",
            letIn: locked.map(({ id }) => id),
          },
        ]
      : []),
    ...(roster.students.length === 0
      ? [
          {
            ...line,
            key: "empty",
            state: "",
            band: "now" as const,
            what: "No students yet",
            why: "Everything else begins with a roster file.",
            href: `${base}/roster/import`,
            action: "Import a file",
          },
        ]
      : []),
    ...(none.length > 0
      ? [
          {
            ...line,
            key: "no-pin",
            state: idsOf(none),
            band: "today" as const,
            what: `${students(none.length)} can't sign in yet`,
            why: "They have no PIN. Make their slips and hand them out.",
            action: "Make slips",
          },
        ]
      : []),
    ...(off.length > 0
      ? [
          {
            ...line,
            key: "roster-checks",
            state: off.map(({ kind, about }) => `${kind} ${idsOf(about)}`).join("; "),
            band: "week" as const,
            what:
              off.length === 1 ? "The roster has something to check" : `The roster has ${off.length} things to check`,
            names: true,
            why: `${off
              .slice(0, 2)
              .map(({ because }) => because)
              .join("; ")}.`,
            action: "Check it",
          },
        ]
      : []),
  ];
}
