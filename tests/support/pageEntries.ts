import { isValidElement, type ReactNode } from "react";
import type { Actor, Subject } from "@/server/access/policy";
import { Refused } from "@/ui/layout/Refused";
import { asking } from "./asking";
import { type Around, actors, around, bankOf, type Name, type PLACES, planOf } from "./entries";

type Place = (typeof PLACES)[number];
type Need = readonly [string, Subject] | "staff" | "student" | "signed-in";

export interface PageEntry {
  /** What the policy must allow, all of it; "open" for what nobody has to be signed in for. */
  readonly needs: ((at: Around, actor: Actor) => readonly Need[]) | "open";
  readonly params?: (at: Around, place: Place) => Readonly<Record<string, string>>;
  readonly search?: (at: Around) => Readonly<Record<string, string>>;
}

const ofClass =
  (verb = "see") =>
  ({ classId, schoolId }: Around): Need[] => [[verb, { kind: "class", classId, schoolId }]];
const ofGroup = ({ groupId, classId, schoolId }: Around): Need[] => [
  "staff",
  ["see", { kind: "group", groupId, classId, schoolId }],
];
const ownSchool = (_: Around, actor: Actor): Need[] => [["manage", { kind: "school", schoolId: actor.schoolId }]];
const staff = (): Need[] => ["staff"];
/** The place's class by its name in the address. */
const slug = (_: Around, place: Place) => ({ classes: `6-${place.replace(" ", "-")}` });
/** The asker's own desk, whatever it is. */
const ownDesk = (): { classes: string } => {
  const actor = actors.get((asking.token || "nobody") as Name);
  const whole = actor?.kind === "staff" && actor.coordinates.length > 0;
  return { classes: whole ? "school" : "all" };
};
const desk = "(desk)/desk/[classes]";
const ofDesk = (path: string) => `${desk}${path}`;

