import { PageHead } from "@/ui/layout/PageHead";
import { FIELD } from "@/ui/primitives/Field";

const SHEETS = [
  ["xlsx", "Workbook (XLSX)", "for a spreadsheet program; edit it, bring it back, see the difference"],
  ["csv", "Sheet with commas (CSV)", "for any program"],
  ["tsv", "Sheet with tabs (TSV)", "for pasting"],
] as const;

/** The roster as a file. A plain link each: the browser keeps the file. */
export function ExportPage({
  classes,
  wholeSchool,
}: {
  readonly classes: readonly { readonly id: string; readonly name: string }[];
  readonly wholeSchool: boolean;
}) {
  const query = classes.map(({ id }) => `&class=${encodeURIComponent(id)}`).join("");
  const what = wholeSchool ? "the whole school" : classes.map(({ name }) => name).join(", ");
  return (
    <div className="max-w-3xl px-5 py-4 text-[15px]">
      <PageHead
        title={`Take out the roster of ${what}`}
        sub="Each time is listed in the history. The file holds personal data: keep it where others can't read it."
      />
      <ul>
        {SHEETS.map(([format, name, words]) => (
          <li key={format} className="border-hair border-t py-2.5">
            <a
              className="font-semibold underline underline-offset-4"
              href={`/api/roster/export?format=${format}${query}`}
              download
            >
              {name}
            </a>
            <span className="text-mute">: one row a student with classes, groups and supports; {words}.</span>
          </li>
        ))}
        {wholeSchool ? (
          <li className="border-hair border-t py-2.5">
            <a className="font-semibold underline underline-offset-4" href="/api/roster/export?format=package" download>
              Roster package (OneRoster 1.2)
            </a>
            <span className="text-mute">
              : schools, terms, courses, classes, people, roles and enrollments, for another system.
            </span>
          </li>
        ) : null}
        {wholeSchool ? (
          <li className="border-hair border-t py-2.5">
            <form action="/api/roster/export" className="flex flex-wrap items-center gap-2">
              <input type="hidden" name="format" value="package" />
              <label className="flex items-center gap-2">
                Only what changed since
                <input type="date" name="since" required className={FIELD} />
              </label>
              <button type="submit" className="font-semibold underline underline-offset-4">
                Changes as a roster package
              </button>
              <span className="text-mute">(delta files; what has ended is marked so)</span>
            </form>
          </li>
        ) : null}
      </ul>
    </div>
  );
}
