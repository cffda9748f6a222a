"use client";
import { useParams, useRouter, useSearchParams } from "next/navigation";
import { useState } from "react";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import type { AcrossView } from "../../acrossTypes";
import { acrossSheets } from "../../sheets/acrossSheets";
import { Files } from "../parts/Files";
import { SheetTables } from "../parts/SheetTables";
import { talkHref } from "../parts/talkHref";
import { Who } from "../parts/Who";
import { ClassCell } from "./ClassCell";

/** Classes side by side in a common test, in standards and in use: what each can learn from the others. */
export function AcrossPage({ view }: { readonly view: AcrossView }) {
  const [asTable, setAsTable] = useState(false);
  const sheets = acrossSheets(view);
  return (
    <div className="px-5 py-3">
      <PageHead
        title="What can the classes learn from one another?"
        sub={
          <>
            <Choice view={view} /> <b className="text-ink">Bold</b> is above or below the other classes together by more
            than luck makes once in a hundred; everything else may be luck.
          </>
        }
      >
        <Button onClick={() => setAsTable(!asTable)}>{asTable ? "With what to do" : "As a table"}</Button>
        <Files report="across" />
      </PageHead>
      {view.classes.length < 2 ? (
        <p className="text-mute pb-3">
          Only one class of this subject and grade is open to you. A colleague can share theirs, or choose another
          grade.
        </p>
      ) : null}
      {asTable ? (
        <SheetTables report="across" sheets={sheets} />
      ) : (
        <div className="grid gap-y-6">
          <Use view={view} />
          <Test view={view} />
          <Skills view={view} />
        </div>
      )}
    </div>
  );
}

function useChoice() {
  const router = useRouter();
  const search = useSearchParams();
  return (key: string, value: string) => {
    const next = new URLSearchParams(search);
    next.set(key, value);
    router.push(`?${next}`, { scroll: false });
  };
}

function Choice({ view }: { readonly view: AcrossView }) {
  const choose = useChoice();
  return (
    <label>
      Classes of{" "}
      <select
        className="word-edit bg-transparent"
        value={view.choice}
        onChange={(event) => choose("of", event.target.value)}
      >
        {view.choices.map(({ key, words, classes }) => (
          <option key={key} value={key}>
            {words} ({classes})
          </option>
        ))}
      </select>
      .
    </label>
  );
}

function Head({ view, first }: { readonly view: AcrossView; readonly first: string }) {
  return (
    <thead>
      <tr className="border-ink border-b">
        <th scope="col" className="py-1 pr-3 text-left font-semibold">
          {first}
        </th>
        {view.classes.map(({ id, name }) => (
          <th key={id} scope="col" className="px-2 text-left font-semibold">
            {name}
          </th>
        ))}
      </tr>
    </thead>
  );
}

function Test({ view }: { readonly view: AcrossView }) {
  const { classes } = useParams<{ classes: string }>();
  const choose = useChoice();
  const { test } = view;
  return (
    <section aria-labelledby="across-test">
      <h2 id="across-test" className="text-[16px] font-bold">
        Which class taught which item well?
      </h2>
      {test ? (
        <>
          <label className="text-mute text-[14px]">
            In{" "}
            <select
              className="word-edit bg-transparent"
              value={test.partId}
              onChange={(event) => choose("test", event.target.value)}
            >
              {view.tests.map(({ partId, words }) => (
                <option key={partId} value={partId}>
                  {words}
                </option>
              ))}
            </select>
            : share right at the first try. Ask whoever taught a bold item how.
          </label>
          <div className="overflow-x-auto">
            <table className="w-full border-collapse text-[14px]">
              <Head view={view} first="Item" />
              <tbody>
                {test.items.map((item) => (
                  <tr key={item.key} className="border-hair border-b">
                    <th scope="row" className="max-w-md py-0.5 pr-3 text-left font-normal">
                      <span className="flex gap-2">
                        <b className="w-5 shrink-0 tabular-nums">{item.place}</b>
                        <span className="truncate" title={item.stem}>
                          {item.stem}
                        </span>
                      </span>
                    </th>
                    {item.classes.map((share) => {
                      const work = item.workIds[share.classId];
                      return (
                        <ClassCell
                          key={share.classId}
                          share={share}
                          skillId={item.skillId}
                          what={`missed item ${item.place}`}
                          more={
                            work ? (
                              <ButtonLink
                                href={talkHref(
                                  classes,
                                  { work, item: item.key, part: test.partId },
                                  share.without.map(({ id }) => id),
                                )}
                              >
                                Talk now
                              </ButtonLink>
                            ) : null
                          }
                        />
                      );
                    })}
                  </tr>
                ))}
                <tr className="border-ink border-t">
                  <th scope="row" className="py-1 text-left font-semibold">
                    Mean mark
                  </th>
                  {test.means.map(({ classId, mean, low, high, n }) => (
                    <td key={classId} className="px-2 tabular-nums">
                      {mean === null
                        ? "not written"
                        : `${Math.round(mean * 100)} % (${Math.round(low * 100)} to ${Math.round(high * 100)}), ${n} wrote it`}
                    </td>
                  ))}
                </tr>
              </tbody>
            </table>
          </div>
        </>
      ) : (
        <p className="text-mute text-[14px]">
          No test was written by two of these classes in these days. Give one test to several classes, and it stands
          here.
        </p>
      )}
    </section>
  );
}

