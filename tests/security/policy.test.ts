import { describe, expect, it } from "vitest";
import { may, RIGHTS, type StaffActor, type StudentActor, type Subject } from "@/server/access/policy";

const staff = (over: Partial<StaffActor>): StaffActor => ({
  kind: "staff",
  personId: "t",
  schoolId: "s",
  name: "T",
  classIds: [],
  classTies: new Map(),
  archivedClassTies: new Map(),
  groupTies: new Map(),
  coordinates: [],
  ...over,
});
const teacher = staff({
  classIds: ["a", "b"],
  classTies: new Map([
    ["a", "teacher"],
    ["b", "teacher"],
  ]),
});
const coTeacher = staff({ personId: "co", classTies: new Map([["a", "co-teacher"]]) });
const substitute = staff({ personId: "su", classTies: new Map([["a", "substitute"]]) });
const specialist = staff({ personId: "sp", classTies: new Map([["a", "specialist"]]) });
const coordinator = staff({ personId: "c", coordinates: ["s"] });
const groupOwner = staff({ personId: "g", groupTies: new Map([["g1", "group owner"]]) });
const colleague = staff({ personId: "h", groupTies: new Map([["g1", "group colleague"]]) });
const stranger = staff({ personId: "u", classIds: ["c"], classTies: new Map([["c", "teacher"]]) });
const elsewhere = staff({
  personId: "e",
  schoolId: "s2",
  coordinates: ["s2"],
});
const pupil: StudentActor = { kind: "student", personId: "p", schoolId: "s", name: "P" };
const otherPupil: StudentActor = { kind: "student", personId: "q", schoolId: "s", name: "Q" };
const ACTORS = {
  teacher,
  coTeacher,
  substitute,
  specialist,
  coordinator,
  groupOwner,
  colleague,
  stranger,
  elsewhere,
  pupil,
  otherPupil,
};
type Name = keyof typeof ACTORS;

const ownClass: Subject = { kind: "class", classId: "a", schoolId: "s" };
const student: Subject = { kind: "student", personId: "p", schoolId: "s", classIds: ["x", "a"], groupIds: ["g1"] };
const noClass: Subject = { kind: "student", personId: "p", schoolId: "s", classIds: [], groupIds: [] };
const group: Subject = { kind: "group", groupId: "g1", classId: "a", schoolId: "s" };
const sitting: Subject = { kind: "sitting", personId: "p", classId: "a", schoolId: "s" };
const school: Subject = { kind: "school", schoolId: "s" };
const entry: Subject = { kind: "entry", schoolId: "s", classId: "a", groupIds: [], authorId: "su" };
const schoolEntry: Subject = { kind: "entry", schoolId: "s", classId: null, groupIds: [], authorId: "t" };
const groupEntry: Subject = { kind: "entry", schoolId: "s", classId: "x", groupIds: ["g1"], authorId: "h" };
const bank = (over: Partial<Extract<Subject, { kind: "bank" }>> = {}): Subject => ({
  kind: "bank",
  bankId: "k",
  schoolId: "s",
  ownerId: "t",
  ownerLeft: false,
  restricted: false,
  rights: [],
  ...over,
});
const plan = (over: Partial<Extract<Subject, { kind: "plan" }>> = {}): Subject => ({
  kind: "plan",
  planId: "l",
  schoolId: "s",
  ownerId: "t",
  ownerLeft: false,
  rights: [],
  ...over,
});
const rightTo = (over: object) => ({ personId: null, schoolId: null, role: null, level: "use" as const, ...over });
const OWN_SCHOOL = Object.keys(ACTORS).filter((name) => !/upil|elsewhere/.test(name)) as Name[];
const libraryEntry: Subject = { kind: "library entry", schoolId: "s", authorId: "su" };
const draft: Subject = { kind: "draft", authorId: "t" };

const CLASS_ADULTS: Name[] = ["teacher", "coTeacher", "substitute", "specialist", "coordinator"];
const TEAM: Name[] = ["teacher", "coTeacher", "coordinator"];

