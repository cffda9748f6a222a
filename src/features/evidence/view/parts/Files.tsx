"use client";
import { useParams, useSearchParams } from "next/navigation";
import { PrintButton } from "@/ui/layout/PrintButton";
import { FileLink } from "@/ui/primitives/Button";

interface OfReport {
  readonly report: string;
  /** What it is of beside the frame: a piece of work, a student. */
  readonly of?: Readonly<Record<string, string>>;
}

/** Where a report's file is asked for: with all that decides on the screen. */
function useFileAddress({ report, of = {} }: OfReport): (values: Readonly<Record<string, string>>) => string {
  const { classes } = useParams<{ classes: string }>();
  const search = useSearchParams();
  return (values) => {
    const asked = new URLSearchParams(search);
    asked.delete("sheet");
    for (const [key, value] of Object.entries({ classes, ...of, ...values })) asked.set(key, value);
    return `/api/reports/${report}?${asked}`;
  };
}

/** A report to keep: all its tables as a workbook, or on paper. */
export function Files(props: OfReport) {
  const address = useFileAddress(props);
  return (
    <>
      <FileLink href={address({ as: "xlsx" })}>Workbook</FileLink>
      <PrintButton />
    </>
  );
}

/** One table of a report as delimited text. */
export function TableFile({ table, ...props }: OfReport & { readonly table: string }) {
  const address = useFileAddress(props);
  return (
    <a
      className="decoration-hair no-print text-[14px] underline underline-offset-3"
      href={address({ as: "csv", table })}
      download
    >
      CSV
    </a>
  );
}