/** Every page, with what it needs. One that is missing here fails the test. */
export const PAGES: Readonly<Record<string, PageEntry>> = {
  "": { needs: "open" },
  card: { needs: "open" },
  "sign-in": { needs: "open" },
  "sign-in/forgotten": { needs: "open" },
  "sign-in/new-password": { needs: "open" },
  "(work)/river": { needs: () => ["student"] },
  "(work)/river/facts": { needs: () => ["student"] },
  "(work)/river/facts/now": { needs: () => ["student"] },
  "(work)/river/kept": { needs: () => ["student"] },
  "(work)/river/own": { needs: () => ["student"] },
  "(work)/river/own/[skillId]": { needs: () => ["student"], params: () => ({ skillId: "ratio-language" }) },
  // What was given to students is nobody's trial run: a trial is shown to whoever began it alone (tests/server/trials).
  "(try)/try/[workId]": { needs: () => ["staff", "student"], params: ({ workId }) => ({ workId }) },
  "(try)/try/[workId]/results": { needs: () => ["staff", "student"], params: ({ workId }) => ({ workId }) },
  "(work)/river/[workId]": {
    // The work was given to both students of the class, and each opens a sitting of their own.
    needs: ({ studentId, classmateId, classId, schoolId }, { personId }) => [
      "student",
      ["work-on", { kind: "sitting", personId: personId === classmateId ? personId : studentId, classId, schoolId }],
    ],
    params: ({ workId }) => ({ workId }),
  },
  "(work)/river/[workId]/results": {
    needs: ({ studentId, classmateId, classId, schoolId }, { personId }) => [
      "student",
      ["work-on", { kind: "sitting", personId: personId === classmateId ? personId : studentId, classId, schoolId }],
    ],
    params: ({ workId }) => ({ workId }),
  },
  [ofDesk("")]: { needs: ofClass(), params: slug },
  [ofDesk("/account")]: { needs: staff, params: ownDesk },
  [ofDesk("/evidence")]: { needs: ofClass(), params: slug },
  ...Object.fromEntries(
    ["pieces", "week", "put-in", "marks", "mistakes", "gain", "students", "across"].map((report) => [
      ofDesk(`/evidence/${report}`),
      { needs: ofClass(), params: slug },
    ]),
  ),
  [ofDesk("/evidence/pieces/[workId]")]: {
    needs: ofClass(),
    params: (at, place) => ({ ...slug(at, place), workId: at.workId }),
  },
  [ofDesk("/evidence/talk")]: {
    needs: ofClass(),
    params: slug,
    search: () => ({ skill: "equivalent-ratios", mistake: "added-instead-of-scaled" }),
  },
  ...Object.fromEntries(
    ["", "/conference", "/family"].map((page) => [
      ofDesk(`/evidence/students/[studentId]${page}`),
      { needs: ofClass(), params: (at: Around, place: Place) => ({ ...slug(at, place), studentId: at.studentId }) },
    ]),
  ),
  [ofDesk("/history")]: { needs: ofClass(), params: slug },
  [ofDesk("/library")]: { needs: staff, params: ownDesk },
  [ofDesk("/library/map")]: { needs: (at) => ["staff", ...ofClass()(at)], params: slug },
  [ofDesk("/library/items")]: { needs: staff, params: ownDesk },
  [ofDesk("/library/items/new")]: { needs: staff, params: ownDesk },
  [ofDesk("/library/items/[itemId]")]: {
    // A draft is shown to those who may change it.
    needs: (at) => ["staff", ["change", bankOf(at)]],
    params: ({ itemId }) => ({ ...ownDesk(), itemId }),
  },
  [ofDesk("/library/items/[itemId]/edit")]: {
    needs: (at) => ["staff", ["change", bankOf(at)]],
    params: ({ itemId }) => ({ ...ownDesk(), itemId }),
  },
  [ofDesk("/library/items/bring-in")]: { needs: staff, params: ownDesk },
  [ofDesk("/library/items/bring-in/[draftId]")]: {
    needs: (at) => [
      ["see", { kind: "draft", authorId: at.owner }],
      ["change", bankOf(at)],
    ],
    params: ({ fileId }) => ({ ...ownDesk(), draftId: fileId }),
  },
  [ofDesk("/library/items/take-out")]: {
    needs: (at) => ["staff", ["use", bankOf(at)]],
    params: ownDesk,
    search: ({ bankId }) => ({ bank: bankId }),
  },
  [ofDesk("/library/worksheet")]: {
    needs: (at) => ["staff", ...ofClass()(at)],
    params: ownDesk,
    search: ({ classId }) => ({ items: "times-as-many%2Ffind-the-larger", class: classId }),
  },
  [ofDesk("/library/banks")]: { needs: staff, params: ownDesk },
  [ofDesk("/library/banks/[bankId]")]: {
    needs: (at) => ["staff", ["use", bankOf(at)]],
    params: ({ bankId }) => ({ ...ownDesk(), bankId }),
  },
  [ofDesk("/library/calibration")]: {
    needs: (at) => [["look-after", bankOf(at)]],
    params: ownDesk,
    search: ({ bankId }) => ({ bank: bankId }),
  },
  [ofDesk("/library/passages")]: { needs: staff, params: ownDesk },
  [ofDesk("/library/passages/new")]: { needs: staff, params: ownDesk },
  [ofDesk("/library/passages/[passageId]")]: {
    needs: (at) => ["staff", ["use", bankOf(at)]],
    params: ({ passageId }) => ({ ...ownDesk(), passageId }),
  },
  [ofDesk("/library/standards/bring-in")]: { needs: ownSchool, params: ownDesk },
  [ofDesk("/library/standards/bring-in/[draftId]")]: {
    needs: ({ owner, schoolId }) => [
      ["see", { kind: "draft", authorId: owner }],
      ["manage", { kind: "school", schoolId }],
    ],
    params: ({ frameworkFileId }) => ({ ...ownDesk(), draftId: frameworkFileId }),
  },
  [ofDesk("/library/standards")]: { needs: staff, params: ownDesk },
  [ofDesk("/plan/calendar")]: { needs: staff, params: ownDesk },
  [ofDesk("/library/units")]: { needs: staff, params: ownDesk },
  [ofDesk("/library/units/[unitId]")]: {
    needs: staff,
    params: () => ({ ...ownDesk(), unitId: "how-amounts-go-together" }),
  },
  [ofDesk("/library/units/[unitId]/study")]: {
    needs: staff,
    params: () => ({ ...ownDesk(), unitId: "how-amounts-go-together" }),
  },
  [ofDesk("/library/[skillId]/notes")]: {
    needs: staff,
    params: () => ({ ...ownDesk(), skillId: "equivalent-ratios" }),
  },
  [ofDesk("/library/[skillId]")]: {
    needs: staff,
    params: () => ({ ...ownDesk(), skillId: "equivalent-ratios" }),
  },
  [ofDesk("/plan/plans")]: { needs: staff, params: ownDesk },
  [ofDesk("/plan/plans/[planId]")]: {
    needs: (at) => ["staff", ["use", planOf(at)]],
    params: ({ planId }) => ({ ...ownDesk(), planId }),
  },
  [ofDesk("/plan/students")]: { needs: ofClass(), params: slug },
  [ofDesk("/plan")]: { needs: ofClass(), params: slug },
  [ofDesk("/regroup/pulled")]: { needs: staff, params: ownDesk },
  [ofDesk("/regroup")]: { needs: ofClass(), params: slug },
  [ofDesk("/regroup/worth")]: { needs: ofClass(), params: slug },
  [ofDesk("/regroup/scores")]: { needs: ofClass(), params: slug },
  [ofDesk("/regroup/helped")]: { needs: ofClass(), params: slug },
  [ofDesk("/regroup/board")]: { needs: ofClass(), params: slug },
  [ofDesk("/regroup/[groupId]")]: { needs: ofGroup, params: ({ groupId }) => ({ ...ownDesk(), groupId }) },
  [ofDesk("/regroup/[groupId]/plan")]: { needs: ofGroup, params: ({ groupId }) => ({ ...ownDesk(), groupId }) },
  [ofDesk("/roster")]: { needs: ofClass(), params: slug },
  [ofDesk("/roster/access")]: {
    needs: ({ schoolId }) => [["manage", { kind: "school", schoolId }]],
    params: ownDesk,
    search: ({ studentId }) => ({ student: studentId }),
  },
  [ofDesk("/roster/classes/[classId]")]: {
    needs: ofClass(),
    params: ({ classId }) => ({ ...ownDesk(), classId }),
  },
  [ofDesk("/roster/export")]: { needs: ofClass(), params: slug },
  [ofDesk("/roster/import")]: { needs: staff, params: ownDesk },
  [ofDesk("/roster/import/[draftId]")]: {
    needs: (at) => [["see", { kind: "draft", authorId: at.owner }], ...ofClass("enroll")(at)],
    params: ({ draftId }) => ({ ...ownDesk(), draftId }),
  },
  [ofDesk("/roster/privacy")]: { needs: ownSchool, params: ownDesk },
  [ofDesk("/roster/roll-over")]: { needs: ownSchool, params: ownDesk },
  [ofDesk("/roster/staff")]: { needs: ownSchool, params: ownDesk },
  [ofDesk("/roster/students/[studentId]")]: {
    needs: ({ studentId, schoolId, classId, groupId }) => [
      "staff",
      ["see", { kind: "student", personId: studentId, schoolId, classIds: [classId], groupIds: [groupId] }],
    ],
    params: ({ studentId }) => ({ ...ownDesk(), studentId }),
  },
  [ofDesk("/work")]: { needs: ofClass(), params: slug },
  [ofDesk("/work/new")]: { needs: ofClass("change"), params: slug },
  [ofDesk("/work/[workId]")]: { needs: ofClass(), params: ({ workId }) => ({ ...ownDesk(), workId }) },
  [ofDesk("/work/kept")]: { needs: ofClass(), params: slug },
  [ofDesk("/work/facts")]: { needs: ofClass(), params: slug },
  [ofDesk("/work/facts/family/[classId]/[familyId]")]: {
    needs: ofClass(),
    params: (at, place) => ({ ...slug(at, place), classId: at.classId, familyId: "multiply-7" }),
  },
  [ofDesk("/work/facts/[studentId]")]: {
    needs: ofClass(),
    params: (at, place) => ({ ...slug(at, place), studentId: at.studentId }),
  },
  [ofDesk("/work/review")]: { needs: ofClass(), params: slug },
  [ofDesk("/work/review/[classId]/[studentId]")]: {
    needs: ofClass(),
    params: (at, place) => ({ ...slug(at, place), classId: at.classId, studentId: at.studentId }),
  },
  [ofDesk("/work/series/[seriesId]")]: { needs: ofClass(), params: ({ seriesId }) => ({ ...ownDesk(), seriesId }) },
  [ofDesk("/work/[workId]/live")]: { needs: ofClass(), params: ({ workId }) => ({ ...ownDesk(), workId }) },
  [ofDesk("/work/[workId]/change")]: { needs: ofClass("change"), params: ({ workId }) => ({ ...ownDesk(), workId }) },
  [ofDesk("/work/[workId]/items")]: { needs: ofClass("change"), params: ({ workId }) => ({ ...ownDesk(), workId }) },
  [ofDesk("/work/[workId]/paper")]: {
    needs: ofClass("change"),
    params: ({ paperId }) => ({ ...ownDesk(), workId: paperId }),
  },
  [ofDesk("/work/[workId]/score")]: { needs: ofClass("change"), params: ({ workId }) => ({ ...ownDesk(), workId }) },
};

