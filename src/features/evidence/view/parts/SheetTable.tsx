import type { TableSheet } from "@/formats/table/tableSheet";

/** The numbers behind a picture. */
export function SheetTable({ sheet }: { readonly sheet: TableSheet }) {
  return (
    <div className="overflow-x-auto">
      <table className="w-full border-collapse text-[14px]">
        <caption className="sr-only">{sheet.title}</caption>
        <thead>
          <tr className="border-ink border-b">
            {sheet.columns.map(({ title, holds }) => (
              <th
                key={title}
                scope="col"
                className={`px-2 py-1 font-semibold first:pl-0 ${holds === "number" ? "text-right" : "text-left"}`}
              >
                {title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {sheet.rows.map((row, place) => (
            <tr key={place} className="border-hair border-b">
              {row.map((cell, column) => (
                <td
                  key={column}
                  data-name={sheet.columns[column]?.names ? true : undefined}
                  className={`px-2 py-0.5 first:pl-0 ${sheet.columns[column]?.holds === "number" ? "text-right" : ""}`}
                >
                  {cell ?? ""}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {sheet.rows.length === 0 ? <p className="text-mute py-2 text-[14px]">Nothing to list.</p> : null}
    </div>
  );
}
