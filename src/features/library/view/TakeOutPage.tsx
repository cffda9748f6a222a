import Link from "next/link";
import { PageHead } from "@/ui/layout/PageHead";
import { ButtonLink, FileLink } from "@/ui/primitives/Button";
import type { TakeOutView } from "../exchangeTypes";

/** Chosen items, or a bank, as files: what each holds and what another program makes of it. */
export function TakeOutPage({ view, base }: { readonly view: TakeOutView; readonly base: string }) {
  const file = (format: string) => `/api/items/export?${view.query}&format=${format}`;
  const count = view.items === 1 ? "1 item" : `${view.items.toLocaleString("en-GB")} items`;
  if (view.items === 0)
    return (
      <div className="max-w-3xl px-5 py-4 text-[15px]">
        <PageHead
          title={view.bank ? `Take “${view.bank.name}” out` : "Take items out"}
          sub="Only items in use go out, and there is none here yet."
        />
        <ButtonLink href={`${base}/library/items${view.bank ? `?bank=${view.bank.id}` : ""}`}>To the items</ButtonLink>
      </div>
    );
  return (
    <div className="max-w-3xl px-5 py-4 text-[15px]">
      <PageHead
        title={view.bank ? `Take “${view.bank.name}” out` : `Take ${count} out`}
        sub={`${view.bank ? `${count} in use. ` : ""}That it was done stands in the history.`}
      />
      <section className="mb-7">
        <h2 className="mb-1 font-serif text-[18px] font-medium">As a package</h2>
        <p className="mb-2">
          All {count}, with their standards, skills, hints and explanations, in the open QTI 3.0 format. Brought back
          into Oxbow, here or at another school, they are what they are now.
        </p>
        <ul className="mb-3 list-disc pl-5">
          {view.models > 0 ? (
            <li>
              {view.models === 1 ? "1 draws its" : `${view.models.toLocaleString("en-GB")} draw their`} numbers anew
              each time: another program shows one draw.
            </li>
          ) : null}
          {view.narrower > 0 ? (
            <li>
              {view.narrower === 1 ? "1 takes" : `${view.narrower.toLocaleString("en-GB")} take`} more ways of writing
              the answer (a fraction, a unit, an expression): another program may take only the key's.
            </li>
          ) : null}
          <li>Answers that were given to them, and drafts, stay here.</li>
        </ul>
        <FileLink look="main" href={file("package")}>
          Package (zip)
        </FileLink>
      </section>
      <section>
        <h2 className="mb-1 font-serif text-[18px] font-medium">As a sheet</h2>
        <p className="mb-2">
          {view.rows === 0
            ? "None of them fits a row: a sheet holds choices, numbers and short texts that are always the same."
            : `${view.rows === view.items ? `All ${count} fit` : `${view.rows.toLocaleString("en-GB")} of ${count} fit`} a row each: choices, numbers and short texts that are always the same. Change the rows, bring the sheet in again, and they become new versions.`}
        </p>
        {view.rows > 0 ? (
          <p className="mb-3 flex gap-2">
            <FileLink href={file("xlsx")}>Workbook (XLSX)</FileLink>
            <FileLink href={file("csv")}>Plain sheet (CSV)</FileLink>
          </p>
        ) : null}
        {view.withoutRow.length > 0 ? (
          <details>
            <summary className="cursor-pointer">
              {(view.items - view.rows).toLocaleString("en-GB")} that {view.items - view.rows === 1 ? "does" : "do"} not
              fit
            </summary>
            <ul className="mt-1">
              {view.withoutRow.map(({ id, line, kind }) => (
                <li key={id} className="border-hair border-t py-1">
                  <Link
                    className="underline underline-offset-3"
                    href={`${base}/library/items/${encodeURIComponent(id)}`}
                  >
                    {line}
                  </Link>{" "}
                  <span className="text-mute">{kind}</span>
                </li>
              ))}
              {view.items - view.rows > view.withoutRow.length ? (
                <li className="text-mute border-hair border-t py-1">
                  and {view.items - view.rows - view.withoutRow.length} more
                </li>
              ) : null}
            </ul>
          </details>
        ) : null}
      </section>
    </div>
  );
}
