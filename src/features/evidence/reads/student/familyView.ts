import "server-only";
import { demandStaff } from "@/server/access/demand";
import { libraryOf } from "@/server/library/library";
import { shelfOf } from "@/server/library/shelf";
import type { Context } from "@/server/runtime/context";
import { todayInWords } from "@/server/runtime/school";
import type { Search } from "../../frame/frameParams";
import type { ReportFrame } from "../frame";
import { studentReport } from "./studentReport";

/** What a family reads: facts only, worded where they are shown. */
export interface FamilyView {
  readonly id: string;
  readonly fullName: string;
  readonly name: string;
  readonly day: string;
  readonly subject: string;
  readonly teacher: string;
  readonly can: readonly string[];
  readonly learning: readonly string[];
  /** A skill from an earlier year that is practised first; null where nothing is missing. */
  readonly underneath: string | null;
  readonly work: { readonly minutes: number; readonly answered: number; readonly right: number; readonly days: string };
  readonly question: string | null;
  readonly task: { readonly task: string; readonly answer: string } | null;
}

const MOST_CAN = 4;
const MOST_LEARNING = 2;

/** One sheet for the family of a student. */
export async function familyView(
  context: Context,
  studentId: string,
  frame: ReportFrame,
  search: Search,
): Promise<FamilyView> {
  const staff = demandStaff(context.actor);
  const { runtime } = context;
  const [view, library] = await Promise.all([studentReport(context, studentId, frame, search), libraryOf(runtime)]);
  const plain = (id: string) => library.skillIfKnown(id)?.studentName ?? "";
  const meaning = async (id: string) => (await shelfOf(runtime, id)).teaching?.meaning ?? plain(id);
  const first = view.worth[0];
  const shelf = first ? await shelfOf(runtime, first.id) : null;
  const learning = view.ready.slice(0, MOST_LEARNING);
  const subjects = frame.view.subjects.map(({ name }) => name.toLowerCase());
  return {
    id: view.id,
    fullName: view.name,
    name: view.name.split(" ")[0] ?? view.name,
    day: await todayInWords(context, "EEEE d MMMM"),
    subject: subjects.length === 1 ? (subjects[0] ?? "") : "this class",
    teacher: staff.name,
    // What was mastered latest in the grades comes first: it is nearest to what the family saw.
    can: await Promise.all(view.shown.slice(0, MOST_CAN).map(({ id }) => meaning(id))),
    learning: await Promise.all(learning.map(({ id }) => meaning(id))),
    underneath: view.missing[0] ? await meaning(view.missing[0].id) : null,
    work: { ...view.range, days: view.range.words },
    question: shelf?.teaching?.first.open ?? null,
    task: shelf ? (shelf.teaching?.first.story ?? shelf.reteach.alone) : null,
  };
}
