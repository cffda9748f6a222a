import "server-only";
import { object, string } from "yup";
import { writeTables, writeTableText } from "@/formats/table/writeTables";
import { demandStaff } from "@/server/access/demand";
import { classesChosen } from "@/server/access/ownClasses";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";
import type { Search } from "../frame/frameParams";
import { readFrame } from "../reads/frame";
import { isReportFile, REPORT_FILES } from "../reads/reportFiles";

const input = object({
  /** The classes as the address of the desk names them. */
  classes: string().required(),
  as: string()
    .oneOf(["csv", "xlsx"] as const, "A report is taken out as csv or xlsx.")
    .required(),
  /** Of delimited text: which of the tables. */
  table: string().default(""),
});
const TYPES = {
  csv: "text/csv; charset=utf-8",
  xlsx: "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
} as const;

/** The tables of a report, as its address decides them, as a file; that it was taken out stands in the history. */
export async function takeReport(context: Context, report: string, search: Search) {
  const staff = demandStaff(context.actor);
  const { classes: key, as, table } = validated(input, { ...search });
  const chosen = (await classesChosen(context.runtime, staff, key))?.chosen ?? [];
  const classIds = chosen.map(({ id }) => id);
  if (classIds.length === 0) throw new Refusal("not-found", "Choose a class first.");
  if (!isReportFile(report)) throw new Refusal("not-found", "There is no such report.");
  const { title, usual, tables } = REPORT_FILES[report];
  const frame = await readFrame(context, classIds, search, usual);
  const found = await tables(context, frame, search);
  const one = found.find(({ name }) => name === table) ?? found[0];
  if (!one) throw new Refusal("not-found", "This report has no table.");
  const bytes = as === "csv" ? writeTableText(one) : await writeTables(found);
  await context.runtime.db.write((tx) =>
    recordChange(tx, context, {
      kind: "report-taken-out",
      facts: { report: title, format: as },
      classId: classIds.length === 1 ? (classIds[0] ?? null) : null,
      rows: [],
    }),
  );
  const name = [title, as === "csv" && found.length > 1 ? one.name : "", key, frame.today].filter(Boolean).join(" ");
  return { name: `${name.replace(/[^\p{L}\p{N}-]+/gu, "-")}.${as}`, type: TYPES[as], bytes };
}
