"use client";
import { useRouter, useSearchParams } from "next/navigation";
import type { LookedItem } from "@/core/items/lookOver";
import { PrintButton } from "@/ui/layout/PrintButton";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { MathText } from "@/ui/primitives/MathText";
import { NumberTable } from "@/ui/primitives/NumberTable";
import { PassageText } from "@/ui/primitives/PassageText";
import { Pictures } from "@/ui/primitives/Pictures";
import { clashWords } from "@/words/staff/clashWords";
import type { WorksheetView, WorksheetWishes } from "../worksheetTypes";
import { PAPER_WORDS, PrintedPart } from "./print/prints";

const SEEDS = 1_000;

/** Items as they will come out of the printer: a sentence says how, the sheets stand below, the answer key last. */
export function WorksheetPage({
  view,
  wishes,
  base,
}: {
  readonly view: WorksheetView;
  readonly wishes: WorksheetWishes;
  readonly base: string;
}) {
  const router = useRouter();
  const search = useSearchParams();
  const set = (name: string, value: string) => {
    const params = new URLSearchParams(search);
    params.set(name, value);
    router.replace(`${base}/library/worksheet?${params}`, { scroll: false });
  };
  const word = (name: string, label: string, value: string, options: readonly (readonly [string, string])[]) => (
    <select
      aria-label={label}
      className="word-edit bg-transparent"
      value={value}
      onChange={(event) => set(name, event.target.value)}
    >
      {options.map(([key, words]) => (
        <option key={key} value={key}>
          {words}
        </option>
      ))}
    </select>
  );
  return (
    <div className="px-5 py-4 print:p-0">
      <div className="no-print mx-auto mb-5 max-w-4xl">
        <h1 className="mb-1 font-serif text-[22px] font-medium">Worksheet</h1>
        <p className="mb-3 text-[16px] leading-loose">
          Print{" "}
          {wishes.workId === null ? (
            <>
              {word("forms", "Versions", String(wishes.forms), [
                ["1", "one version"],
                ["2", "two versions, A and B"],
                ["3", "three versions, A to C"],
                ["4", "four versions, A to D"],
              ])}{" "}
            </>
          ) : (
            "a sheet each, as it was given,"
          )}{" "}
          in{" "}
          {word("columns", "Columns", String(wishes.columns), [
            ["1", "one column"],
            ["2", "two columns"],
          ])}{" "}
          with{" "}
          {word("lines", "Room to work", String(wishes.lines), [
            ["0", "no room to work"],
            ["3", "3 lines of room"],
            ["6", "6 lines of room"],
            ["10", "10 lines of room"],
          ])}
          ,{" "}
          {word("key", "Answer key", wishes.withKey ? "yes" : "no", [
            ["yes", "and the answer key"],
            ["no", "without the answer key"],
          ])}
          {wishes.workId === null ? (
            <>
              ,{" "}
              {word("class", "For whom", wishes.classId ?? "", [
                ["", "a sheet a version, without names"],
                ...view.classes.map(({ id, name }) => [id, `a sheet each for ${name}`] as const),
              ])}
            </>
          ) : null}
          . About {view.minutes} min.
        </p>
        {view.clashes.length > 0 ? (
          <p role="status" className="border-clay mb-3 border-l-4 pl-3 text-[15px]">
            {clashWords(view.clashes)}
          </p>
        ) : null}
        {view.leftOut > 0 ? (
          <p role="status" className="border-clay mb-3 border-l-4 pl-3 text-[15px]">
            {view.leftOut === 1 ? "One item" : `${view.leftOut} items`} can't be printed: a draft, or not there any
            more.
          </p>
        ) : null}
        <div className="flex flex-wrap gap-2">
          <PrintButton>Print</PrintButton>
          {wishes.workId === null ? (
            <Button onClick={() => set("seed", String((wishes.seed + SEEDS) % 100_000))}>Draw other numbers</Button>
          ) : null}
          <ButtonLink href={wishes.workId === null ? `${base}/library/items` : `${base}/work/${wishes.workId}`}>
            {wishes.workId === null ? "Back to the items" : "Back to the work"}
          </ButtonLink>
        </div>
      </div>
      {view.sheets.map((sheet, place) => (
        <Sheet
          key={sheet.key}
          sheet={sheet}
          code={view.code}
          isFirst={place === 0}
          items={view.forms.find(({ letter }) => letter === sheet.letter)?.items ?? []}
          passages={view.passages}
          wishes={wishes}
          showLetter={view.forms.length > 1}
        />
      ))}
      {wishes.withKey ? <AnswerKey view={view} /> : null}
    </div>
  );
}

