import "server-only";
import { array, object, string } from "yup";
import { picturesWithBytes } from "@/db/queries/pictures";
import { itemSheetRows } from "@/formats/exchange/itemSheetRows";
import { rowOfItem } from "@/formats/exchange/rowOfItem";
import type { OutgoingItem } from "@/formats/qti/writePackage";
import { writeSheet } from "@/formats/table/writeSheet";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { writeItems } from "@/server/runtime/exchangeThread";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";
import { ITEM_COLUMN_NAMES, ITEM_SHEET_TITLE } from "@/words/staff/itemColumnNames";
import { itemsToTakeOut } from "../reads/takeOut";

const input = object({
  itemIds: array(string().required()).default([]),
  bankId: string().nullable().default(null),
  format: string()
    .oneOf(["package", "csv", "xlsx"] as const)
    .required(),
});
const picturesIn = (items: readonly OutgoingItem[]): string[] => [
  ...new Set(items.flatMap(({ body }) => (body.images ?? []).map(({ picture }) => picture))),
];
const TYPES = {
  package: { type: "application/zip", ending: "zip" },
  csv: { type: "text/csv; charset=utf-8", ending: "csv" },
  xlsx: { type: "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet", ending: "xlsx" },
} as const;

/** Items as a file: a package of the open standard, or a sheet with a row for each that fits; that they were taken out stands in the history. */
export async function takeOutItems(context: Context, raw: unknown) {
  const { itemIds, bankId, format } = validated(input, raw);
  const { items, bank } = await itemsToTakeOut(context, { itemIds, bankId });
  if (items.length === 0)
    throw new Refusal("invalid", "There is nothing to take out: only items in use go, and there is none among these.");
  const title = bank?.name ?? ITEM_SHEET_TITLE;
  const rows = items.flatMap((item) => rowOfItem(item) ?? []);
  if (format !== "package" && rows.length === 0)
    throw new Refusal("invalid", "None of these items fits a row of a sheet. Take them out as a package.");
  const bytes =
    format === "package"
      ? await writeItems(title, items, await picturesWithBytes(context.runtime.db.read, picturesIn(items)))
      : await writeSheet(
          itemSheetRows(rows, (column) => ITEM_COLUMN_NAMES[column]),
          format,
          ITEM_SHEET_TITLE,
        );
  await context.runtime.db.write((tx) =>
    recordChange(tx, context, {
      kind: "items-taken-out",
      facts: { items: format === "package" ? items.length : rows.length, from: bank?.name ?? "", format },
      classId: null,
      subjectIds: bank ? [bank.id] : [],
      rows: [],
    }),
  );
  const { type, ending } = TYPES[format];
  return { name: `${title.replace(/[^\p{L}\p{N}]+/gu, "-")}.${ending}`, type, bytes };
}
