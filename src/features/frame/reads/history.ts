import "server-only";
import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import { CHANGE_AREAS } from "@/core/model/changeArea";
import {
  factsOf,
  peopleNamed,
  type SignInRow,
  searchEntries,
  searchSignIns,
  subjectsOfChanges,
} from "@/db/queries/history";
import { studentsOfClasses } from "@/db/queries/people";
import { demand, demandStaff } from "@/server/access/demand";
import { demandClasses } from "@/server/access/subjects";
import { nameOfPeople } from "@/server/history/peopleNames";
import { mayUndo } from "@/server/history/undoChange";
import type { Context } from "@/server/runtime/context";
import { dayAt, schoolOf } from "@/server/runtime/school";
import { NOBODY } from "@/words/staff/historyMessages";
import { changeWords, kindsThatSay, signInKindsThatSay, signInWords } from "@/words/staff/historyWords";
import type { HistoryPage } from "../types";

const ENTRIES_SHOWN = 100;
/** What people do, or try, while nobody is signed in. */
const FROM_OUTSIDE: readonly SignInRow["kind"][] = ["must-wait", "link-sent"];

interface Search {
  readonly find: string;
  /** An area of the history, or "sign-in" for comings and goings; empty for all changes. */
  readonly area: string;
  readonly before: string | null;
}

/** Entries of the classes' history, or, for coordinators when no class is named, of everything in the school. */
export async function historyPage(context: Context, classIds: readonly string[], search: Search): Promise<HistoryPage> {
  const { runtime, actor } = context;
  const staff = demandStaff(actor);
  const whole = classIds.length === 0;
  if (whole) demand(actor, "manage", { kind: "school", schoolId: actor.schoolId });
  else await demandClasses(context, "see", classIds);
  const schoolIds = whole ? staff.coordinates : [actor.schoolId];
  const phrase = search.find.trim();
  const personIds = phrase === "" ? [] : await peopleNamed(runtime.db.read, schoolIds, phrase);
  const asked = { schoolIds, phrase, personIds, before: search.before, classIds: whole ? null : classIds };
  return search.area === "sign-in" ? signInsOf(context, asked) : changesOf(context, asked, search.area);
}

interface Asked {
  readonly schoolIds: readonly string[];
  readonly phrase: string;
  readonly personIds: readonly string[];
  readonly before: string | null;
  readonly classIds: readonly string[] | null;
}

async function changesOf({ runtime, actor }: Context, asked: Asked, area: string): Promise<HistoryPage> {
  const db = runtime.db.read;
  const school = await schoolOf(runtime, actor.schoolId);
  const found = await searchEntries(db, {
    ...asked,
    words: wordsOf(asked.phrase).map((word) => ({ word, kinds: kindsThatSay(word) })),
    areas: CHANGE_AREAS.filter((one) => one === area),
    limit: ENTRIES_SHOWN + 1,
  });
  const shown = found.slice(0, ENTRIES_SHOWN);
  const actorIds = shown.flatMap(({ actorId }) => (actorId === null ? [] : [actorId]));
  const [nameOf, subjects] = await Promise.all([
    nameOfPeople(db, shown.map(factsOf), actorIds),
    subjectsOfChanges(
      db,
      shown.map(({ id }) => id),
    ),
  ]);
  const entries = shown.map((change) => ({
    id: change.id,
    when: whenWords(change.at, school.timeZone),
    who: change.actorId === null ? NOBODY : nameOf(change.actorId),
    area: change.area,
    sentence: changeWords(factsOf(change), nameOf),
    undone: change.undoneAt !== null,
    mayUndo: change.undoable && change.undoneAt === null && mayUndo(actor, change, subjects.get(change.id) ?? []),
  }));
  return { entries, more: found.length > ENTRIES_SHOWN };
}

/** Comings and goings: of the classes' students, or of everybody at the school. */
async function signInsOf({ runtime, actor }: Context, asked: Asked): Promise<HistoryPage> {
  const db = runtime.db.read;
  const school = await schoolOf(runtime, actor.schoolId);
  const students =
    asked.classIds === null ? null : await studentsOfClasses(db, asked.classIds, dayAt(school, runtime.now()));
  const found = await searchSignIns(db, {
    ...asked,
    words: wordsOf(asked.phrase).map((word) => ({ word, kinds: signInKindsThatSay(word) })),
    ofPersonIds: students?.map(({ person }) => person.id) ?? null,
    limit: ENTRIES_SHOWN + 1,
  });
  const shown = found.slice(0, ENTRIES_SHOWN);
  const nameOf = await nameOfPeople(
    db,
    [],
    shown.map(({ personId }) => personId),
  );
  const entries = shown.map((row) => ({
    id: row.id,
    when: whenWords(row.at, school.timeZone),
    who: FROM_OUTSIDE.includes(row.kind) ? NOBODY : nameOf(row.personId),
    area: "sign-in" as const,
    sentence: signInWords(row, nameOf),
    undone: false,
    mayUndo: false,
  }));
  return { entries, more: found.length > ENTRIES_SHOWN };
}

const wordsOf = (phrase: string): string[] => phrase.split(/\s+/).filter((word) => word !== "");

const whenWords = (at: number, timeZone: string): string => format(new TZDate(at, timeZone), "EEE d MMM, HH:mm");