const PAPER =
  "border-hair mx-auto mb-6 max-w-4xl border bg-white p-8 text-black print:m-0 print:max-w-none print:border-0 print:p-0";

function Sheet({
  sheet,
  code,
  isFirst,
  items,
  passages,
  wishes,
  showLetter,
}: {
  readonly sheet: WorksheetView["sheets"][number];
  readonly code: string;
  readonly isFirst: boolean;
  readonly items: readonly LookedItem[];
  readonly passages: WorksheetView["passages"];
  readonly wishes: WorksheetWishes;
  readonly showLetter: boolean;
}) {
  return (
    <article
      className={`${PAPER} font-reading text-[17px] leading-snug ${isFirst ? "" : "break-before-page"}`}
      data-sheet={sheet.letter}
    >
      <header className="mb-5 flex items-start justify-between gap-6 border-b-[1.5px] border-black pb-3">
        <p className="flex-1">
          {sheet.name === null ? (
            <>
              Name <span className="inline-block h-6 w-72 border-b border-black" />
            </>
          ) : (
            <b data-name>{sheet.name}</b>
          )}
        </p>
        <p className="text-right text-[14px]">
          {showLetter ? <b className="block text-[17px]">Version {sheet.letter}</b> : null}
          {code}-{sheet.letter}
        </p>
        <img src={sheet.qr} alt={`Code ${code}-${sheet.letter}`} className="size-16" />
      </header>
      <ol className={wishes.columns === 2 ? "columns-2 gap-10" : ""}>
        {items.map((item, place) => (
          <li key={`${item.seed} ${item.stem}`} className="mb-5 flex break-inside-avoid gap-3">
            <b>{place + 1}</b>
            <div className="min-w-0 flex-1">
              <OnPaper passages={passages} place={place} />
              <p>
                <MathText text={item.stem} />
              </p>
              <Pictures images={item.images} />
              <NumberTable rows={item.table} />
              {item.parts.map((part) => (
                <div key={part.id} className="mt-1">
                  {part.prompt ? (
                    <p className="mt-2">
                      <MathText text={part.prompt} />
                    </p>
                  ) : null}
                  {PAPER_WORDS[part.kind] ? <p className="mt-1 text-[14px]">{PAPER_WORDS[part.kind]}</p> : null}
                  <PrintedPart kind={part.kind} shown={part.shown} />
                </div>
              ))}
              <div aria-hidden style={{ height: `${wishes.lines * 1.9}rem` }} />
            </div>
          </li>
        ))}
      </ol>
    </article>
  );
}

/** A passage stands before the first item that hangs on it; later ones name it. */
function OnPaper({ passages, place }: { readonly passages: WorksheetView["passages"]; readonly place: number }) {
  const passage = passages[place];
  if (!passage) return null;
  const isFirst = passages.findIndex((one) => one?.id === passage.id) === place;
  return isFirst ? (
    <PassageText {...passage} className="mb-3 border-y border-black py-2 text-[15px]" />
  ) : passages[place - 1]?.id === passage.id ? null : (
    <p className="text-[14px]">About “{passage.title}”.</p>
  );
}

function AnswerKey({ view }: { readonly view: WorksheetView }) {
  return (
    <article className={`${PAPER} break-before-page text-[15px]`} data-key>
      <h2 className="mb-3 font-serif text-[20px] font-medium">Answer key, {view.code}</h2>
      <table className="w-full">
        <thead>
          <tr className="border-b border-black text-left">
            <th className="w-10 py-1">No.</th>
            {view.forms.map(({ letter }) => (
              <th key={letter} className="py-1">
                {view.forms.length > 1 ? `Version ${letter}` : "Answer"}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {(view.forms[0]?.items ?? []).map((first, place) => (
            <tr key={`${first.seed} ${first.stem}`} className="border-b border-neutral-300 align-top">
              <th scope="row" className="py-1 text-left">
                {place + 1}
              </th>
              {view.forms.map(({ letter, items }) => (
                <td key={letter} className="py-1 pr-4">
                  <MathText text={(items[place]?.parts ?? []).map(({ keyText }) => keyText).join("; ")} />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </article>
  );
}
