import type { BankLevel, BankRole } from "@/core/model/bankLevel";
import type { PlanLevel } from "@/core/model/planPlace";
import type { ClassRole } from "@/core/model/roles";

/** Who is asking, with the rights of the moment: dated ones that are over, or not yet begun, are not in it. */
export type Actor = StaffActor | StudentActor;

export interface StaffActor {
  readonly kind: "staff";
  readonly personId: string;
  readonly schoolId: string;
  readonly name: string;
  /** The classes that the person teaches, shares or stands in for; what the desk shows. */
  readonly classIds: readonly string[];
  /** The strongest tie to each class of the person's own; what a coordinator may hangs on the school instead. */
  readonly classTies: ReadonlyMap<string, ClassRole>;
  /** The same for classes put away. */
  readonly archivedClassTies: ReadonlyMap<string, ClassRole>;
  readonly groupTies: ReadonlyMap<string, GroupTie>;
  /** Schools whose roster the person looks after. */
  readonly coordinates: readonly string[];
}
export interface StudentActor {
  readonly kind: "student";
  readonly personId: string;
  readonly schoolId: string;
  readonly name: string;
}

export type GroupTie = "group owner" | "group colleague";
/** Why somebody may do something. */
export type OwnedTie = "keeper" | "changer" | "user";
export type Tie = ClassRole | "coordinator" | GroupTie | OwnedTie | "self" | "author";

interface InClass {
  readonly classId: string;
  /** The class's school, as `subjects.ts` finds it; null where the class is not there, or not as the kind says. */
  readonly schoolId: string | null;
}

export interface BankSubject {
  readonly kind: "bank";
  readonly bankId: string;
  /** The school that it belongs to; null where the bank is not there, or was put away. */
  readonly schoolId: string | null;
  /** Whose own it is; null for one of the school. */
  readonly ownerId: string | null;
  /** The owner has left the school: its coordinators look after the bank then. */
  readonly ownerLeft: boolean;
  /** Only those who look after it may see its items yet. */
  readonly restricted: boolean;
  readonly rights: readonly {
    readonly personId: string | null;
    readonly schoolId: string | null;
    readonly role: BankRole | null;
    readonly level: BankLevel;
  }[];
}

/** A plan that is no class's own, with what was said of who may do what. */
export interface PlanSubject {
  readonly kind: "plan";
  readonly planId: string;
  /** The school that it belongs to; null where the plan is not there, or was put away. */
  readonly schoolId: string | null;
  /** Whose own it is; null for one of the school, which its whole staff may copy. */
  readonly ownerId: string | null;
  /** The owner has left the school: its coordinators look after the plan then. */
  readonly ownerLeft: boolean;
  readonly rights: readonly {
    readonly personId: string | null;
    readonly schoolId: string | null;
    readonly level: PlanLevel;
  }[];
}

/** What is asked about, with just what the rules need to know of it; `subjects.ts` loads it. */
export type Subject =
  | ({ readonly kind: "class" } & InClass)
  | ({ readonly kind: "archived class" } & InClass)
  /** A student with the classes and groups of the moment. */
  | {
      readonly kind: "student";
      readonly personId: string;
      readonly schoolId: string;
      readonly classIds: readonly string[];
      readonly groupIds: readonly string[];
    }
  | ({ readonly kind: "group"; readonly groupId: string } & InClass)
  /** One student's run at a piece of work. */
  | ({ readonly kind: "sitting"; readonly personId: string } & InClass)
  | { readonly kind: "school"; readonly schoolId: string }
  /** An entry of the history. */
  | {
      readonly kind: "entry";
      readonly schoolId: string;
      readonly classId: string | null;
      /** Groups that it is about. */
      readonly groupIds: readonly string[];
      readonly authorId: string | null;
    }
  /** A bank of items, with what was said of who may do what. */
  | BankSubject
  | PlanSubject
  /** An entry about banks and their items. */
  | { readonly kind: "library entry"; readonly schoolId: string; readonly authorId: string | null }
  /** Something that a member of staff has not finished yet, such as a roster file on its way in. */
  | { readonly kind: "draft"; readonly authorId: string }
  | { readonly kind: "account"; readonly personId: string };

const TEAM = ["teacher", "co-teacher"] as const;
const ADULTS = [...TEAM, "substitute", "specialist", "coordinator"] as const;
const GROUP = ["group owner", "group colleague"] as const;
const LEVEL_TIE = { use: "user", change: "changer", "look-after": "keeper" } as const;

