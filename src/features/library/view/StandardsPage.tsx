"use client";
import { useWindowVirtualizer } from "@tanstack/react-virtual";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { parseAsInteger, parseAsString, useQueryState } from "nuqs";
import { useDeferredValue, useRef } from "react";
import { usePrinting } from "@/client/usePrinting";
import { useRun } from "@/client/useRun";
import { searchStandards } from "@/core/library/searchStandards";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink, FileLink } from "@/ui/primitives/Button";
import { gradeSpan } from "@/words/staff/gradeWords";
import { VIA_WORDS } from "@/words/staff/standardWords";
import { followFrameworkAction } from "../actions";
import type { StandardsPageView, StandardView } from "../types";
import { LibraryWays } from "./LibraryWays";

/** A framework of more entries than this is drawn as it comes into view. */
const MOST_DRAWN = 200;
const ROW_PIXELS = 64;

/** A framework's standards as a tree, narrowed by words, pasted codes, grade and strand, each with the skills that belong to it. */
export function StandardsPage({ view, base }: { readonly view: StandardsPageView; readonly base: string }) {
  const router = useRouter();
  const run = useRun(undoAction);
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
      <PageHead
        title="Library"
        sub={`${framework.title}, version ${framework.version}: ${standards.length} entries; ${skillsWords(framework)}.${framework.isFollowed ? " Your school's reports follow it." : ""}`}
      >
        <FileLink href={`/api/frameworks/${encodeURIComponent(framework.id)}`}>
          Save as a standards file (CASE)
        </FileLink>
        {view.mayManage ? (
          <ButtonLink href={`${base}/library/standards/bring-in`}>Bring standards in</ButtonLink>
        ) : null}
        {view.mayManage && !framework.isFollowed ? (
          <Button
            disabled={run.busy}
            onClick={() =>
              run(
                () => followFrameworkAction({ frameworkId: framework.id }),
                `Reports follow “${framework.title}”.`,
                () => router.refresh(),
              )
            }
          >
            Follow it in reports
          </Button>
        ) : null}
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
        <Rows rows={found.rows} base={base} />
      )}
    </div>
  );
}

/** How much of what is taught a framework has a word for. */
function skillsWords({ skills, ofSkills }: StandardsPageView["framework"]): string {
  if (skills === 0) return "no skill stands under it, so reports that follow it name no standards";
  return skills === ofSkills ? "every skill stands under it" : `${skills} of ${ofSkills} skills stand under it`;
}

type Found = ReturnType<typeof searchStandards<StandardView>>["rows"][number];

/** Rows of a long framework are drawn as they come into view, on paper all of them. */
function Rows({ rows, base }: { readonly rows: readonly Found[]; readonly base: string }) {
  const list = useRef<HTMLUListElement>(null);
  const printing = usePrinting();
  const virtual = useWindowVirtualizer({
    count: rows.length,
    estimateSize: () => ROW_PIXELS,
    overscan: 15,
    scrollMargin: list.current?.offsetTop ?? 0,
  });
  if (printing || rows.length <= MOST_DRAWN)
    return (
      <ul className="max-w-4xl text-[15px]">
        {rows.map((row) => (
          <Row key={row.standard.id} {...row} base={base} />
        ))}
      </ul>
    );
  const shown = virtual.getVirtualItems();
  const before = (shown[0]?.start ?? 0) - virtual.options.scrollMargin;
  const after = virtual.getTotalSize() - ((shown.at(-1)?.end ?? 0) - virtual.options.scrollMargin);
  return (
    <ul ref={list} className="max-w-4xl text-[15px]" aria-label={`${rows.length} standards`}>
      <li aria-hidden style={{ height: Math.max(0, before) }} />
      {shown.map(({ index }) => {
        const row = rows[index];
        return row ? (
          <Row key={row.standard.id} {...row} base={base} place={index} measure={virtual.measureElement} />
        ) : null;
      })}
      <li aria-hidden style={{ height: Math.max(0, after) }} />
    </ul>
  );
}

function Row({
  standard,
  depth,
  isMatch,
  base,
  place,
  measure,
}: Found & {
  readonly base: string;
  readonly place?: number;
  readonly measure?: (element: Element | null) => void;
}) {
  const { code, statement, gradeLow, gradeHigh, skills, ties } = standard;
  const isHeading = depth === 0;
  return (
    <li
      ref={measure}
      data-index={place}
      className="border-hair border-t py-2"
      style={{ paddingLeft: `${depth * 1.75}rem` }}
    >
      <div className="flex gap-4">
        <span className={`w-24 shrink-0 ${isMatch ? "font-semibold" : "text-mute"}`}>{code}</span>
        <span className={`flex-1 ${isHeading ? "font-serif text-[18px]" : ""} ${isMatch ? "" : "text-mute"}`}>
          {statement}
        </span>
        <span className="text-mute w-24 shrink-0 text-right">{gradeSpan(gradeLow, gradeHigh)}</span>
      </div>
      {skills.length > 0 ? (
        <p className="pl-28">
          {skills.map(({ id, name, via }, nth) => (
            <span key={id}>
              {nth > 0 ? ", " : ""}
              <Link className="decoration-hair underline underline-offset-3" href={`${base}/library/${id}`}>
                {name}
              </Link>
              {via === null || via === "same" ? "" : ` (${VIA_WORDS[via]})`}
            </span>
          ))}
        </p>
      ) : null}
      {ties.length > 0 ? (
        <p className="text-mute pl-28 text-[14px]">
          {ties.map(({ code: other, statement: says, via }, nth) => (
            <span key={`${other} ${says}`} title={says}>
              {nth > 0 ? "; " : ""}
              {VIA_WORDS[via]}: {other || says}
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