type Page = (props: { params: Promise<object>; searchParams: Promise<object> }) => Promise<ReactNode> | ReactNode;

const FILES = (
  import.meta as unknown as { glob: (pattern: string) => Record<string, () => Promise<{ default: Page }>> }
).glob("/src/app/**/page.tsx");

/** Opens a page as the one who asks; whether it was shown, and what was, as text of all that reaches the browser. */
export async function openPage(
  path: string,
  place: Place,
  entry = PAGES[path],
): Promise<{ shown: boolean; text: string }> {
  const at = around.get(place);
  if (!entry || !at) throw new Error(`no entry for ${path}`);
  const load = FILES[`/src/app/${path === "" ? "" : `${path}/`}page.tsx`];
  if (!load) throw new Error(`no file for ${path}`);
  const { default: page } = await load();
  try {
    const made = await page({
      params: Promise.resolve(entry.params?.(at, place) ?? {}),
      searchParams: Promise.resolve(entry.search?.(at) ?? {}),
    });
    const refused = isValidElement(made) && made.type === Refused;
    return { shown: !refused, text: JSON.stringify(propsOf(made)) };
  } catch (error) {
    if ((error as { redirected?: boolean }).redirected) return { shown: false, text: "" };
    throw error;
  }
}

/** What of an element is sent: its properties, and those of what it holds. */
function propsOf(node: ReactNode): unknown {
  if (Array.isArray(node)) return node.map(propsOf);
  if (!isValidElement(node)) return node;
  return Object.entries(node.props as Record<string, ReactNode>).map(([name, value]) => [name, propsOf(value)]);
}
