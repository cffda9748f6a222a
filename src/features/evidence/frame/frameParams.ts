import { isRangeWish, type RangeWish } from "@/core/calendar/rangeOfDays";

/** What a report may be about: a skill, a strand, or a standard of whatever framework. */
export interface About {
  readonly kind: "skill" | "strand" | "standard";
  readonly id: string;
}

/** Skills by their grade against the student's own. */
export const OF_GRADE = ["on", "below", "above"] as const;
export type OfGrade = (typeof OF_GRADE)[number];

/** "before" is the same number of days directly before the range. */
export type AgainstWish = RangeWish | "before";

/** What decides in every report, as the address has it; null for what nobody decided. */
export interface FrameParams {
  readonly groupId: string | null;
  readonly studentIds: readonly string[];
  readonly range: RangeWish | null;
  readonly against: AgainstWish | null;
  readonly about: About | null;
  readonly ofGrade: OfGrade | null;
  readonly subjectIds: readonly string[];
  readonly frameworkId: string | null;
}

export type Search = Readonly<Record<string, string | readonly string[] | undefined>>;

/** The names of the frame's parameters in the address; whatever else stands there is the report's own. */
export const FRAME_KEYS = ["group", "students", "range", "against", "about", "grade", "subjects", "framework"] as const;
export type FrameKey = (typeof FRAME_KEYS)[number];

const one = (value: Search[string]): string => (typeof value === "string" ? value : (value?.[0] ?? ""));
const list = (value: Search[string]): string[] => [...new Set(one(value).split(",").filter(Boolean))];

function aboutOf(text: string): About | null {
  const at = text.indexOf(":");
  const [kind, id] = [text.slice(0, at), text.slice(at + 1)];
  return (kind === "skill" || kind === "strand" || kind === "standard") && id !== "" ? { kind, id } : null;
}

/** Reads the frame from an address; what can't be understood counts as not decided. */
export function frameParams(search: Search): FrameParams {
  const [range, against, grade] = [one(search.range), one(search.against), one(search.grade)];
  return {
    groupId: one(search.group) || null,
    studentIds: list(search.students),
    range: isRangeWish(range) ? range : null,
    against: against === "before" || isRangeWish(against) ? against : null,
    about: aboutOf(one(search.about)),
    ofGrade: OF_GRADE.find((wish) => wish === grade) ?? null,
    subjectIds: list(search.subjects),
    frameworkId: one(search.framework) || null,
  };
}
