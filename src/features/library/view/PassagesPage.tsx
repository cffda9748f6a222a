"use client";
import Link from "next/link";
import { parseAsString, useQueryState } from "nuqs";
import { PageHead } from "@/ui/layout/PageHead";
import { ButtonLink } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import type { PassagesView } from "../passageTypes";
import { LibraryWays } from "./LibraryWays";

/** Texts that items are asked about, those with the most items first. */
export function PassagesPage({ view, base }: { readonly view: PassagesView; readonly base: string }) {
  const [text, setText] = useQueryState("find", parseAsString.withDefault(""));
  const wanted = text
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== "");
  const found = view.passages.filter(({ title, topic, bank }) => {
    const said = `${title} ${topic} ${bank.name}`.toLowerCase();
    return wanted.every((word) => said.includes(word));
  });
  return (
    <div className="px-5 py-4">
      <PageHead title="Library" sub="Passages: texts that items are asked about. An item may hang on one of any bank.">
        {view.ownBanks.length > 0 ? (
          <ButtonLink look="main" href={`${base}/library/passages/new`}>
            Write a passage
          </ButtonLink>
        ) : null}
      </PageHead>
      <LibraryWays base={base} at="passages" />
      {view.passages.length === 0 ? (
        <p className="text-[16px]">
          {view.ownBanks.length > 0
            ? "No passages yet. Write one, or bring a package in whose items share a text."
            : "No passages yet. Make a bank first; a passage goes into one."}
        </p>
      ) : (
        <>
          <label className="mb-3 block text-[15px]">
            <span className="sr-only">Find</span>
            <input
              type="search"
              data-find
              className={`${FIELD} w-72`}
              placeholder="Title, topic or bank"
              value={text}
              onChange={(event) => void setText(event.target.value || null)}
            />{" "}
            <span className="text-mute" aria-live="polite">
              {found.length} of {view.passages.length}
            </span>
          </label>
          <table className="w-full max-w-4xl text-[15px]">
            <thead className="text-mute text-left text-[14px]">
              <tr>
                <th className="py-1 font-normal">Passage</th>
                <th className="font-normal">Topic</th>
                <th className="font-normal">Bank</th>
                <th className="text-right font-normal">Words</th>
                <th className="pl-6 font-normal">Reads about like</th>
                <th className="text-right font-normal">Items</th>
              </tr>
            </thead>
            <tbody>
              {found.map((passage) => (
                <tr key={passage.id} className="border-hair border-t">
                  <th scope="row" className="py-1.5 text-left">
                    <Link
                      className="underline underline-offset-3"
                      href={`${base}/library/passages/${encodeURIComponent(passage.id)}`}
                    >
                      {passage.title}
                    </Link>
                  </th>
                  <td>{passage.topic}</td>
                  <td>{passage.bank.name}</td>
                  <td className="text-right tabular-nums">{passage.words.toLocaleString("en-GB")}</td>
                  <td className="pl-6">{readsLike(passage.readingGrade)}</td>
                  <td className="text-right tabular-nums">{passage.items}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
      {view.retired.length > 0 ? (
        <details className="mt-5 text-[15px]">
          <summary className="text-mute cursor-pointer">{view.retired.length} retired</summary>
          <ul className="mt-1">
            {view.retired.map(({ id, title, bank }) => (
              <li key={id} className="py-0.5">
                <Link
                  className="underline underline-offset-3"
                  href={`${base}/library/passages/${encodeURIComponent(id)}`}
                >
                  {title}
                </Link>
                , {bank}
              </li>
            ))}
          </ul>
        </details>
      ) : null}
    </div>
  );
}

/** How hard a text is to read, in words; empty where the formulas can't say. */
export const readsLike = (grade: number | null): string => (grade === null ? "" : `grade ${grade}`);
