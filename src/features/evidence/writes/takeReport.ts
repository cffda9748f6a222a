import "server-only";
import { object, string } from "yup";
import { writeGradebook } from "@/formats/package/gradebook";
import type { TableSheet } from "@/formats/table/tableSheet";
import { writeTables, writeTableText } from "@/formats/table/writeTables";
import { demandStaff } from "@/server/access/demand";
import { classesChosen } from "@/server/access/ownClasses";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";
import type { Search } from "../frame/frameParams";
import { type ReportFrame, readFrame } from "../reads/frame";
import { gradebook } from "../reads/gradebook";
import { isReportFile, REPORT_FILES, type ReportFile } from "../reads/reportFiles";

const input = object({
  /** The classes as the address of the desk names them. */
  classes: string().required(),
  as: string()
    .oneOf(["csv", "xlsx", "package"] as const, "A report is taken out as csv, xlsx or package.")
    .required(),
  /** Of delimited text: which of the tables. */
  table: string().default(""),
});
const TYPES = {
  csv: "text/csv; charset=utf-8",
  xlsx: "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
  package: "application/zip",
} as const;

/** The tables of a report, as its address decides them, as a file; that it was taken out stands in the history. */
export async function takeReport(context: Context, report: string, search: Search) {
  const staff = demandStaff(context.actor);
  const { classes: key, as, table } = validated(input, { ...search });
  const chosen = (await classesChosen(context.runtime, staff, key))?.chosen ?? [];
  if (!isReportFile(report)) throw new Refusal("not-found", "There is no such report.");
  const { title, usual, tables, classes }: ReportFile = REPORT_FILES[report];
  const inView = chosen.map(({ id }) => id);
  const classIds = classes ? await classes(context, inView, search) : inView;
  if (classIds.length === 0)
    throw new Refusal("not-allowed", "This class is not open to you, or there is none of that name.");
  const frame = await readFrame(context, classIds, search, usual);
  const { name: part, bytes } =
    as === "package"
      ? await gradebookOf(context, report, frame, search)
      : await inTables(await tables(context, frame, search), as, table);
  await context.runtime.db.write((tx) =>
    recordChange(tx, context, {
      kind: "report-taken-out",
      facts: { report: title, format: as },
      classId: classIds.length === 1 ? (classIds[0] ?? null) : null,
      rows: [],
    }),
  );
  const name = [title, part, key, frame.today]
    .filter(Boolean)
    .join(" ")
    .replace(/[^\p{L}\p{N}-]+/gu, "-");
  return { name: `${name}.${as === "package" ? "zip" : as}`, type: TYPES[as], bytes };
}

interface Bytes {
  /** What it is of the report; empty for all of it. */
  readonly name: string;
  readonly bytes: Uint8Array;
}

async function inTables(tables: readonly TableSheet[], as: "csv" | "xlsx", table: string): Promise<Bytes> {
  const one = tables.find(({ name }) => name === table) ?? tables[0];
  if (!one) throw new Refusal("not-found", "This report has no table.");
  return as === "csv"
    ? { name: tables.length > 1 ? one.name : "", bytes: writeTableText(one) }
    : { name: "", bytes: await writeTables(tables) };
}

async function gradebookOf(context: Context, report: string, frame: ReportFrame, search: Search): Promise<Bytes> {
  if (report !== "marks") throw new Refusal("invalid", "Only marks are taken out as a gradebook.");
  return { name: "gradebook", bytes: writeGradebook(await gradebook(context, frame, search)) };
}