/** Who may, and nobody else of all the actors above. */
const TABLE: readonly (readonly [string, string, Subject, readonly Name[]])[] = [
  ["a class is seen by its adults", "see", ownClass, CLASS_ADULTS],
  [
    "a substitute works with the class, a specialist looks on",
    "change",
    ownClass,
    ["teacher", "coTeacher", "substitute", "coordinator"],
  ],
  ["its roster is its team's", "enroll", ownClass, TEAM],
  ["sharing it is the teacher's", "share", ownClass, ["teacher", "coordinator"]],
  ["taking its roster out is its team's", "export", ownClass, TEAM],
  ["PINs are made by any of its adults", "reset-sign-in", ownClass, CLASS_ADULTS],
  ["a student is seen by the adults of class and group", "see", student, [...CLASS_ADULTS, "groupOwner", "colleague"]],
  ["supports are seen by the same", "see-supports", student, [...CLASS_ADULTS, "groupOwner", "colleague"]],
  [
    "supports are changed by those who teach",
    "change-supports",
    student,
    ["teacher", "coTeacher", "specialist", "coordinator"],
  ],
  ["a student's data are corrected by the team", "change", student, TEAM],
  ["all about a student goes out through coordinators only", "export", student, ["coordinator"]],
  ["erasing is the coordinators'", "erase", student, ["coordinator"]],
  ["interests are the student's own", "choose-interests", student, ["pupil"]],
  ["a student in no class is the coordinators'", "see", noClass, ["coordinator"]],
  [
    "a group is seen by its own and its class's people",
    "see",
    group,
    ["teacher", "coTeacher", "substitute", "coordinator", "groupOwner", "colleague"],
  ],
  [
    "a group is changed by its own and the team",
    "change",
    group,
    ["teacher", "coTeacher", "coordinator", "groupOwner", "colleague"],
  ],
  ["a group is shared by its owner", "share", group, ["coordinator", "groupOwner"]],
  ["a sitting is seen by the student and the class's adults", "see", sitting, [...CLASS_ADULTS, "pupil"]],
  ["a sitting is worked on by the student alone", "work-on", sitting, ["pupil"]],
  ["the school is the coordinators'", "manage", school, ["coordinator"]],
  [
    "an entry of a class is undone by its team or its author",
    "undo",
    entry,
    ["teacher", "coTeacher", "substitute", "coordinator"],
  ],
  // Not by its author: a former coordinator would take back what made them a former one.
  ["an entry of the school is undone by a coordinator", "undo", schoolEntry, ["coordinator"]],
  [
    "an entry of a group is undone by its owner or its author",
    "undo",
    groupEntry,
    ["coordinator", "groupOwner", "colleague"],
  ],
  ["a change of rights in a class is undone by the teacher", "undo-rights", entry, ["teacher", "coordinator"]],
  ["a plan of one's own is one's own", "use", plan(), ["teacher"]],
  ["a plan of the school is copied by its staff", "use", plan({ ownerId: null }), OWN_SCHOOL],
  ["and looked after by its coordinators", "change", plan({ ownerId: null }), ["coordinator"]],
  ["so is a plan whose owner has left", "look-after", plan({ ownerId: "x", ownerLeft: true }), ["coordinator"]],
  ["a plan that was put away is nobody's", "use", plan({ schoolId: null }), []],
  [
    "a plan opened to a colleague is copied by them",
    "use",
    plan({ rights: [{ personId: "u", schoolId: null, level: "use" }] }),
    ["teacher", "stranger"],
  ],
  [
    "or changed with its owner",
    "change",
    plan({ rights: [{ personId: "u", schoolId: null, level: "change" }] }),
    ["teacher", "stranger"],
  ],
  [
    "one opened to another school is copied there",
    "use",
    plan({ rights: [{ personId: null, schoolId: "s2", level: "use" }] }),
    ["teacher", "elsewhere"],
  ],
  ["a bank of one's own is one's own", "use", bank(), ["teacher"]],
  ["a bank of the school is its coordinators'", "look-after", bank({ ownerId: null }), ["coordinator"]],
  ["so is one whose owner has left", "change", bank({ ownerId: "x", ownerLeft: true }), ["coordinator"]],
  ["one that was put away is nobody's", "use", bank({ schoolId: null }), []],
  [
    "one that is opened to a colleague is used by both",
    "use",
    bank({ rights: [rightTo({ personId: "u" })] }),
    ["teacher", "stranger"],
  ],
  ["and changed by its owner", "change", bank({ rights: [rightTo({ personId: "u" })] }), ["teacher"]],
  ["one opened to the school is used by its staff", "use", bank({ rights: [rightTo({ schoolId: "s" })] }), OWN_SCHOOL],
  [
    "one opened to its specialists, by them",
    "use",
    bank({ rights: [rightTo({ schoolId: "s", role: "specialist" })] }),
    ["teacher", "specialist"],
  ],
  [
    "one opened to another school's coordinators, by them",
    "change",
    bank({ rights: [rightTo({ schoolId: "s2", role: "coordinator", level: "change" })] }),
    ["teacher", "elsewhere"],
  ],
  [
    "a restricted one shows nothing to those who only use or change it",
    "use",
    bank({
      restricted: true,
      rights: [rightTo({ personId: "u", level: "change" }), rightTo({ personId: "sp", level: "look-after" })],
    }),
    ["teacher", "specialist"],
  ],
  ["a change of the library is undone by its author", "undo", libraryEntry, ["substitute", "coordinator"]],
  ["a draft belongs to its maker", "change", draft, ["teacher"]],
];

describe("policy", () => {
  it.each(TABLE)("%s", (_, verb, subject, allowed) => {
    const found = (Object.keys(ACTORS) as Name[]).filter((name) => may(ACTORS[name], verb as never, subject));
    expect(found.sort()).toEqual([...allowed].sort());
  });

  it("gives coordinators every right over classes, students and groups that anyone else has", () => {
    for (const kind of ["class", "student", "group"] as const)
      for (const [verb, { ties }] of Object.entries(RIGHTS[kind]))
        if (verb !== "choose-interests")
          expect([kind, verb, ties.includes("coordinator" as never)]).toEqual([kind, verb, true]);
  });

  it("forgets an author who has lost the class", () => {
    const gone = staff({ personId: "su" });
    expect(may(gone, "undo", { kind: "entry", schoolId: "s", classId: "a", groupIds: [], authorId: "su" })).toBe(false);
  });
});
