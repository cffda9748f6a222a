"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { parseAsInteger, parseAsString, useQueryState } from "nuqs";
import { useDeferredValue } from "react";
import { searchStandards } from "@/core/library/searchStandards";
import { PageHead } from "@/ui/layout/PageHead";
import { gradeSpan } from "@/words/staff/gradeWords";
import type { StandardsPageView, StandardView } from "../types";
import { LibraryWays } from "./LibraryWays";

/** A framework's standards as a tree, narrowed by words, pasted codes, grade and strand, each with the skills that belong to it. */
export function StandardsPage({ view, base }: { readonly view: StandardsPageView; readonly base: string }) {
  const router = useRouter();
  const [text, setText] = useQueryState("find", parseAsString.withDefault(""));
  const [grade, setGrade] = useQueryState("grade", parseAsInteger);
  const [strand, setStrand] = useQueryState("strand", parseAsString);
  const { framework, frameworks, standards } = view;
  const query = useDeferredValue(text);
  const found = searchStandards(standards, { text: query, grade, underId: strand });
  const strands = standards.filter(({ parentId }) => parentId === null);
  const grades = gradesOf(standards);
  return (
    <div className="px-5 py-4">
      <PageHead title="Library" sub={`${framework.title}, version ${framework.version}: ${standards.length} entries.`}>
        <a
          className="decoration-hair text-[15px] underline underline-offset-3"
          href={`/api/frameworks/${encodeURIComponent(framework.id)}`}
          download
        >
          Save as a standards file (CASE)
        </a>
      </PageHead>
      <LibraryWays base={base} at="standards" />
      <p className="text-mute mb-3 flex flex-wrap items-baseline gap-x-2 text-[15px]">
        Showing
        <Choice
          label="Framework"
          value={framework.id}
          options={frameworks.map(({ id, title }) => [id, title])}
          choose={(id) => router.push(`${base}/library/standards?framework=${encodeURIComponent(id ?? "")}`)}
        />
        in
        <Choice
          label="Grade"
          value={grade === null ? "" : String(grade)}
          options={[["", "every grade"], ...grades.map((one): [string, string] => [String(one), `grade ${one}`])]}
          choose={(one) => setGrade(one === "" ? null : Number(one))}
        />
        and
        <Choice
          label="Strand"
          value={strand ?? ""}
          options={[["", "every strand"], ...strands.map(({ id, statement }): [string, string] => [id, statement])]}
          choose={(one) => setStrand(one === "" ? null : one)}
        />
        <label>
          <span className="sr-only">Words, or a list of codes</span>
          <textarea
            className="border-hair text-ink h-8 w-80 resize-y border-b bg-transparent px-1 py-1 align-middle"
            placeholder="Words, or paste a list of codes"
            value={text}
            onChange={(event) => setText(event.target.value || null)}
          />
        </label>
        <span aria-live="polite">
          {found.matches} of {standards.length}
        </span>
      </p>
      {found.unknownCodes.length > 0 ? (
        <p className="border-clay mb-3 border-l-4 pl-3 text-[15px]" role="status">
          Not in this framework: {found.unknownCodes.join(", ")}. Check the code, or choose another framework.
        </p>
      ) : null}
      {found.rows.length === 0 ? (
        <p className="text-[16px]">
          Nothing here says that.{" "}
          <button
            type="button"
            className="decoration-hair underline underline-offset-3"
            onClick={() => {
              setText(null);
              setGrade(null);
              setStrand(null);
            }}
          >
            Show all {standards.length}
          </button>
        </p>
      ) : (
        <ul className="max-w-4xl text-[15px]">
          {found.rows.map(({ standard, depth, isMatch }) => (
            <Row key={standard.id} standard={standard} depth={depth} isMatch={isMatch} base={base} />
          ))}
        </ul>
      )}
    </div>
  );
}

function Row({
  standard,
  depth,
  isMatch,
  base,
}: {
  readonly standard: StandardView;
  readonly depth: number;
  readonly isMatch: boolean;
  readonly base: string;
}) {
  const { code, statement, gradeLow, gradeHigh, skills } = standard;
  const isHeading = depth === 0;
  return (
    <li className="border-hair border-t py-2" style={{ paddingLeft: `${depth * 1.75}rem` }}>
      <div className="flex gap-4">
        <span className={`w-24 shrink-0 ${isMatch ? "font-semibold" : "text-mute"}`}>{code}</span>
        <span className={`flex-1 ${isHeading ? "font-serif text-[18px]" : ""} ${isMatch ? "" : "text-mute"}`}>
          {statement}
        </span>
        <span className="text-mute w-24 shrink-0 text-right">{gradeSpan(gradeLow, gradeHigh)}</span>
      </div>
      {skills.length > 0 ? (
        <p className="pl-28">
          {skills.map(({ id, name }, place) => (
            <span key={id}>
              {place > 0 ? ", " : ""}
              <Link className="decoration-hair underline underline-offset-3" href={`${base}/library/${id}`}>
                {name}
              </Link>
            </span>
          ))}
        </p>
      ) : null}
    </li>
  );
}

function Choice({
  label,
  value,
  options,
  choose,
}: {
  readonly label: string;
  readonly value: string;
  readonly options: readonly (readonly [string, string])[];
  readonly choose: (value: string) => void;
}) {
  return (
    <select
      aria-label={label}
      className="word-edit text-ink max-w-72 bg-transparent"
      value={value}
      onChange={(event) => choose(event.target.value)}
    >
      {options.map(([key, words]) => (
        <option key={key} value={key}>
          {words}
        </option>
      ))}
    </select>
  );
}

/** Grades that some standard names. */
function gradesOf(standards: readonly StandardView[]): number[] {
  const grades = standards.flatMap(({ gradeLow, gradeHigh }) =>
    gradeLow === null ? [] : Array.from({ length: (gradeHigh ?? gradeLow) - gradeLow + 1 }, (_, n) => gradeLow + n),
  );
  return [...new Set(grades)].sort((x, y) => x - y);
}