function Skills({ view }: { readonly view: AcrossView }) {
  const choose = useChoice();
  return (
    <section aria-labelledby="across-skills">
      <h2 id="across-skills" className="text-[16px] font-bold">
        Who is Secure, class by class?
      </h2>
      <label className="text-mute text-[14px]">
        By{" "}
        <select
          className="word-edit bg-transparent"
          value={view.depth}
          onChange={(event) => choose("depth", event.target.value)}
        >
          <option value="standards">standard</option>
          <option value="skills">skill</option>
        </select>
        : share Secure today, of those of whom enough is known.
      </label>
      {view.skills.length === 0 ? (
        <p className="text-mute text-[14px]">Nothing is known yet of any skill in sight.</p>
      ) : (
        <div className="overflow-x-auto">
          <table className="w-full border-collapse text-[14px]">
            <Head view={view} first={view.depth === "skills" ? "Skill" : "Standard"} />
            <tbody>
              {view.skills.map((skill) => (
                <tr key={skill.id} className="border-hair border-b">
                  <th scope="row" className="max-w-md truncate py-0.5 pr-3 text-left font-normal" title={skill.name}>
                    {skill.code ? <b className="font-semibold">{skill.code} </b> : null}
                    {skill.name}
                  </th>
                  {skill.classes.map((share) => (
                    <ClassCell
                      key={share.classId}
                      share={share}
                      skillId={skill.skillId}
                      what={`are not Secure in ${skill.code || skill.name}`}
                    />
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}

function Use({ view }: { readonly view: AcrossView }) {
  const nameOf = (id: string) => view.classes.find((one) => one.id === id)?.name ?? "";
  return (
    <section aria-labelledby="across-use">
      <h2 id="across-use" className="text-[16px] font-bold">
        How much was worked, and of whom is nothing known?
      </h2>
      <table className="border-collapse text-[14px]">
        <thead>
          <tr className="border-ink border-b text-left">
            {[
              "Class",
              "Students",
              "Minutes a student",
              "First answers",
              "No answer in these days",
              "No evidence at all",
            ].map((title, place) => (
              <th
                key={title}
                scope="col"
                className={`px-2 py-1 font-semibold first:pl-0 ${place > 0 ? "text-right" : ""}`}
              >
                {title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {view.use.map((use) => (
            <tr key={use.classId} className="border-hair border-b">
              <th scope="row" className="py-0.5 pr-4 text-left font-normal">
                {nameOf(use.classId)}
              </th>
              <td className="px-2 text-right tabular-nums">{use.students}</td>
              <td className="px-2 text-right tabular-nums">{use.minutes} min</td>
              <td className="px-2 text-right tabular-nums">{use.answers.toLocaleString("en-GB")}</td>
              <td className="px-2 text-right">
                <Who students={use.quiet} skillId={null} what="answered nothing in these days">
                  {use.quiet.length}
                </Who>
              </td>
              <td className="px-2 text-right">
                <Who students={use.never} skillId={null} what="have never answered anything">
                  {use.never.length}
                </Who>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