/** One right: who has it, in the words of the page that explains it. */
export interface Right {
  readonly ties: readonly Tie[];
  readonly words: string;
}
const right = (words: string, ...ties: Tie[]): Right => ({ words, ties });

/**
 * The whole of who may what. Whoever has one of the ties to a thing has the right; nobody else has. Students have ties to
 * nothing but themselves.
 */
export const RIGHTS = {
  class: {
    see: right("see the class, its plan, work and evidence", ...ADULTS),
    change: right("plan, assign work, score it and make groups in the class", ...TEAM, "substitute", "coordinator"),
    enroll: right("add students to the class, move them and take them out", ...TEAM, "coordinator"),
    share: right("share the class with colleagues, rename it and put it away", "teacher", "coordinator"),
    export: right("take the class's roster out as a file", ...TEAM, "coordinator"),
    "reset-sign-in": right("sign everyone out of the class, make new PINs and cards", ...ADULTS),
  },
  "archived class": {
    see: right("see a class that was put away", ...TEAM, "coordinator"),
    restore: right("bring back a class that was put away", "teacher", "coordinator"),
  },
  student: {
    see: right("see the student's work, levels and classes", ...ADULTS, ...GROUP),
    "see-supports": right("see the student's supports", ...ADULTS, ...GROUP),
    note: right("note why something went wrong for the student", ...ADULTS, ...GROUP),
    "change-supports": right("change the student's supports", ...TEAM, "specialist", "coordinator"),
    change: right("correct the student's name, grade and address", ...TEAM, "coordinator"),
    "reset-sign-in": right("give the student a new PIN or card", ...ADULTS),
    export: right("take out everything that is kept about the student", "coordinator"),
    erase: right("ask for the student to be erased, or confirm it", "coordinator"),
    "choose-interests": right("choose interests", "self"),
  },
  group: {
    see: right("see the group, its members and its results", ...GROUP, ...TEAM, "substitute", "coordinator"),
    change: right("change the group's members, times and work", ...GROUP, ...TEAM, "coordinator"),
    share: right("share the group with colleagues", "group owner", "coordinator"),
    archive: right("put the group away", "group owner", ...TEAM, "coordinator"),
  },
  sitting: {
    see: right("see one run at a piece of work", "self", ...ADULTS),
    "work-on": right("work on it", "self"),
  },
  school: {
    manage: right("import rosters, roll the year over, see the whole history and all rights", "coordinator"),
    calibrate: right(
      "put estimates from the answers into force for the stock, which every school draws from",
      "coordinator",
    ),
  },
  entry: {
    undo: right("take a change back", "author", ...TEAM, "group owner", "coordinator"),
    "undo-rights": right("take a change of rights back", "teacher", "group owner", "coordinator"),
  },
  bank: {
    use: right("find the bank's items and give them", "keeper", "changer", "user"),
    change: right("write, change and retire the bank's items", "keeper", "changer"),
    "look-after": right("say who may use the bank, restrict it and put it away", "keeper"),
  },
  plan: {
    use: right("copy the plan and give it to classes", "keeper", "changer", "user"),
    change: right("change the plan", "keeper", "changer"),
    "look-after": right("say who may use the plan, rename it and put it away", "keeper"),
  },
  "library entry": {
    undo: right("take a change of the library back", "author", "coordinator"),
  },
  draft: {
    see: right("see a roster file that is on its way in", "author"),
    change: right("repair, apply or drop it", "author"),
  },
  account: {
    change: right("change the own password, second step and devices", "self"),
  },
} satisfies Record<Subject["kind"], Readonly<Record<string, Right>>>;

type Rights = typeof RIGHTS;
export type VerbOf<Kind extends Subject["kind"]> = Extract<keyof Rights[Kind], string>;

/** Whether the actor may do this to the subject. */
export function may<S extends Subject>(actor: Actor, verb: VerbOf<S["kind"]>, subject: S): boolean {
  const found: Right | undefined = (RIGHTS[subject.kind] as Readonly<Record<string, Right>>)[verb];
  return found !== undefined && tiesTo(actor, subject).some((tie) => found.ties.includes(tie));
}

