import { groupBy } from "@/core/collections/groupBy";
import type { TodayFacts } from "../facts";
import type { TodayLine } from "../types";
import { idsOf, namesOf, students } from "./words";

/** Fewer students sharing a mistake are no reason for a group. */
const LEAST_SHARED = 3;

/** What the evidence of the last days says without being asked. */
export function signLines(base: string, facts: TodayFacts): TodayLine[] {
  return [
    ...awayLine(base, facts),
    ...rushLine(base, facts),
    ...surpriseLines(base, facts),
    ...sharedLine(base, facts),
  ];
}

function awayLine(base: string, { signs }: TodayFacts): TodayLine[] {
  const away = signs?.away ?? [];
  if (away.length === 0) return [];
  const shortest = Math.min(...away.map(({ schoolDays }) => schoolDays));
  return [
    {
      key: "away",
      state: idsOf(away),
      band: "today",
      station: "Evidence",
      what: `${students(away.length)} not seen for ${shortest} school days${away.length > 1 ? " or more" : ""}`,
      names: true,
      why: `${namesOf(away.map(({ name, schoolDays }) => ({ name: `${name} (${schoolDays})` })))}. Ill, away, or a device that does not work: ask.`,
      pull: { students: named(away), skillId: null },
      href: `${base}/evidence/week?students=${away.map(({ id }) => id).join(",")}`,
      action: "See their weeks",
    },
  ];
}

/** Each once, whatever else is known of them. */
const named = (some: readonly { readonly id: string; readonly name: string }[]) => [
  ...new Map(some.map(({ id, name }) => [id, { id, name }])).values(),
];

/** All who rushed in one line: one student often rushes through everything. */
function rushLine(base: string, { signs }: TodayFacts): TodayLine[] {
  const rushes = signs?.rushes ?? [];
  if (rushes.length === 0) return [];
  const each = [...groupBy(rushes, ({ id }) => id).values()].map((own) => {
    const pieces = own.map(({ title, seconds, answers }) => `${answers} items of ${title} in ${minutes(seconds)}`);
    const more = pieces.length > 1 ? `, and ${pieces.length - 1} more` : "";
    return { name: `${own[0]?.name ?? ""}: ${pieces[0]}${more}` };
  });
  const ids = [...new Set(rushes.map(({ id }) => id))];
  return [
    {
      key: "rushed",
      state: rushes.map(({ id, workId }) => `${id} ${workId}`).join(";"),
      band: "today",
      station: "Evidence",
      what: `${students(ids.length)} rushed through ${rushes.length === 1 ? "a piece" : `${rushes.length} pieces`} of work`,
      names: true,
      why: `${namesOf(each, "; ")}. What came of it says little.`,
      pull: { students: named(rushes), skillId: null },
      href: `${base}/evidence/put-in?students=${ids.join(",")}`,
      action: "See what they did",
    },
  ];
}

const minutes = (seconds: number): string => (seconds < 60 ? `${seconds} s` : `${Math.round(seconds / 60)} min`);

function surpriseLines(base: string, { signs }: TodayFacts): TodayLine[] {
  // Too fast to be read, a low result surprises nobody.
  const rushed = new Set(signs?.rushes.map(({ id, workId }) => `${id} ${workId}`));
  const found = (signs?.surprises ?? []).filter(({ id, workId }) => !rushed.has(`${id} ${workId}`));
  return [...groupBy(found, ({ workId }) => workId)].map(([workId, surprises]): TodayLine => {
    const [first] = surprises;
    const each = surprises.map(({ name, right, items, expected }) => ({
      name: `${name} ${right} of ${items} right where about ${expected} was likely`,
    }));
    return {
      key: `surprise:${workId}`,
      state: surprises.map(({ id, right }) => `${id} ${right}`).join(" "),
      band: "today",
      station: "Evidence",
      what: `${first?.title ?? ""}: ${surprises.length === 1 ? "a result that surprises" : `${surprises.length} results that surprise`}`,
      names: true,
      why: `${namesOf(each, "; ")}. By luck alone such a result comes once in hundreds: look at the answers, or ask.`,
      pull: { students: named(surprises), skillId: null },
      href: `${base}/evidence/pieces/${workId}?students=${[...new Set(surprises.map(({ id }) => id))].join(",")}`,
      action: "Look at it",
    };
  });
}

function sharedLine(base: string, { map }: TodayFacts): TodayLine[] {
  const many = map?.misconceptions.filter((entry) => entry.students.length >= LEAST_SHARED) ?? [];
  // What is being taught now comes before what was taught long ago, however many share it.
  const shared = many.find((entry) => entry.skillId === map?.currentSkillId) ?? many[0];
  const skill = map?.skills.find(({ id }) => id === shared?.skillId);
  if (!shared || !skill) return [];
  return [
    {
      key: `shared:${skill.id}:${shared.name}`,
      state: idsOf(shared.students),
      band: "week",
      station: "Evidence",
      what: `${shared.students.length} share a mistake in ${skill.name}: ${shared.name.toLowerCase()}`,
      names: true,
      pull: { students: named(shared.students), skillId: skill.id },
      why: `${namesOf(shared.students)}${skill.blocks[0] ? `; ${skill.blocks[0]} builds on it` : ""}.`,
      href: `${base}/evidence?skill=${skill.id}`,
      action: "Open the map",
    },
  ];
}

/** Who deserves a word for the week. */
export function praiseLine(base: string, { signs }: TodayFacts): TodayLine[] {
  const some = signs?.praise.students ?? [];
  if (some.length === 0) return [];
  return [
    {
      key: `praise:${signs?.praise.week}`,
      state: idsOf(some),
      band: "week",
      station: "Evidence",
      what: `${students(some.length)} ${some.length === 1 ? "deserves" : "deserve"} a word of praise`,
      names: true,
      why: `${namesOf(some)}: more than was expected, on longer than before, or through a snag alone.`,
      href: `${base}/evidence/week?week=${signs?.praise.week}#praise-title`,
      action: "Praise them",
    },
  ];
}
