import { readdirSync, readFileSync } from "node:fs";
import { join, relative } from "node:path";
import { NO_SUPPORTS } from "@/core/model/supports";
import { answersOfPerson } from "@/db/queries/answerLog";
import { insertSession } from "@/db/queries/credentials";
import { insertLibraryDraft } from "@/db/queries/libraryDrafts";
import { personById } from "@/db/queries/people";
import { insertClassStaff, insertSchool } from "@/db/queries/school";
import { insertErasure } from "@/db/queries/students";
import { scoreLists } from "@/db/schema/outsideScores";
import { setGoal } from "@/features/evidence/writes/goals";
import { changeFactSettings } from "@/features/facts/writes/factSettings";
import { makeBank, openBank } from "@/features/library/writes/banks";
import { saveDraft } from "@/features/library/writes/drafts";
import { beginItemImport } from "@/features/library/writes/importItems";
import { keepPassage } from "@/features/library/writes/passages";
import { openPlan } from "@/features/plan/writes/planRights";
import { setRunning } from "@/features/plan/writes/setRunning";
import { makePlan } from "@/features/plan/writes/sharedPlans";
import { assignReteach } from "@/features/regroup/writes/assignReteach";
import { makeGroup, shareGroup } from "@/features/regroup/writes/groups";
import { placeReviewSkills } from "@/features/review/writes/placeSkills";
import { changeReviewSettings } from "@/features/review/writes/reviewSettings";
import { archiveClass, makeClass as makeOwnClass } from "@/features/roster/writes/classes";
import { beginImport } from "@/features/roster/writes/importRoster";
import { makeSeries } from "@/features/work/writes/series";
import { actorOf } from "@/server/access/actorOf";
import type { Actor, Subject } from "@/server/access/policy";
import { tokenHashOf } from "@/server/access/secrets";
import { cardsMade } from "@/server/library/itemCards";
import type { Runtime } from "@/server/runtime/runtime";
import { onePart } from "~/demo/onePart";
import { bodyWith } from "./newItem";
import { newSeries } from "./newSeries";
import { csv, give, givePractice, makeClass, open, START, type TestSchool, testSchool } from "./school";

/** What stands around one class: everything that a route or an action can be pointed at. */
export interface Around {
  readonly schoolId: string;
  readonly owner: string;
  readonly classId: string;
  readonly archivedId: string;
  readonly studentId: string;
  readonly classmateId: string;
  readonly groupId: string;
  readonly shareId: string;
  readonly workId: string;
  readonly seriesId: string;
  /** A test on paper. */
  readonly paperId: string;
  readonly sittingId: string;
  readonly presentationId: string;
  /** Somebody's answer. */
  readonly answerSerial: number;
  readonly draftId: string;
  readonly changeId: string;
  readonly staffRowId: string;
  readonly erasureId: string;
  readonly goalId: string;
  /** A reteach of the group. */
  readonly reteachId: string;
  /** Scores brought into the class from elsewhere. */
  readonly scoreListId: string;
  /** A bank of the owner's; of the own class a colleague may use it. */
  readonly bankId: string;
  readonly bankRights: readonly { personId: string; schoolId: null; role: null; level: "use" }[];
  /** A plan of the owner's, open to the same colleague. */
  readonly planId: string;
  /** A draft in the bank. */
  readonly itemId: string;
  /** A passage in it. */
  readonly passageId: string;
  /** A file of items on its way into it. */
  readonly fileId: string;
  /** A file of standards of the owner's. */
  readonly frameworkFileId: string;
}

export const ACTORS = [
  "ana",
  "ben",
  "sue",
  "sam",
  "kim",
  "cora",
  "dan",
  "zoe",
  "zac",
  "pupil",
  "classmate",
  "nobody",
] as const;
export type Name = (typeof ACTORS)[number];
export const PLACES = ["own class", "other class", "other school"] as const;

let school: TestSchool;
/** What stands around, by place. */
export const around = new Map<(typeof PLACES)[number], Around>();
export const actors = new Map<Name, Actor | null>();

type Needs = (at: Around, actor: Actor) => readonly (readonly [string, Subject] | "staff" | "student" | "school")[];
export interface Entry {
  /** What the policy must allow, all of it; "open" for what nobody has to be signed in for. */
  readonly needs: Needs | "open";
  readonly call: (at: Around) => unknown;
}

const ofClass =
  (verb: string): Needs =>
  ({ classId, schoolId }) => [[verb, { kind: "class", classId, schoolId }]];
const ofStudent =
  (verb: string): Needs =>
  ({ studentId, schoolId, classId, groupId }) => [
    [verb, { kind: "student", personId: studentId, schoolId, classIds: [classId], groupIds: [groupId] }],
  ];
const ofGroup =
  (verb: string): Needs =>
  ({ groupId, classId, schoolId }) => [[verb, { kind: "group", groupId, classId, schoolId }]];
const ofDraft: Needs = (at) => [
  ["change", { kind: "draft", authorId: at.owner }],
  ...ofClass("enroll")(at, null as never),
];
const both =
  (...all: Needs[]): Needs =>
  (at, actor) =>
    all.flatMap((needs) => needs(at, actor));
const staff: Needs = () => ["staff"];
export const bankOf = ({ bankId, schoolId, owner, bankRights }: Around): Subject => ({
  kind: "bank",
  bankId,
  schoolId,
  ownerId: owner,
  ownerLeft: false,
  restricted: false,
  rights: bankRights,
});
export const planOf = ({ planId, schoolId, owner, bankRights }: Around): Subject => ({
  kind: "plan",
  planId,
  schoolId,
  ownerId: owner,
  ownerLeft: false,
  rights: bankRights,
});
const ofPlan =
  (verb: string): Needs =>
  (at) => [[verb, planOf(at)]];
const ofBank =
  (verb: string): Needs =>
  (at) => [[verb, bankOf(at)]];
const ofFile: Needs = (at) => [
  ["change", { kind: "draft", authorId: at.owner }],
  ["change", bankOf(at)],
];
const ofFrameworkFile: Needs = ({ owner, schoolId }) => [
  ["change", { kind: "draft", authorId: owner }],
  ["manage", { kind: "school", schoolId }],
];
const ownAccount: Needs = (_, actor) => ["staff", ["change", { kind: "account", personId: actor.personId }]];
const ownSchool: Needs = (_, actor) => [["manage", { kind: "school", schoolId: actor.schoolId }]];
const itsSchool: Needs = ({ schoolId }) => [["manage", { kind: "school", schoolId }]];

const id = () => school.runtime.newId();
/** What is done to everything that is sent before it is; nothing, unless a test puts its own here. */
export const tamper: { value: (sent: unknown) => unknown; text: (sent: string) => string } = {
  value: (sent) => sent,
  text: (sent) => sent,
};
const action = async (file: string, name: string, ...input: unknown[]) => {
  const found = ((await import(file)) as Record<string, (...given: unknown[]) => Promise<unknown>>)[name];
  if (!found) throw new Error(`${file} has no ${name}`);
  return found(...input.map(tamper.value));
};
const roster =
  (name: string) =>
  (...input: unknown[]) =>
    action("@/features/roster/actions", name, ...input);
