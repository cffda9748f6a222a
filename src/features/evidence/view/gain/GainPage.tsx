"use client";
import { useRouter, useSearchParams } from "next/navigation";
import { useState } from "react";
import { usePullList } from "@/client/pull-list/pullList";
import { PageHead } from "@/ui/layout/PageHead";
import { Button } from "@/ui/primitives/Button";
import type { GainStudent, GainView } from "../../gainTypes";
import { gainSheets } from "../../sheets/gainSheets";
import { Files } from "../parts/Files";
import { SheetTables } from "../parts/SheetTables";
import { Who } from "../parts/Who";
import { GainRow } from "./GainRow";
import { GainStandards } from "./GainStandards";

const points = (share: number) => Math.round(share * 100);

/** What was gained between two tests: for the class, for each student with how far luck reaches, by standard. */
export function GainPage({ view }: { readonly view: GainView }) {
  const [asTable, setAsTable] = useState(false);
  const sheets = gainSheets(view);
  const of = (change: GainStudent["change"]) =>
    view.students
      .filter((student) => student.change === change)
      .sort((x, y) => x.difference - y.difference || x.name.localeCompare(y.name));
  return (
    <div className="px-5 py-3">
      <PageHead title="What has been gained from one test to the next?" sub={<Pair view={view} />}>
        <Button onClick={() => setAsTable(!asTable)}>{asTable ? "As a picture" : "As a table"}</Button>
        <Files report="gain" />
      </PageHead>
      {view.students.length === 0 ? (
        <p className="text-mute py-6">
          {view.tests.length < 2
            ? "A gain needs two tests of these students. Give one before teaching and one after it, or choose days that hold both."
            : "Nobody in sight wrote both of these tests. Choose two others, or more students."}
        </p>
      ) : asTable ? (
        <SheetTables report="gain" sheets={sheets} />
      ) : (
        <div className="grid gap-x-10 gap-y-4 lg:grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)]">
          <section aria-label="Each student">
            <ClassWords view={view} />
            <Scale />
            <Students title="Lost, beyond luck" students={of("down")} view={view} />
            <Students title="May be luck" students={of("within-error")} view={view} />
            <Students title="Gained, beyond luck" students={of("up")} view={view} />
          </section>
          <div>
            <GainStandards view={view} />
            <Others view={view} />
          </div>
        </div>
      )}
    </div>
  );
}

/** Which two tests, as a sentence of choices. */
function Pair({ view }: { readonly view: GainView }) {
  const router = useRouter();
  const search = useSearchParams();
  if (view.tests.length === 0) return <>No test was written in these days.</>;
  const choose = (key: "pre" | "post", partId: string) => {
    const next = new URLSearchParams(search);
    next.set(key, partId);
    router.push(`?${next}`, { scroll: false });
  };
  const select = (key: "pre" | "post", label: string) => (
    <select
      aria-label={label}
      className="word-edit max-w-72 bg-transparent"
      value={view[key]?.partId ?? ""}
      onChange={(event) => choose(key, event.target.value)}
    >
      {view[key] === null ? <option value="">choose a test</option> : null}
      {view.tests.map(({ partId, words }) => (
        <option key={partId} value={partId}>
          {words}
        </option>
      ))}
    </select>
  );
  return (
    <>
      From {select("pre", "First test")} to {select("post", "Second test")}. {formWords(view)}
    </>
  );
}

function formWords({ forms, pre, post }: GainView): string {
  if (!pre || !post) return "";
  if (!forms) return "Their items differ from student to student: the marks are compared as they are.";
  if (forms.basis === "as-they-are")
    return "Both tests are as hard, within 2 points in 100: marks are compared as they are.";
  const most = Math.round(Math.abs(forms.difference) * 100);
  return `The second is ${forms.difference > 0 ? "easier" : "harder"} by up to ${most} points in 100: marks of the first are turned into what they would be on it.`;
}

function ClassWords({ view }: { readonly view: GainView }) {
  const own = view.class;
  if (!own) return null;
  const before = view.students.reduce((sum, one) => sum + one.before, 0) / own.n;
  const after = view.students.reduce((sum, one) => sum + one.after, 0) / own.n;
  return (
    <p className="text-[16px]">
      From {points(before)} % to <b>{points(after)} %</b> on average:{" "}
      <b>
        {own.difference >= 0 ? "" : "−"}
        {Math.abs(points(own.difference))} points
      </b>
      {own.interval
        ? `, between ${points(own.interval.low)} and ${points(own.interval.high)} for students like these`
        : ""}
      ; {own.n} wrote both.{" "}
      <span className="text-mute">
        {own.normalised === null ? "" : `Of what was still open, ${points(own.normalised)} % was won. `}
        {own.effect === null ? "" : `Standardised difference ${own.effect.toFixed(1)}: 0.2 is small, 0.8 large.`}
      </span>
    </p>
  );
}

function Scale() {
  return (
    <div aria-hidden className="text-mute mt-2 grid grid-cols-[10rem_minmax(0,1fr)_5rem] gap-3 text-[12px]">
      <span />
      <span className="flex justify-between">
        {[0, 25, 50, 75, 100].map((tick) => (
          <span key={tick} className="w-0 text-center whitespace-nowrap">
            <span className="-ml-3 inline-block w-8">{tick} %</span>
          </span>
        ))}
      </span>
      <span />
    </div>
  );
}

function Students(props: {
  readonly title: string;
  readonly students: readonly GainStudent[];
  readonly view: GainView;
}) {
  const { title, students, view } = props;
  const pull = usePullList();
  if (students.length === 0) return null;
  return (
    <section className="mt-1.5" aria-label={title}>
      <h2 className="flex items-baseline gap-3 text-[15px] font-bold">
        {title}: {students.length}
        <Button
          look="quiet"
          className="no-print min-h-0! px-0! py-0! text-[14px]!"
          onClick={() => pull.add(students.map(({ id, name }) => ({ id, name, skillId: view.leadSkillId })))}
        >
          Pull {students.length}
        </Button>
      </h2>
      <ol>
        {students.map((student) => (
          <GainRow key={student.id} student={student} />
        ))}
      </ol>
    </section>
  );
}

/** Who wrote one of the two only: nothing is said of them, and nothing hidden. */
function Others({ view }: { readonly view: GainView }) {
  if (view.onlyBefore.length + view.onlyAfter.length === 0) return null;
  return (
    <p className="mt-4 text-[14px]">
      Not compared:{" "}
      <Who students={view.onlyBefore} skillId={view.leadSkillId} what="wrote only the first test">
        {view.onlyBefore.length} wrote only the first
      </Who>
      ,{" "}
      <Who students={view.onlyAfter} skillId={view.leadSkillId} what="wrote only the second test">
        {view.onlyAfter.length} only the second
      </Who>
      .
    </p>
  );
}
