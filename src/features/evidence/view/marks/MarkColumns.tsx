import Link from "next/link";
import type { MarkColumn, MarkRow } from "../../marksTypes";
import { percentOf } from "../../sheets/markSheets";
import { Who } from "../parts/Who";

/** The head of a column leads to the report of its piece of work. */
export function ColumnHead(props: { readonly column: MarkColumn; readonly many: boolean; readonly href: string }) {
  const { column, many, href } = props;
  return (
    <th scope="col" className="max-w-36 min-w-24 px-2 py-1 text-left text-[13px] leading-tight font-normal">
      <Link
        className="decoration-hair line-clamp-3 font-semibold underline underline-offset-3"
        href={href}
        title={column.title}
      >
        {column.title}
      </Link>
      <span className="text-mute block">
        {column.category ? `${column.category}; ` : ""}
        {many ? `${column.className}; ` : ""}
        {column.due ?? "no due day"}
        {column.counts ? "" : "; not counted"}
      </span>
    </th>
  );
}

/** The mean of a column, and who lies below the line in it. */
export function ColumnFoot(props: {
  readonly column: MarkColumn;
  readonly below: readonly MarkRow[];
  readonly line: number;
}) {
  const { column, below, line } = props;
  return (
    <td className="px-2 py-1 text-right whitespace-nowrap tabular-nums">
      {column.mean === null ? (
        "no mark"
      ) : (
        <>
          {percentOf(column.mean)} %;{" "}
          <Who students={below} skillId={null} what={`below ${line} % in ${column.title}`}>
            {column.atLine} of {column.n}
          </Who>
        </>
      )}
    </td>
  );
}