const access =
  (name: string) =>
  (...input: unknown[]) =>
    action("@/features/access/actions", name, ...input);
const regroup =
  (name: string) =>
  (...input: unknown[]) =>
    action("@/features/regroup/actions", name, ...input);
const scoring =
  (name: string) =>
  (...input: unknown[]) =>
    action("@/features/scoring/actions", name, ...input);
const library =
  (name: string) =>
  (...input: unknown[]) =>
    action("@/features/library/actions", name, ...input);
const plan =
  (name: string) =>
  (...input: unknown[]) =>
    action("@/features/plan/actions", name, ...input);
const work =
  (name: string) =>
  (...input: unknown[]) =>
    action("@/features/work/actions", name, ...input);
const evidence =
  (name: string) =>
  (...input: unknown[]) =>
    action("@/features/evidence/actions", name, ...input);
const frame =
  (name: string) =>
  (...input: unknown[]) =>
    action("@/features/frame/actions", name, ...input);
const today =
  (name: string) =>
  (...input: unknown[]) =>
    action("@/features/today/actions", name, ...input);
/** The classes of a place as the address of the desk names them. */
const slugOf = (at: Around): string =>
  `6-${(PLACES.find((place) => around.get(place) === at) ?? "").replace(" ", "-")}`;
const route = async (
  path: string,
  verb: "GET" | "POST",
  url: string,
  init: RequestInit = {},
  params: Readonly<Record<string, string>> = {},
) => {
  const found = (await import(`@/app/api/${path}/route`)) as Record<
    string,
    (request: Request, rest: object) => Promise<Response>
  >;
  if (!found[verb]) throw new Error(`${path} has no ${verb}`);
  const { body, ...rest } = init;
  const sent = typeof body === "string" ? JSON.stringify(tamper.value(JSON.parse(body))) : body;
  const named = Object.entries(params).map(([name, value]) => [name, tamper.text(value)]);
  return found[verb](
    new Request(`http://localhost${tamper.text(url)}`, {
      method: verb,
      ...rest,
      ...(sent === undefined ? {} : { body: sent }),
    }),
    { params: Promise.resolve(Object.fromEntries(named)) },
  );
};

const PAPER = {
  kind: "paper",
  title: "On paper",
  skillIds: ["ratio-language"],
  items: 1,
  picked: [{ itemId: "ratio-language/fraction-of-all", skillId: "ratio-language", seed: 4 }],
};

/** The head of an answer that never ends by itself. */
async function firstOnly(response: Response): Promise<Response> {
  const reader = response.headers.get("content-type")?.startsWith("text/event-stream")
    ? response.body?.getReader()
    : null;
  if (!reader) return response;
  const { value } = await reader.read();
  await reader.cancel();
  return new Response(value, { status: response.status });
}

const days = { fromDay: "2026-11-23", slots: [] };
const person = { givenName: "New", familyName: "Child", studentNumber: "X1", grade: 6 };
const supports = { ...NO_SUPPORTS, timeFactor: 1.5 };
const cell = { file: "sheet", row: 2, column: "grade", text: "6" };

