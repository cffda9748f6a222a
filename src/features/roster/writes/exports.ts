import "server-only";
import { strToU8, zipSync } from "fflate";
import { array, object, string } from "yup";
import { everythingAbout } from "@/db/queries/everythingAbout";
import { classesById } from "@/db/queries/people";
import { writeOneRoster } from "@/formats/package/writeOneRoster";
import { type SheetFormat, writeSheet } from "@/formats/table/writeSheet";
import { demand } from "@/server/access/demand";
import { studentSubject } from "@/server/access/studentSubject";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { optionalDay, validated } from "@/server/runtime/validated";
import { SHEET_TITLE } from "@/words/staff/rosterFieldNames";
import { rosterPackage, rosterSheet } from "../reads/exportRoster";

export interface ExportedFile {
  readonly name: string;
  readonly type: string;
  readonly bytes: Uint8Array;
}

const input = object({
  format: string()
    .oneOf(["package", "csv", "tsv", "xlsx"] as const)
    .required(),
  classIds: array(string().required()).max(400).default([]),
  /** For a package: only what changed since this day. */
  sinceDay: optionalDay(),
});
const TYPES = {
  package: "application/zip",
  csv: "text/csv; charset=utf-8",
  tsv: "text/tab-separated-values; charset=utf-8",
  xlsx: "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
} as const;

/** The roster as a file; that it was taken out stands in the history. */
export async function exportRoster(context: Context, raw: unknown): Promise<ExportedFile> {
  const { format, classIds, sinceDay } = validated(input, raw);
  const classes = await classesById(context.runtime.db.read, classIds);
  const bytes =
    format === "package"
      ? writeOneRoster(await rosterPackage(context, sinceDay))
      : await writeSheet(await rosterSheet(context, classIds), format satisfies SheetFormat, SHEET_TITLE);
  await context.runtime.db.write((tx) =>
    recordChange(tx, context, {
      kind: "roster-taken-out",
      facts: { classes: classes.map(({ name }) => name), format, sinceDay },
      classId: classIds.length === 1 ? (classIds[0] ?? null) : null,
      rows: [],
    }),
  );
  const base = classes.length === 1 ? (classes[0]?.name ?? "roster") : "roster";
  const name = `${base.replace(/[^\p{L}\p{N}]+/gu, "-")}.${format === "package" ? "zip" : format}`;
  return { name, type: TYPES[format], bytes };
}

/** Everything that is kept about one student, as tables in a zip: what a family may ask for. */
export async function exportStudent(context: Context, raw: unknown): Promise<ExportedFile> {
  const { studentId } = validated(object({ studentId: string().required() }), raw);
  const { runtime } = context;
  const { subject } = await studentSubject(runtime, studentId);
  demand(context.actor, "export", subject);
  const tables = await everythingAbout(runtime.db.read, studentId);
  const files: Record<string, Uint8Array> = {};
  for (const [table, rows] of Object.entries(tables)) {
    const headers = [...new Set(rows.flatMap((row) => Object.keys(row)))];
    const cells = rows.map((row) => headers.map((header) => textOf(row[header])));
    files[`${table}.csv`] = await writeSheet([headers, ...cells], "csv", table);
  }
  files["read-me.txt"] = strToU8(
    "Everything that Oxbow keeps about one student, one table a file. Times are in milliseconds since 1970 (UTC).\n",
  );
  await runtime.db.write((tx) =>
    recordChange(tx, context, {
      kind: "student-taken-out",
      facts: { personId: studentId },
      classId: null,
      rows: [],
    }),
  );
  return { name: "student.zip", type: "application/zip", bytes: zipSync(files) };
}

function textOf(value: unknown): string {
  if (value === null || value === undefined) return "";
  return typeof value === "object" ? JSON.stringify(value) : String(value);
}
