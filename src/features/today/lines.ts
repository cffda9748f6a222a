import type { TodayLine } from "./types";

/** What the other stations know, as far as Today looks at it. */
export interface TodayFacts {
  readonly pointers: readonly {
    readonly id: string;
    readonly name: string;
    readonly sentence: string;
    readonly path: string;
    readonly dayWords: string;
    readonly isDue: boolean;
  }[];
  readonly roster: {
    readonly students: readonly {
      readonly id: string;
      readonly name: string;
      readonly signIn: "none" | "locked" | "never" | "used";
    }[];
  };
  readonly works: readonly {
    readonly id: string;
    readonly title: string;
    readonly className: string;
    readonly due: string | null;
    readonly state: "open" | "late" | "over" | "later" | "prepared";
    readonly given: number;
    readonly notStarted: number;
    readonly stuck: number;
    readonly finished: number;
  }[];
  readonly groups: readonly {
    readonly id: string;
    readonly name: string;
    readonly stage: "standing" | "plan" | "practice" | "waiting" | "check" | "result";
    readonly stageText: string;
  }[];
  readonly map: {
    readonly currentSkillId: string;
    readonly skills: readonly { readonly id: string; readonly name: string; readonly blocks: readonly string[] }[];
    readonly misconceptions: readonly {
      readonly skillId: string;
      readonly name: string;
      readonly students: readonly { readonly name: string }[];
    }[];
  };
  readonly plan: { readonly text: string; readonly attention: boolean };
  readonly evidence: { readonly text: string };
}

/** Fewer students sharing a mistake are no reason for a group. */
const LEAST_SHARED = 3;

/** What needs the teacher now: locked-out children first, then who is stuck, what is due, what is new. */
export function todayLines(base: string, facts: TodayFacts): TodayLine[] {
  return [
    ...rosterLines(base, facts),
    ...workLines(base, facts),
    ...groupLines(base, facts),
    ...pointerLines(facts),
    ...evidenceLines(base, facts),
  ].sort((x, y) => Number(y.attention) - Number(x.attention));
}

function rosterLines(base: string, { roster }: TodayFacts): TodayLine[] {
  const locked = roster.students.filter(({ signIn }) => signIn === "locked");
  const none = roster.students.filter(({ signIn }) => signIn === "none");
  const line = { station: "Roster", href: `${base}/roster`, attention: true };
  return [
    ...(roster.students.length === 0
      ? [
          {
            ...line,
            key: "empty",
            what: "No students yet",
            why: "Everything else begins with a roster file.",
            href: `${base}/roster/import`,
            action: "Import a file",
          },
        ]
      : []),
    ...(locked.length > 0
      ? [
          {
            ...line,
            key: "locked",
            what: `${locked.map(({ name }) => name).join(", ")} held at the door`,
            why: "Wrong PINs were tried. Devices used before and cards still open; others wait longer each time.",
            action: "Let them in",
            letIn: locked.map(({ id }) => id),
          },
        ]
      : []),
    ...(none.length > 0
      ? [
          {
            ...line,
            key: "none",
            what: `${none.length} students can't sign in yet`,
            why: "They have no PIN. Make their slips and hand them out.",
            action: "Make slips",
          },
        ]
      : []),
  ];
}

function workLines(base: string, { works }: TodayFacts): TodayLine[] {
  return works
    .filter(({ state, finished, given }) => state === "open" && finished < given)
    .map((work) => {
      const wants = [
        ...(work.stuck > 0 ? [`${work.stuck} stuck`] : []),
        ...(work.notStarted > 0 ? [`${work.notStarted} not started`] : []),
      ];
      return {
        key: work.id,
        station: "Work",
        what: `${work.title}, ${work.className}${wants.length > 0 ? `: ${wants.join(", ")}` : ""}`,
        why: `${work.finished} of ${work.given} have finished; ${work.due === null ? "no due day" : `due ${work.due}`}.`,
        href: `${base}/work/${work.id}`,
        action: work.stuck > 0 ? "See who" : "Look in",
        attention: work.stuck > 0,
      };
    });
}

function groupLines(base: string, { groups }: TodayFacts): TodayLine[] {
  const actions = {
    standing: "Open it",
    plan: "Plan it",
    practice: "Look in",
    waiting: "Look in",
    check: "See the check",
    result: "See the result",
  } as const;
  return groups
    .filter(({ stage }) => stage !== "practice" && stage !== "waiting" && stage !== "standing")
    .slice(0, 4)
    .map((group) => ({
      key: group.id,
      station: "Regroup",
      what: group.name,
      why: `${group.stageText.slice(0, 1).toUpperCase()}${group.stageText.slice(1)}.`,
      href: `${base}/regroup/${group.id}`,
      action: actions[group.stage],
      attention: group.stage === "check" || group.stage === "plan",
    }));
}

/** What colleagues pointed to, by day; it wants attention from its day on. */
function pointerLines({ pointers }: TodayFacts): TodayLine[] {
  return pointers.map(({ id, name, sentence, path, dayWords, isDue }) => {
    // "/desk/6-alder/evidence/marks?…" stands in the station Evidence.
    const station = path.split(/[/?]/)[3] || "today";
    return {
      key: id,
      station: `${station.slice(0, 1).toUpperCase()}${station.slice(1)}`,
      what: `${name} points you to a view, for ${dayWords}`,
      why: sentence,
      names: true,
      href: path,
      action: "Look at it",
      pointerId: id,
      attention: isDue,
    };
  });
}

function evidenceLines(base: string, { map, plan, evidence }: TodayFacts): TodayLine[] {
  const many = map.misconceptions.filter((entry) => entry.students.length >= LEAST_SHARED);
  // What is being taught now comes before what was taught long ago, however many share it.
  const shared = many.find((entry) => entry.skillId === map.currentSkillId) ?? many[0];
  const skill = map.skills.find(({ id }) => id === shared?.skillId);
  return [
    ...(shared && skill && shared.students.length >= LEAST_SHARED
      ? [
          {
            key: "shared",
            station: "Evidence",
            what: `${shared.students.length} share a mistake in ${skill.name}: ${shared.name.toLowerCase()}`,
            names: true,
            why: `${names(shared.students)}${skill.blocks[0] ? `; ${skill.blocks[0]} builds on it` : ""}. ${evidence.text}.`,
            href: `${base}/evidence?skill=${skill.id}`,
            action: "Open the map",
            attention: false,
          },
        ]
      : []),
    {
      key: "plan",
      station: "Plan",
      what: plan.text,
      why: "Against the dates of the plan; reached means that half the class are Secure or have mastered it.",
      href: `${base}/plan`,
      action: "See the plan",
      attention: plan.attention,
    },
  ];
}

function names(students: readonly { readonly name: string }[]): string {
  const first = students.slice(0, 5).map(({ name }) => name);
  return students.length > first.length
    ? `${first.join(", ")} and ${students.length - first.length} more`
    : first.join(", ");
}