/** Every server action and every route handler, with what it needs. One that is missing here fails the test. */
export const ENTRIES: Readonly<Record<string, Entry>> = {
  "access/openDoorAction": { needs: "open", call: () => access("openDoorAction")("NOCODE") },
  "access/studentSignInAction": {
    needs: "open",
    call: (at) => access("studentSignInAction")({ code: "NOCODE", studentId: at.studentId, pin: "0000" }),
  },
  "access/cardSignInAction": { needs: "open", call: () => access("cardSignInAction")({ token: "x".repeat(22) }) },
  "access/staffSignInAction": {
    needs: "open",
    call: () => access("staffSignInAction")({ email: "no@x.example", password: "no" }),
  },
  "access/signOutAction": { needs: "open", call: () => access("signOutAction")({}).catch(() => null) },
  "access/askResetAction": { needs: "open", call: () => access("askResetAction")({ email: "no@x.example" }) },
  "access/setPasswordByLinkAction": {
    needs: "open",
    call: () => access("setPasswordByLinkAction")({ token: "no", password: "no" }),
  },
  "access/changePasswordAction": {
    needs: ownAccount,
    call: () => access("changePasswordAction")({ present: "no", next: "no" }),
  },
  "access/beginSecondStepAction": {
    needs: ownAccount,
    call: () => access("beginSecondStepAction")({ password: "no" }),
  },
  "access/confirmSecondStepAction": {
    needs: ownAccount,
    call: () => access("confirmSecondStepAction")({ code: "000000" }),
  },
  "access/removeSecondStepAction": {
    needs: ownAccount,
    call: () => access("removeSecondStepAction")({ password: "no" }),
  },
  "access/endSessionAction": {
    needs: (_, actor) => [["change", { kind: "account", personId: actor.personId }]],
    call: () => access("endSessionAction")({ device: "none" }),
  },
  "roster/setColumnAction": {
    needs: ofDraft,
    call: ({ draftId }) => roster("setColumnAction")({ draftId, field: "grade", column: null }),
  },
  "roster/repairCellsAction": {
    needs: ofDraft,
    call: ({ draftId }) => roster("repairCellsAction")({ draftId, cells: [cell] }),
  },
  "roster/linkSameAction": {
    needs: ofDraft,
    call: ({ draftId }) => roster("linkSameAction")({ draftId, key: "k", knownId: null }),
  },
  "roster/setMakeClassesAction": {
    needs: ofDraft,
    call: ({ draftId }) => roster("setMakeClassesAction")({ draftId, make: true }),
  },
  "roster/stopReadingAction": { needs: ofDraft, call: ({ draftId }) => roster("stopReadingAction")({ draftId }) },
  "roster/applyImportAction": {
    needs: ofDraft,
    call: ({ draftId }) => roster("applyImportAction")({ draftId, fingerprint: "old" }),
  },
  "roster/newSignInsAction": {
    needs: ofStudent("reset-sign-in"),
    call: ({ studentId }) => roster("newSignInsAction")({ studentIds: [studentId] }),
  },
  "roster/unlockStudentsAction": {
    needs: ofStudent("reset-sign-in"),
    call: ({ studentId }) => roster("unlockStudentsAction")({ studentIds: [studentId] }),
  },
  "roster/signOutClassAction": {
    needs: ofClass("reset-sign-in"),
    call: ({ classId }) => roster("signOutClassAction")({ classId }),
  },
  "roster/makeClassAction": {
    needs: both(staff, ofStudent("change")),
    call: ({ studentId }) =>
      roster("makeClassAction")({
        classId: id(),
        name: "Mine",
        subject: "Mathematics",
        grade: 6,
        studentIds: [studentId],
      }),
  },
  "roster/changeClassAction": {
    needs: ofClass("share"),
    call: ({ classId }) => roster("changeClassAction")({ classId, name: "Renamed" }),
  },
  "roster/archiveClassAction": {
    needs: ofClass("share"),
    call: ({ classId }) => roster("archiveClassAction")({ classId }),
  },
  "roster/restoreClassAction": {
    needs: ({ archivedId, schoolId }) => [["restore", { kind: "archived class", classId: archivedId, schoolId }]],
    call: ({ archivedId }) => roster("restoreClassAction")({ classId: archivedId }),
  },
  "roster/shareClassAction": {
    needs: ofClass("share"),
    call: ({ classId }) => roster("shareClassAction")({ classId, personId: "kim", role: "co-teacher" }),
  },
  "roster/endShareAction": {
    needs: ofClass("share"),
    call: ({ classId, staffRowId }) => roster("endShareAction")({ classId, staffRowId }),
  },
  "roster/placeStudentsAction": {
    needs: both(ofClass("enroll"), ofStudent("see")),
    call: ({ classId, studentId }) =>
      roster("placeStudentsAction")({ studentIds: [studentId], toClassId: null, fromClassId: classId }),
  },
  "roster/addStudentAction": {
    needs: ofClass("enroll"),
    call: ({ classId }) => roster("addStudentAction")({ ...person, studentId: id(), classId }),
  },
  "roster/correctStudentAction": {
    needs: ofStudent("change"),
    call: ({ studentId }) => roster("correctStudentAction")({ ...person, studentId }),
  },
  "roster/archiveStudentAction": {
    needs: itsSchool,
    call: ({ studentId }) => roster("archiveStudentAction")({ studentId }),
  },
  "roster/restoreStudentAction": {
    needs: itsSchool,
    call: ({ studentId }) => roster("restoreStudentAction")({ studentId }),
  },
  "roster/setSupportsAction": {
    needs: ofStudent("change-supports"),
    call: ({ studentId }) => roster("setSupportsAction")({ ...supports, studentId }),
  },
  "roster/chooseInterestsAction": {
    needs: () => ["student"],
    call: () => roster("chooseInterestsAction")({ chosen: ["music"] }),
  },
  "roster/addStaffAction": {
    needs: ownSchool,
    call: () =>
      roster("addStaffAction")({
        personId: id(),
        givenName: "N",
        familyName: "N",
        email: "n@x.example",
        role: "teacher",
      }),
  },
  "roster/setSchoolRoleAction": {
    needs: ownSchool,
    call: ({ owner }) => roster("setSchoolRoleAction")({ personId: owner, role: "specialist" }),
  },
  "roster/correctStaffAction": {
    needs: ownSchool,
    call: ({ owner }) =>
      roster("correctStaffAction")({ personId: owner, givenName: "O", familyName: "O", email: "o@x.example" }),
  },
  "roster/archiveStaffAction": {
    needs: ownSchool,
    call: ({ owner }) => roster("archiveStaffAction")({ personId: owner }),
  },
  "roster/restoreStaffAction": {
    needs: ownSchool,
    call: ({ owner }) => roster("restoreStaffAction")({ personId: owner }),
  },
  "roster/setSettingsAction": {
    needs: ownSchool,
    call: () =>
      roster("setSettingsAction")({
        staffIdleMinutes: 60,
        studentIdleMinutes: 30,
        keepYears: 2,
        lateGraceHours: 24,
        decimalMark: "comma",
      }),
  },
  "roster/rollOverAction": {
    needs: ownSchool,
    call: ({ classId }) =>
      roster("rollOverAction")({
        termName: "Next",
        startDay: "2027-09-01",
        endDay: "2028-01-31",
        lines: [{ classId, what: "leaves", grade: 7, className: "7" }],
        teachers: "later",
        version: "old",
      }),
  },
  "roster/requestErasureAction": {
    needs: ofStudent("erase"),
    call: ({ studentId }) => roster("requestErasureAction")({ erasureId: id(), studentId, reason: "the family asked" }),
  },
  "roster/decideOnErasureAction": {
    needs: ofStudent("erase"),
    call: ({ erasureId }) => roster("decideOnErasureAction")({ erasureId, outcome: "declined" }),
  },
  "regroup/makeGroupsAction": {
    needs: ofClass("change"),
    call: ({ classId, studentId }) =>
      regroup("makeGroupsAction")({
        classIds: [classId],
        groups: [{ id: id(), name: "G", skillId: "equivalent-ratios", studentIds: [studentId] }],
      }),
  },
  "regroup/assignReteachAction": {
    needs: ofGroup("change"),
    call: ({ groupId }) =>
      regroup("assignReteachAction")({
        groupId,
        reteachId: id(),
        practiceDueDay: "2026-11-25",
        checkOpensDay: "2026-11-26",
        checkDueDay: "2026-11-27",
        checkItems: 4,
      }),
  },
  "regroup/reteachNowAction": {
    needs: ofClass("change"),
    call: ({ classId, studentId }) =>
      regroup("reteachNowAction")({
        classIds: [classId],
        group: { id: id(), name: "G", skillId: "equivalent-ratios", studentIds: [studentId] },
        reteachId: id(),
      }),
  },
  "regroup/keepHabitsAction": {
    needs: ofClass("change"),
    call: ({ classId }) => regroup("keepHabitsAction")({ classIds: [classId], smallest: 2 }),
  },
  "regroup/keepOutsideScoresAction": {
    needs: ofClass("change"),
    call: ({ classId, studentId }) =>
      regroup("keepOutsideScoresAction")({
        id: id(),
        classIds: [classId],
        title: "Autumn test",
        onDay: "2026-09-18",
        columns: ["mathematics/Ratio"],
        rows: [{ studentId, scores: [{ score: 3, outOf: null }] }],
      }),
  },
  "regroup/removeOutsideScoresAction": {
    needs: ofClass("change"),
    call: ({ scoreListId }) => regroup("removeOutsideScoresAction")({ listId: scoreListId }),
  },
  "regroup/notePresenceAction": {
    needs: ofGroup("change"),
    call: ({ reteachId, studentId }) =>
      regroup("notePresenceAction")({ reteachId, presence: [{ studentId, there: true }] }),
  },
  "regroup/keepOwnReteachAction": {
    needs: staff,
    call: () =>
      regroup("keepOwnReteachAction")({
        skillId: "equivalent-ratios",
        approach: "things",
        parts: { show: "Two bowls." },
        shared: false,
        seenAt: null,
      }),
  },
  "regroup/noteVisitAction": {
    needs: ofStudent("note"),
    call: ({ studentId }) =>
      regroup("noteVisitAction")({
        id: id(),
        studentId,
        skillId: "equivalent-ratios",
        minutes: 5,
        result: "nearly",
      }),
  },
  "regroup/archiveGroupAction": {
    needs: ofGroup("archive"),
    call: ({ groupId }) => regroup("archiveGroupAction")(groupId),
  },
  "regroup/makeGroupAction": {
    needs: both(staff, ofStudent("see")),
    call: ({ studentId }) => regroup("makeGroupAction")({ id: id(), name: "G", ...days, studentIds: [studentId] }),
  },
  "regroup/changeGroupAction": {
    needs: ofGroup("change"),
    call: ({ groupId }) => regroup("changeGroupAction")({ groupId, name: "H", ...days }),
  },
  "regroup/moveMembersAction": {
    needs: ofGroup("change"),
    call: ({ groupId, studentId }) =>
      regroup("moveMembersAction")({ studentIds: [studentId], fromGroupId: groupId, toGroupId: null }),
  },
  "regroup/shareGroupAction": {
    needs: ofGroup("share"),
    call: ({ groupId }) => regroup("shareGroupAction")({ groupId, personId: "ben" }),
  },
  "regroup/endGroupShareAction": {
    needs: ofGroup("share"),
    call: ({ groupId, shareId }) => regroup("endGroupShareAction")({ groupId, shareId }),
  },
  "plan/choosePlanAction": {
    needs: ofClass("change"),
    call: ({ classId }) =>
      plan("choosePlanAction")({
        classIds: [classId],
        subjectId: "mathematics",
        grade: 6,
        firstDay: "2026-11-30",
        weekdays: [1],
      }),
  },
  "plan/changeCalendarAction": {
    needs: ownSchool,
    call: () => plan("changeCalendarAction")({ add: [{ from: "2027-03-01", to: "2027-03-01", name: "Day" }] }),
  },
  "plan/readCalendarAction": {
    needs: ownSchool,
    call: () => plan("readCalendarAction")({ text: "BEGIN:VCALENDAR\nVERSION:2.0\nPRODID:x\nEND:VCALENDAR" }),
  },
  "plan/changePlanAction": {
    needs: ofClass("change"),
    call: ({ classId }) =>
      plan("changePlanAction")({ classIds: [classId], what: "insert", slot: { id: id(), title: "Trip" }, place: 0 }),
  },
  "plan/makePlanAction": {
    needs: staff,
    call: () => plan("makePlanAction")({ id: id(), name: "Mine", isYear: true, subjectId: "mathematics", grade: 6 }),
  },
  "plan/renamePlanAction": {
    needs: ofPlan("look-after"),
    call: ({ planId }) => plan("renamePlanAction")({ planId, name: "Ours" }),
  },
  "plan/putPlanAwayAction": {
    needs: ofPlan("look-after"),
    call: ({ planId }) => plan("putPlanAwayAction")({ planId }),
  },
  "plan/bringPlanBackAction": {
    // It is in use: whoever may would be told so.
    needs: ofPlan("look-after"),
    call: ({ planId }) => plan("bringPlanBackAction")({ planId }),
  },
  "plan/openPlanAction": {
    needs: ofPlan("look-after"),
    call: ({ planId, schoolId }) => plan("openPlanAction")({ planId, schoolId, level: "use" }),
  },
  "plan/closePlanAction": {
    needs: ofPlan("look-after"),
    call: ({ planId }) => plan("closePlanAction")({ planId, rightId: "none" }),
  },
  "plan/changeSharedPlanAction": {
    needs: ofPlan("change"),
    call: ({ planId }) =>
      plan("changeSharedPlanAction")({ planId, what: "insert", slot: { id: id(), title: "Trip" }, place: 0 }),
  },
  "plan/takeOverChangesAction": {
    needs: ofPlan("change"),
    call: ({ planId }) => plan("takeOverChangesAction")({ planId, take: ["none"] }),
  },
  "plan/setRunningAction": {
    needs: ofClass("change"),
    call: ({ classId }) => plan("setRunningAction")({ classId, runs: true, pace: "own" }),
  },
  "plan/setStartsAction": {
    needs: ofClass("change"),
    call: ({ classId, studentId }) => plan("setStartsAction")({ classId, studentIds: [studentId], from: "first" }),
  },
  "plan/setNetworksAction": {
    needs: ownSchool,
    call: () => plan("setNetworksAction")({ networks: ["10.20.0.0/16"] }),
  },
  "delivery/takeNextAction": {
    // Each student of the class takes what comes next for themselves.
    needs: ({ studentId, classmateId, classId, schoolId }, { personId }) => [
      "student",
      ["work-on", { kind: "sitting", personId: personId === classmateId ? personId : studentId, classId, schoolId }],
    ],
    call: ({ classId }) => action("@/features/delivery/actions", "takeNextAction", { classId }),
  },
  "delivery/chooseOwnAction": {
    // Each student chooses for themselves.
    needs: () => ["student"],
    call: () =>
      action("@/features/delivery/actions", "chooseOwnAction", { skillId: "ratio-language", how: "amount", items: 5 }),
  },
  "delivery/readLessonAction": {
    needs: ({ studentId, classId, schoolId }) => [
      ["work-on", { kind: "sitting", personId: studentId, classId, schoolId }],
    ],
    call: ({ sittingId }) =>
      action("@/features/delivery/actions", "readLessonAction", { sittingId, skillId: "equivalent-ratios" }),
  },
  "delivery/setGoalAction": {
    needs: () => ["student"],
    call: () => action("@/features/delivery/actions", "setGoalAction", { daysAWeek: 3 }),
  },
  "work/giveAction": {
    needs: ofClass("change"),
    call: ({ classId, studentId }) =>
      work("giveAction")(
        onePart(id, {
          assignmentId: id(),
          classId,
          title: "T",
          skillIds: ["equivalent-ratios"],
          studentIds: [studentId],
          opensDay: "2026-11-23",
          dueDay: "2026-11-27",
          items: 8,
        }),
      ),
  },
  "work/addToWorkAction": {
    needs: ofClass("change"),
    call: ({ workId }) =>
      work("addToWorkAction")({
        assignmentId: workId,
        picked: [{ itemId: "times-as-many/find-the-larger", skillId: "times-as-many", seed: 1 }],
      }),
  },
  "work/giveMarkedAction": {
    needs: ofClass("change"),
    call: ({ classId, studentId }) =>
      work("giveMarkedAction")({
        batchId: id(),
        marked: [{ studentId, classId, skillIds: ["equivalent-ratios"] }],
        dueDay: "2026-11-27",
      }),
  },
  "work/addStudentsAction": {
    needs: ofClass("change"),
    call: ({ workId, studentId }) => work("addStudentsAction")({ assignmentId: workId, studentIds: [studentId] }),
  },
  "work/giveNowAction": { needs: ofClass("change"), call: ({ workId }) => work("giveNowAction")(workId) },
  "work/releaseAction": {
    needs: ofClass("change"),
    call: ({ workId }) => work("releaseAction")({ assignmentId: workId, what: ["score"] }),
  },
  "work/grantAction": {
    needs: ofClass("change"),
    call: ({ workId, studentId }) => work("grantAction")({ assignmentId: workId, studentIds: [studentId], items: 2 }),
  },
  "work/keepWorkAction": { needs: ofClass("change"), call: ({ workId }) => work("keepWorkAction")(workId) },
  "work/changeKeptWorkAction": {
    needs: staff,
    call: ({ workId }) => work("changeKeptWorkAction")({ workId, step: "share" }),
  },
  "work/makeSeriesAction": {
    needs: ofClass("change"),
    call: ({ classId }) => work("makeSeriesAction")(newSeries(id(), classId)),
  },
  "work/endSeriesAction": {
    needs: ofClass("change"),
    call: ({ seriesId }) => work("endSeriesAction")(seriesId),
  },
  "work/pauseAction": {
    needs: ofClass("change"),
    call: ({ workId }) => work("pauseAction")({ assignmentId: workId }),
  },
  "work/resumeAction": {
    needs: ofClass("change"),
    call: ({ workId }) => work("resumeAction")({ assignmentId: workId }),
  },
  "work/endNowAction": {
    needs: ofClass("change"),
    call: ({ workId }) => work("endNowAction")({ assignmentId: workId }),
  },
  "work/sendLinesAction": {
    needs: ofClass("change"),
    call: ({ workId, studentId }) =>
      work("sendLinesAction")({ assignmentId: workId, studentIds: [studentId], kind: "praise", text: "Well done." }),
  },
  "delivery/readLineAction": {
    needs: () => ["student"],
    call: () => action("@/features/delivery/actions", "readLineAction", { lineId: "line-1" }),
  },
  "work/openPartAction": {
    needs: ofClass("change"),
    call: ({ workId, studentId }) =>
      work("openPartAction")({ assignmentId: workId, partId: "first", studentIds: [studentId] }),
  },
  "work/beginTrialAction": {
    needs: ofClass("see"),
    call: ({ classId }) =>
      work("beginTrialAction")({
        classId,
        title: "T",
        parts: [{ id: id(), kind: "amount", skillIds: ["equivalent-ratios"], settings: { items: 3 } }],
      }),
  },
  "work/tryGivenAction": { needs: ofClass("see"), call: ({ workId }) => work("tryGivenAction")(workId) },
  "work/endTrialAction": { needs: staff, call: () => work("endTrialAction")() },
  "work/keepPresetAction": { needs: staff, call: () => work("keepPresetAction")({ name: "", settings: {} }) },
  "work/putPresetAwayAction": {
    needs: staff,
    call: () => work("putPresetAwayAction")({ presetId: "no such", away: true }),
  },
  "work/furtherTryAction": {
    needs: ofClass("change"),
    call: ({ workId, studentId }) =>
      work("furtherTryAction")({ assignmentId: workId, partId: "first", studentIds: [studentId], form: "same" }),
  },
  "work/changeRulesAction": {
    needs: ofClass("change"),
    call: ({ workId }) =>
      work("changeRulesAction")({ assignmentId: workId, title: "T", rules: {}, parts: [{ id: "first", items: 4 }] }),
  },
  "delivery/unlockAction": {
    needs: ({ studentId, classmateId, classId, schoolId }, { personId }) => [
      "student",
      ["work-on", { kind: "sitting", personId: personId === classmateId ? personId : studentId, classId, schoolId }],
    ],
    call: ({ workId }) => action("@/features/delivery/actions", "unlockAction", { assignmentId: workId, code: "X1" }),
  },
  "work/moveDueDayAction": {
    needs: ofClass("change"),
    call: ({ workId }) => work("moveDueDayAction")(workId, "2026-12-01"),
  },
  "work/withdrawAction": { needs: ofClass("change"), call: ({ workId }) => work("withdrawAction")(workId) },
  "scoring/dropItemAction": {
    needs: ofClass("change"),
    call: ({ workId }) => scoring("dropItemAction")({ assignmentId: workId, partItemId: "none" }),
  },
  "scoring/rejudgeItemAction": {
    needs: ofClass("change"),
    call: ({ workId }) => scoring("rejudgeItemAction")({ assignmentId: workId, itemId: "equivalent-ratios/none" }),
  },
  "scoring/enterPaperAction": {
    needs: ofClass("change"),
    call: ({ paperId, studentId }) =>
      scoring("enterPaperAction")({ assignmentId: paperId, entries: [{ studentId, place: 0, points: 1 }] }),
  },
  "scoring/rateAnswerAction": {
    needs: ofClass("change"),
    call: ({ answerSerial }) =>
      scoring("rateAnswerAction")({ key: id(), answer: answerSerial, part: "a", points: [1] }),
  },
  "library/makeBankAction": { needs: staff, call: () => library("makeBankAction")({ id: id(), name: "Mine" }) },
  "library/changeBankAction": {
    needs: ofBank("look-after"),
    call: ({ bankId }) => library("changeBankAction")({ bankId, name: "Renamed" }),
  },
  "library/openBankAction": {
    needs: ofBank("look-after"),
    call: ({ bankId, schoolId }) => library("openBankAction")({ bankId, schoolId, role: "coordinator", level: "use" }),
  },
  "library/closeBankAction": {
    needs: ofBank("look-after"),
    call: ({ bankId }) => library("closeBankAction")({ bankId, rightId: "none" }),
  },
  "library/putIntoUseAction": {
    needs: ofBank("change"),
    call: ({ itemId }) => library("putIntoUseAction")({ itemId, revision: 9 }),
  },
  "library/moveItemsAction": {
    needs: ofBank("change"),
    call: ({ itemId, bankId }) => library("moveItemsAction")({ itemIds: [itemId], bankId }),
  },
  "library/copyItemsAction": {
    needs: ofBank("change"),
    call: ({ itemId, bankId }) => library("copyItemsAction")({ itemIds: [itemId], bankId }),
  },
  "library/keepApartAction": {
    needs: ofBank("change"),
    call: ({ itemId }) =>
      library("keepApartAction")({ itemIds: [itemId, "times-as-many/find-the-larger"], apart: true }),
  },
  "library/beginCalibrationAction": {
    needs: ofBank("look-after"),
    call: ({ bankId }) => library("beginCalibrationAction")({ id: id(), bankId, model: "rasch" }),
  },
  "library/adoptEstimatesAction": {
    needs: ofBank("look-after"),
    call: ({ bankId }) => library("adoptEstimatesAction")({ calibrationId: "none", bankId, versionIds: ["none"] }),
  },
  "library/retireItemsAction": {
    needs: ofBank("change"),
    call: ({ itemId }) => library("retireItemsAction")({ itemIds: [itemId] }),
  },
  "library/bringItemsBackAction": {
    needs: ofBank("change"),
    call: ({ itemId }) => library("bringItemsBackAction")({ itemIds: [itemId] }),
  },
  "POST api/items/draft": {
    needs: ofBank("change"),
    call: ({ itemId, bankId }) =>
      route("items/draft", "POST", "/x", {
        body: JSON.stringify({ itemId, bankId, revision: 1, body: bodyWith() }),
      }),
  },
  "POST api/items/try": {
    needs: staff,
    call: ({ itemId }) => route("items/try", "POST", "/x", { body: JSON.stringify({ itemId, body: bodyWith() }) }),
  },
  "POST api/items/files": {
    needs: ofBank("change"),
    call: ({ bankId }) => {
      const body = new FormData();
      body.set("file", new File([csv("Question,Answer\n2 + 2?,4")], "items.csv"));
      body.set("bankId", bankId);
      return route("items/files", "POST", "/x", { body });
    },
  },
  "GET api/items/files/[draftId]": {
    needs: ofFile,
    call: ({ fileId }) => route("items/files/[draftId]", "GET", "/x", {}, { draftId: fileId }),
  },
  "library/chooseForImportAction": {
    needs: ofFile,
    call: ({ fileId, bankId }) => library("chooseForImportAction")({ draftId: fileId, bankId, skillId: null }),
  },
  "library/stopReadingItemsAction": {
    needs: ofFile,
    call: ({ fileId }) => library("stopReadingItemsAction")({ draftId: fileId }),
  },
  "library/applyItemImportAction": {
    needs: ofFile,
    call: ({ fileId }) => library("applyItemImportAction")({ draftId: fileId, fingerprint: "none" }),
  },
  "POST api/pictures": {
    needs: staff,
    call: () => {
      const body = new FormData();
      body.set("file", new File([new TextEncoder().encode("<svg/>")], "a.svg"));
      return route("pictures", "POST", "/api/pictures", { body });
    },
  },
  "GET api/pictures/[hash]": {
    needs: (_, actor) => [actor.kind],
    call: () => route("pictures/[hash]", "GET", "/x", {}, { hash: "0".repeat(64) }),
  },
  "GET api/passages/[passageId]": {
    needs: both(staff, ofBank("use")),
    call: ({ passageId }) => route("passages/[passageId]", "GET", "/x", {}, { passageId }),
  },
  "library/keepPassageAction": {
    needs: ofBank("change"),
    call: ({ passageId }) => library("keepPassageAction")({ passageId, title: "Tide", text: "It goes out." }),
  },
  "library/retirePassageAction": {
    needs: ofBank("change"),
    call: ({ passageId }) => library("retirePassageAction")({ passageId }),
  },
  "POST api/frameworks/files": {
    needs: ownSchool,
    call: () => {
      const body = new FormData();
      body.set("file", new File([csv("{}")], "standards.json"));
      return route("frameworks/files", "POST", "/x", { body });
    },
  },
  "GET api/frameworks/files/[draftId]": {
    needs: ofFrameworkFile,
    call: ({ frameworkFileId }) => route("frameworks/files/[draftId]", "GET", "/x", {}, { draftId: frameworkFileId }),
  },
  "library/chooseSubjectAction": {
    needs: ofFrameworkFile,
    call: ({ frameworkFileId }) =>
      library("chooseSubjectAction")({ draftId: frameworkFileId, subjectId: "mathematics" }),
  },
  "library/stopReadingFrameworkAction": {
    needs: ofFrameworkFile,
    call: ({ frameworkFileId }) => library("stopReadingFrameworkAction")({ draftId: frameworkFileId }),
  },
  "library/applyFrameworkImportAction": {
    needs: ofFrameworkFile,
    call: ({ frameworkFileId }) =>
      library("applyFrameworkImportAction")({ draftId: frameworkFileId, fingerprint: "none" }),
  },
  "library/followFrameworkAction": {
    needs: ownSchool,
    call: () => library("followFrameworkAction")({ frameworkId: "tidewater" }),
  },
  "GET api/items/export": {
    needs: ofBank("use"),
    call: ({ bankId }) => route("items/export", "GET", `/x?bank=${bankId}&format=csv`, {}),
  },
  "library/putBankAwayAction": {
    needs: ofBank("look-after"),
    call: ({ bankId }) => library("putBankAwayAction")({ bankId }),
  },
  "library/bringBankBackAction": {
    needs: ofBank("look-after"),
    call: ({ bankId }) => library("bringBankBackAction")({ bankId }),
  },
  "library/keepNoteAction": {
    needs: both(staff, ofBank("use")),
    call: ({ itemId }) => library("keepNoteAction")({ about: "item", aboutId: itemId, text: "N" }),
  },
  "library/dropDraftAction": {
    needs: ofBank("change"),
    call: ({ itemId }) => library("dropDraftAction")({ itemId }),
  },
  "history/undoAction": {
    needs: ({ schoolId, classId, owner }) => [
      ["undo", { kind: "entry", schoolId, classId, groupIds: [], authorId: owner }],
    ],
    call: ({ changeId }) => action("@/server/history/undoAction", "undoAction", changeId),
  },
  "evidence/noteTalkAction": {
    needs: ofStudent("note"),
    call: ({ studentId }) =>
      evidence("noteTalkAction")({
        notes: [{ id: id(), studentId }],
        reason: "haste",
        skillId: "equivalent-ratios",
        versionId: null,
        assignmentId: null,
        misconceptionId: null,
      }),
  },
  "evidence/sayNoughtAction": {
    needs: ofClass("change"),
    call: ({ workId, studentId }) =>
      evidence("sayNoughtAction")({ assignmentId: workId, studentIds: [studentId], counts: true }),
  },
  "evidence/setExpectationAction": {
    needs: ofClass("change"),
    call: ({ classId }) => evidence("setExpectationAction")({ classIds: [classId], minutes: 40, pieces: 2 }),
  },
  "evidence/setGoalAction": {
    needs: ofClass("change"),
    call: ({ classId }) =>
      evidence("setGoalAction")({
        ...{ id: id(), classIds: [classId], aim: "amount", unit: "minutes", target: 60, untilDay: "2026-12-04" },
      }),
  },
  "evidence/giveUpGoalAction": {
    needs: ofClass("change"),
    call: ({ goalId }) => evidence("giveUpGoalAction")({ goalId }),
  },
  "evidence/praiseAction": {
    needs: ofClass("change"),
    call: ({ studentId, classId }) =>
      evidence("praiseAction")({ students: [{ id: studentId, classId }], text: "It shows." }),
  },
  "frame/sendPointerAction": {
    needs: both(staff, ofClass("see")),
    call: ({ classId, owner }) =>
      frame("sendPointerAction")({
        id: id(),
        toId: owner,
        classIds: [classId],
        rest: "/evidence/marks?range=term",
        sentence: "Look at the quiz.",
        day: "2099-01-01",
      }),
  },
  "today/putOffLineAction": {
    needs: staff,
    call: () => today("putOffLineAction")({ key: "plan", said: "nothing", how: "week" }),
  },
  "today/bringBackLineAction": {
    needs: staff,
    call: () => today("bringBackLineAction")({ key: "plan" }),
  },
  "frame/closePointerAction": {
    needs: staff,
    call: () => frame("closePointerAction")({ pointerId: "none" }),
  },
  "GET api/pointers": {
    needs: ofClass("see"),
    call: (at) => route("pointers", "GET", `/x?classes=${slugOf(at)}`),
  },
  "GET api/reports/[report]": {
    needs: ofClass("see"),
    call: (at) => route("reports/[report]", "GET", `/x?classes=${slugOf(at)}&as=csv`, {}, { report: "mistakes" }),
  },
  "facts/changeFactSettingsAction": {
    needs: ofClass("change"),
    call: ({ classId }) =>
      action("@/features/facts/actions", "changeFactSettingsAction", { classId, on: true, minutesADay: 4 }),
  },
  "delivery/takeReviewAction": {
    // Each student begins their own.
    needs: () => ["student"],
    call: ({ classId }) => action("@/features/delivery/actions", "takeReviewAction", { classId }),
  },
  "review/changeReviewSettingsAction": {
    needs: ofClass("change"),
    call: ({ classId }) =>
      action("@/features/review/actions", "changeReviewSettingsAction", { classId, on: true, minutesADay: 4 }),
  },
  "review/placeReviewSkillsAction": {
    needs: ofClass("change"),
    call: ({ classId }) =>
      action("@/features/review/actions", "placeReviewSkillsAction", {
        classId,
        skillIds: ["equivalent-ratios"],
        place: "resting",
      }),
  },
  "GET api/review": {
    needs: ofClass("see"),
    call: ({ classId }) => route("review", "GET", `/x?class=${classId}&rest=equivalent-ratios`),
  },
  "GET api/facts": {
    needs: ofStudent("see"),
    call: ({ studentId }) => route("facts", "GET", `/x?student=${studentId}&fact=6*7`),
  },
  "POST api/facts": {
    needs: () => ["student"],
    call: () =>
      route("facts", "POST", "/x", {
        body: JSON.stringify({
          attempts: [{ key: id(), kind: "drill", fact: "6*7", given: 42, milliseconds: 2000, agoMilliseconds: 0 }],
        }),
      }),
  },
  "GET api/cell": {
    needs: ofStudent("see"),
    call: ({ studentId }) => route("cell", "GET", `/x?student=${studentId}&skill=equivalent-ratios`),
  },
  "GET api/frameworks/[id]": {
    needs: staff,
    call: () => route("frameworks/[id]", "GET", "/x", {}, { id: "weir-valley" }),
  },
  "GET api/calendar": { needs: staff, call: () => route("calendar", "GET", "/x") },
  "GET api/names": { needs: staff, call: () => route("names", "GET", "/x") },
  "GET api/groups": { needs: staff, call: () => route("groups", "GET", "/x?classes=all") },
  "GET api/search": { needs: staff, call: () => route("search", "GET", "/x?classes=all") },
  "GET api/students/[id]": {
    needs: ofStudent("see"),
    call: ({ studentId }) => route("students/[id]", "GET", "/x", {}, { id: studentId }),
  },
  "POST api/answers": {
    needs: ({ studentId, classId, schoolId }) => [
      ["work-on", { kind: "sitting", personId: studentId, classId, schoolId }],
    ],
    call: ({ sittingId, presentationId }) =>
      route("answers", "POST", "/x", {
        body: JSON.stringify({
          key: id(),
          sittingId,
          presentationId,
          tryNumber: 1,
          response: { a: { text: "1" } },
          hintsUsed: 0,
          milliseconds: 1000,
          agoMilliseconds: 0,
          deviceClock: START,
          offline: false,
        }),
      }),
  },
  "POST api/tests/[ask]": {
    needs: ofClass("see"),
    call: ({ classId }) =>
      route(
        "tests/[ask]",
        "POST",
        "/x",
        { body: JSON.stringify({ classId, seed: 1, counts: [{ skillId: "equivalent-ratios", items: 2 }] }) },
        { ask: "propose" },
      ),
  },
  "GET api/signs": {
    needs: ({ studentId, classId, schoolId }) => [
      ["work-on", { kind: "sitting", personId: studentId, classId, schoolId }],
    ],
    call: ({ sittingId }) => route("signs", "GET", `/api/signs?sitting=${sittingId}`),
  },
  "GET api/live/[workId]": {
    needs: ofClass("see"),
    call: async ({ workId }) => firstOnly(await route("live/[workId]", "GET", "/x", {}, { workId })),
  },
  "POST api/hand-in": {
    needs: ({ studentId, classId, schoolId }) => [
      ["work-on", { kind: "sitting", personId: studentId, classId, schoolId }],
    ],
    call: ({ sittingId }) => route("hand-in", "POST", "/x", { body: JSON.stringify({ sittingId }) }),
  },
  "POST api/hints": {
    needs: ({ studentId, classId, schoolId }) => [
      ["work-on", { kind: "sitting", personId: studentId, classId, schoolId }],
    ],
    call: ({ sittingId, presentationId }) =>
      route("hints", "POST", "/x", { body: JSON.stringify({ sittingId, presentationId }) }),
  },
  "POST api/lessons": {
    needs: ({ studentId, classId, schoolId }) => [
      ["work-on", { kind: "sitting", personId: studentId, classId, schoolId }],
    ],
    call: ({ sittingId }) =>
      route("lessons", "POST", "/x", {
        body: JSON.stringify({
          key: id(),
          sittingId,
          skillId: "equivalent-ratios",
          agoMilliseconds: 9000,
          milliseconds: 8000,
          modelMilliseconds: 0,
          modelMoves: 0,
        }),
      }),
  },
  "POST api/roster/drafts": {
    needs: ofClass("enroll"),
    call: ({ classId }) => {
      const body = new FormData();
      body.set("target", classId);
      body.set("file", new File(["id,first,last\n1,A,B"], "x.csv"));
      return route("roster/drafts", "POST", "/x", { body });
    },
  },
  "GET api/roster/drafts/[draftId]": {
    needs: ofDraft,
    call: ({ draftId }) => route("roster/drafts/[draftId]", "GET", "/x", {}, { draftId }),
  },
  "GET api/roster/drafts/[draftId]/entries": {
    needs: ofDraft,
    call: ({ draftId }) => route("roster/drafts/[draftId]/entries", "GET", "/x", {}, { draftId }),
  },
  "GET api/roster/export": {
    needs: ofClass("export"),
    call: ({ classId }) => route("roster/export", "GET", `/x?format=csv&class=${classId}`),
  },
  "GET api/roster/students/[id]/export": {
    needs: ofStudent("export"),
    call: ({ studentId }) => route("roster/students/[id]/export", "GET", "/x", {}, { id: studentId }),
  },
};

