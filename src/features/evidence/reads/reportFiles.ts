import "server-only";
import type { NamedRange } from "@/core/calendar/rangeOfDays";
import type { TableSheet } from "@/formats/table/tableSheet";
import type { Context } from "@/server/runtime/context";
import type { Search } from "../frame/frameParams";
import { acrossSheets } from "../sheets/acrossSheets";
import { gainSheets } from "../sheets/gainSheets";
import { goalSheets } from "../sheets/goalSheets";
import { markSheets } from "../sheets/markSheets";
import { mistakeSheets } from "../sheets/mistakeSheets";
import { pieceSheets } from "../sheets/pieceSheets";
import { putInSheets } from "../sheets/putInSheets";
import { studentSheets } from "../sheets/studentSheets";
import { weekSheets } from "../sheets/weekSheets";
import { acrossClasses } from "./across/acrossClasses";
import { acrossReport } from "./across/acrossReport";
import type { ReportFrame } from "./frame";
import { gainReport } from "./gain";
import { marksReport } from "./marks";
import { mistakesReport } from "./mistakes";
import { pieceReport } from "./piece/pieceView";
import { putInReport } from "./putIn/putInReport";
import { studentReport } from "./student/studentReport";
import { goalsOfWeek } from "./week/goals";
import { weekReport } from "./week/weekReport";

export interface ReportFile {
  /** As the history and the file name it. */
  readonly title: string;
  readonly usual: NamedRange;
  readonly tables: (context: Context, frame: ReportFrame, search: Search) => Promise<readonly TableSheet[]>;
  /** The classes that it goes over, where those are others than the ones in view. */
  readonly classes?: (context: Context, inView: readonly string[], search: Search) => Promise<readonly string[]>;
}

const text = (value: Search[string]): string => (typeof value === "string" ? value : "");

/** Every report that can be taken out, with its tables: those that stand behind its pictures on the screen. */
export const REPORT_FILES = {
  pieces: {
    title: "One piece of work",
    usual: "four-weeks",
    tables: async (context, frame, search) =>
      pieceSheets(await pieceReport(context, text(search.work), { frame, partId: text(search.part) || null })),
  },
  mistakes: {
    title: "Mistakes",
    usual: "four-weeks",
    tables: async (context, frame) => mistakeSheets(await mistakesReport(context, frame)),
  },
  across: {
    title: "Across classes",
    usual: "term",
    tables: async (context, frame, search) =>
      acrossSheets(await acrossReport(context, { choices: [], choice: "" }, frame, search)),
    classes: async (context, inView, search) => (await acrossClasses(context, inView, search)).classIds,
  },
  gain: {
    title: "Gain",
    usual: "term",
    tables: async (context, frame, search) => gainSheets(await gainReport(context, frame, search)),
  },
  marks: {
    title: "Marks",
    usual: "term",
    tables: async (context, frame, search) => markSheets(await marksReport(context, frame, search)),
  },
  students: {
    title: "One student",
    usual: "term",
    tables: async (context, frame, search) =>
      studentSheets(await studentReport(context, text(search.student), frame, search)),
  },
  "put-in": {
    title: "Work put in",
    usual: "four-weeks",
    tables: async (context, frame, search) => putInSheets(await putInReport(context, frame, search)),
  },
  week: {
    title: "The week",
    usual: "four-weeks",
    tables: async (context, frame, search) => [
      ...weekSheets(await weekReport(context, frame, search)),
      ...goalSheets(await goalsOfWeek(context, frame)),
    ],
  },
} satisfies Record<string, ReportFile>;

export const isReportFile = (name: string): name is keyof typeof REPORT_FILES => name in REPORT_FILES;