/** All ties that the actor has to the subject. */
export function tiesTo(actor: Actor, subject: Subject): Tie[] {
  if (actor.kind === "student") {
    const own = subject.kind === "sitting" || subject.kind === "student" || subject.kind === "account";
    return own && subject.personId === actor.personId ? ["self"] : [];
  }
  const some = (...ties: (Tie | undefined | false)[]): Tie[] =>
    ties.filter((tie): tie is Tie => tie !== undefined && tie !== false);
  const coordinates = (schoolId: string | null) =>
    schoolId !== null && actor.coordinates.includes(schoolId) && "coordinator";
  switch (subject.kind) {
    case "class":
      return some(coordinates(subject.schoolId), actor.classTies.get(subject.classId));
    case "sitting":
      // Of staff only trial runs are their own.
      return some(
        coordinates(subject.schoolId),
        actor.classTies.get(subject.classId),
        subject.personId === actor.personId && "self",
      );
    case "archived class":
      return some(coordinates(subject.schoolId), actor.archivedClassTies.get(subject.classId));
    case "student":
      return some(
        coordinates(subject.schoolId),
        ...subject.classIds.map((id) => actor.classTies.get(id)),
        ...subject.groupIds.map((id) => actor.groupTies.get(id)),
      );
    case "group":
      return some(
        coordinates(subject.schoolId),
        actor.groupTies.get(subject.groupId),
        actor.classTies.get(subject.classId),
      );
    case "school":
      return some(coordinates(subject.schoolId));
    case "entry": {
      const { classId } = subject;
      const own = [
        // Putting a class away is taken back when it is away.
        classId === null ? undefined : (actor.classTies.get(classId) ?? actor.archivedClassTies.get(classId)),
        ...subject.groupIds.map((id) => actor.groupTies.get(id)),
      ];
      // Whoever has lost class and group has lost their history too, also of what they did themselves.
      const author = subject.authorId === actor.personId && own.some((tie) => tie !== undefined);
      return some(coordinates(subject.schoolId), author && "author", ...own);
    }
    case "bank":
      return bankTies(actor, subject);
    case "plan":
      return planTies(actor, subject);
    case "library entry":
      return some(coordinates(subject.schoolId), subject.authorId === actor.personId && "author");
    case "draft":
      return some(subject.authorId === actor.personId && "author");
    case "account":
      return some(subject.personId === actor.personId && "self");
  }
}

/** The strongest tie that somebody has to a plan. */
function planTies(actor: StaffActor, { schoolId, ownerId, ownerLeft, rights }: PlanSubject): OwnedTie[] {
  if (schoolId === null) return [];
  if (ownerId === actor.personId || ((ownerId === null || ownerLeft) && actor.coordinates.includes(schoolId)))
    return ["keeper"];
  const levels = rights.filter((one) => isMeant(actor, { ...one, role: null })).map(({ level }) => level);
  if (ownerId === null && schoolId === actor.schoolId) levels.push("use");
  const strongest = (["change", "use"] as const).find((level) => levels.includes(level));
  return strongest === undefined ? [] : [LEVEL_TIE[strongest]];
}

/** The strongest tie that somebody has to a bank; none to a restricted one but that of who looks after it. */
function bankTies(actor: StaffActor, { schoolId, ownerId, ownerLeft, restricted, rights }: BankSubject): OwnedTie[] {
  if (schoolId === null) return [];
  const isOfSchool = (ownerId === null || ownerLeft) && actor.coordinates.includes(schoolId);
  if (ownerId === actor.personId || isOfSchool) return ["keeper"];
  const levels = rights.filter((one) => isMeant(actor, one)).map(({ level }) => level);
  const strongest = (["look-after", "change", "use"] as const).find((level) => levels.includes(level));
  if (strongest === undefined || (restricted && strongest !== "look-after")) return [];
  return [LEVEL_TIE[strongest]];
}

function isMeant(actor: StaffActor, { personId, schoolId, role }: BankSubject["rights"][number]): boolean {
  if (personId !== null) return personId === actor.personId;
  if (schoolId === null) return false;
  const coordinates = actor.coordinates.includes(schoolId);
  if (role === "coordinator") return coordinates;
  if (schoolId !== actor.schoolId && !coordinates) return false;
  if (role === null) return true;
  const ties = [...actor.classTies.values()];
  return role === "teacher"
    ? ties.some((tie) => tie === "teacher" || tie === "co-teacher")
    : ties.includes("specialist");
}