/** All that can be called from outside, as the sources have it. */
export function callable(): string[] {
  const files = (folder: string): string[] =>
    readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
      entry.isDirectory() ? files(join(folder, entry.name)) : [join(folder, entry.name)],
    );
  return files("src").flatMap((file) => {
    const text = readFileSync(file, "utf8");
    if (/^src\/app\/.*\/route\.ts$/.test(file)) {
      const path = relative("src/app", file)
        .replace(/\/route\.ts$/, "")
        .replace(/\([^)]*\)\//g, "");
      return [...text.matchAll(/export (?:async )?(?:function|const) (GET|POST|PUT|PATCH|DELETE)/g)].map(
        ([, verb]) => `${verb} ${path}`,
      );
    }
    if (!/^["']use server["']/.test(text)) return [];
    const owner = file.split("/").at(-2);
    return [...text.matchAll(/export async function (\w+)/g)].map(([, name]) => `${owner}/${name}`);
  });
}

/** A school with two classes and another school, everybody signed in by their own name as token; writes are taken back. */
export async function prepareEntries(): Promise<TestSchool> {
  school = await testSchool();
  const { db } = school;
  const staffOf = (schoolId: string, ...names: string[]) =>
    names.map((name) => ({
      id: name,
      schoolId,
      kind: "staff" as const,
      givenName: name,
      familyName: "T",
      email: `${name}@${schoolId}.example`,
    }));
  await db.write(async (tx) => {
    await insertSchool(tx, {
      school: { id: "school-2", name: "Other", timeZone: "Europe/Dublin" },
      term: { id: "term-2", schoolId: "school-2", name: "Autumn", startDay: "2026-09-14", endDay: "2027-01-22" },
      holidays: [],
      staff: [...staffOf("school-2", "zoe", "zac"), ...staffOf("school-1", "sue", "kim", "dan")],
      roles: [{ id: "role-zac", personId: "zac", schoolId: "school-2", role: "coordinator" }],
    });
  });
  const owners = { "own class": "ana", "other class": "dan", "other school": "zoe" } as const;
  for (const place of PLACES) {
    const owner = owners[place];
    const schoolId = place === "other school" ? "school-2" : "school-1";
    const { classId, studentIds, changeId } = await makeClass(school, 2, `6 ${place}`, owner);
    const [studentId = ""] = studentIds;
    const teacher = await school.teacher(owner);
    const archivedId = id();
    await makeOwnClass(teacher, { classId: archivedId, name: `Old ${place}`, subject: "Mathematics", grade: 6 });
    await archiveClass(await school.teacher(owner), { classId: archivedId });
    const groupId = id();
    await makeGroup(teacher, {
      id: groupId,
      name: "Group",
      skillId: "equivalent-ratios",
      ...days,
      studentIds: [studentId],
    });
    const reteachId = id();
    await assignReteach(await school.teacher(owner), {
      groupId,
      reteachId,
      practiceDueDay: "2026-11-25",
      checkOpensDay: "2026-11-26",
      checkDueDay: "2026-11-27",
      checkItems: 4,
    });
    await changeFactSettings(teacher, { classId, on: true });
    await changeReviewSettings(teacher, { classId, on: true });
    await placeReviewSkills(teacher, { classId, skillIds: ["equivalent-ratios"], place: "in" });
    const scoreListId = id();
    await school.db.write((tx) =>
      tx.insert(scoreLists).values({
        id: scoreListId,
        classId,
        title: "Spring test",
        onDay: "2026-05-20",
        byId: owner,
        keptAt: school.runtime.now(),
      }),
    );
    if (place === "own class") await shareGroup(await school.teacher(owner), { groupId, personId: "kim" });
    await setRunning(teacher, { classId, runs: true, pace: "own" });
    const workId = await givePractice(school, classId, studentIds, {}, owner);
    const seriesId = id();
    const paperId = await givePractice(school, classId, studentIds, PAPER, owner);
    await makeSeries(await school.teacher(owner), { ...newSeries(seriesId, classId) });
    await give(school, studentId, await open(school, studentId, workId), "wrong");
    const [answered] = await answersOfPerson(db.read, studentId);
    const sitting = await open(school, studentId, workId);
    const draftId = await beginImport(teacher, { classId, fileName: "x.csv", bytes: csv("id,first,last\n9,A,B") });
    const erasureId = id();
    await db.write(async (tx) => {
      await insertErasure(tx, {
        id: erasureId,
        schoolId,
        personId: studentIds[1] ?? "",
        reason: "asked",
        requestedBy: owner,
        requestedAt: START,
      });
    });
    const goalId = id();
    const amount = { aim: "amount", unit: "pieces", target: 4, untilDay: "2026-12-11" };
    await setGoal(await school.teacher(owner), { id: goalId, classIds: [classId], ...amount });
    const bankId = id();
    const itemId = id();
    await makeBank(await school.teacher(owner), { id: bankId, name: "Bank" });
    await saveDraft(await school.teacher(owner), { itemId, bankId, revision: 0, body: bodyWith() });
    const fileId = await beginItemImport(await school.teacher(owner), {
      bankId,
      fileName: "items.csv",
      bytes: csv("Question,Answer\n2 + 2?,4"),
    });
    const passageId = id();
    await keepPassage(await school.teacher(owner), { passageId, bankId, title: "Tide", text: "It comes in." });
    const frameworkFileId = id();
    await db.write((tx) =>
      insertLibraryDraft(tx, {
        id: frameworkFileId,
        ownerId: owner,
        schoolId,
        kind: "framework",
        fileName: "standards.json",
        bytes: Buffer.from("{}"),
        createdAt: START,
      }),
    );
    const isOwn = place === "own class";
    const planId = id();
    const ofGradeSix = { subjectId: "mathematics", grade: 6 };
    await makePlan(await school.teacher(owner), { id: planId, name: "Plan", isYear: true, ...ofGradeSix });
    if (isOwn) await openPlan(await school.teacher(owner), { planId, personId: "kim", level: "use" });
    if (isOwn) await openBank(await school.teacher(owner), { bankId, personId: "kim", level: "use" });
    const shares = await db.read.query.groupShares.findMany();
    const rows = await db.read.query.classStaff.findMany();
    around.set(place, {
      schoolId,
      owner,
      classId,
      archivedId,
      studentId,
      classmateId: studentIds[1] ?? "",
      groupId,
      shareId: shares.find((share) => share.groupId === groupId)?.id ?? "none",
      workId,
      seriesId,
      paperId,
      sittingId: sitting.sittingId,
      presentationId: sitting.current?.presentationId ?? "",
      answerSerial: answered?.serial ?? 0,
      draftId,
      changeId,
      staffRowId: rows.find((row) => row.classId === classId)?.id ?? "",
      erasureId,
      goalId,
      reteachId,
      scoreListId,
      bankId,
      planId,
      bankRights: isOwn ? [{ personId: "kim", schoolId: null, role: null, level: "use" }] : [],
      itemId,
      passageId,
      fileId,
      frameworkFileId,
    });
    if (place !== "own class") continue;
    const join = (personId: string, role: "co-teacher" | "substitute" | "specialist", untilDay: string | null) =>
      db.write((tx) => insertClassStaff(tx, { id: id(), classId, personId, role, untilDay }));
    await join("ben", "co-teacher", null);
    await join("sue", "substitute", "2026-11-23");
    await join("sam", "specialist", null);
    for (const [name, personId] of [
      ["pupil", studentId],
      ["classmate", studentIds[1] ?? ""],
    ] as const)
      actors.set(name, school.student(personId).actor);
  }
  for (const name of ACTORS) {
    const found = actors.get(name);
    const row = name === "nobody" ? null : await personById(db.read, found?.personId ?? name);
    actors.set(name, row ? await actorOf(school.runtime, row) : null);
    if (row)
      await db.write((tx) =>
        insertSession(tx, {
          tokenHash: tokenHashOf(name),
          personId: row.id,
          createdAt: START,
          lastSeenAt: START,
          expiresAt: START + 3_600_000,
        }),
      );
  }
  // Whatever a call writes is taken back at once: every call meets the same school.
  const taken = Symbol("taken back");
  // What a search would make first: here it would be taken back.
  await cardsMade(school.runtime);
  const runtime: Runtime = {
    ...school.runtime,
    db: {
      ...db,
      write: async (change) => {
        let result: { value: unknown } | null = null;
        try {
          await db.write(async (tx) => {
            result = { value: await change(tx) };
            throw taken;
          });
        } catch (error) {
          if (error !== taken) throw error;
        }
        return (result as unknown as { value: never }).value;
      },
    },
  };
  (globalThis as { oxbowRuntime?: Promise<Runtime> }).oxbowRuntime = Promise.resolve(runtime);
  return school;
}

export function closeEntries(): void {
  delete (globalThis as { oxbowRuntime?: Promise<Runtime> }).oxbowRuntime;
  school.close();
}
