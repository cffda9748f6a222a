import type { TableSheet } from "@/formats/table/tableSheet";
import { TableFile } from "./Files";
import { SheetTable } from "./SheetTable";

/** A whole report as its tables, each with its file. */
export function SheetTables({
  report,
  sheets,
}: {
  readonly report: Parameters<typeof TableFile>[0]["report"];
  readonly sheets: readonly TableSheet[];
}) {
  return sheets.map((sheet) => (
    <section key={sheet.name} className="mb-5">
      <h2 className="text-[16px] font-bold">{sheet.title}</h2>
      <SheetTable sheet={sheet} />
      <TableFile report={report} table={sheet.name} />
    </section>
  ));
}
