"use client";
import { useRouter } from "next/navigation";
import Papa from "papaparse";
import { useMemo, useState } from "react";
import { v7 } from "uuid";
import { useRun } from "@/client/useRun";
import { LEAST_SCORES } from "@/core/measurement/abilitiesFromScores";
import { likelyOf } from "@/core/roster/likelyOf";
import { readScores, type ScoreLine, type ScoreTable } from "@/core/roster/readScores";
import { headerDelimiter } from "@/formats/table/headerDelimiter";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";
import { FIELD, Field, Problem } from "@/ui/primitives/Field";
import { keepOutsideScoresAction } from "../../actions";
import type { ScoresView } from "../../scoreTypes";
import { scoreWords } from "./scoreWords";

/** Pasted scores, read as one goes: whom each line means, what each column is about, and what cannot be taken. */
export function PasteScores({ view, done }: { readonly view: ScoresView; readonly done: () => void }) {
  const router = useRouter();
  const run = useRun(undoAction, true);
  const [id] = useState(() => v7());
  const [title, setTitle] = useState("");
  const [text, setText] = useState("");
  const [chosen, setChosen] = useState<Readonly<Record<number, string>>>({});
  const [meant, setMeant] = useState<Readonly<Record<string, string>>>({});
  const table = useMemo(() => tableOf(text, view), [text, view]);
  const aboutOf = (place: number) => chosen[place] ?? likelyOf(table.columns[place] ?? "", view.about) ?? "";
  const whose = (line: ScoreLine) => meant[line.name] ?? (line.ids.length === 1 ? (line.ids[0] ?? "") : "");
  const taken = table.lines.filter((line) => whose(line) !== "");
  const missing = view.students.filter(({ id: one }) => !taken.some((line) => whose(line) === one));
  const replaces = view.lists.some((list) => list.title.toLowerCase() === title.trim().toLowerCase());
  return (
    <form
      className="space-y-4 text-[15px]"
      onSubmit={(event) => {
        event.preventDefault();
        const onDay = new FormData(event.currentTarget).get("onDay");
        run(
          () =>
            keepOutsideScoresAction({
              id,
              classIds: view.classIds,
              title,
              onDay,
              columns: table.columns.map((_, place) => aboutOf(place) || null),
              rows: taken.map((line) => ({ studentId: whose(line), scores: line.scores })),
            }),
          `Scores of ${taken.length} students from “${title.trim()}” count now.`,
          () => {
            done();
            router.refresh();
          },
        );
      }}
    >
      <div className="flex flex-wrap gap-5">
        <Field
          label="Which test"
          className="w-80"
          value={title}
          maxLength={60}
          required
          onChange={(event) => setTitle(event.target.value)}
          help={replaces ? "There are scores of this name. These take their place." : undefined}
        />
        <Field label="Taken on" name="onDay" type="date" max={view.today} required />
      </div>
      <label className="block">
        <span className="mb-0.5 block">Names and scores, a line each, as they come from a spreadsheet or a list</span>
        <textarea
          className={`${FIELD} h-40 w-full font-mono text-[14px]`}
          placeholder={"Name\tRatio\tFractions\nMira Okoye\t14/20\t70 %"}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      {text.trim() === "" ? null : table.columns.length === 0 ? (
        <p role="alert" className="border-clay border-l-4 pl-3">
          No scores are found in this. Each line needs a name and, after it, a number such as 14, 14/20 or 70 %.
        </p>
      ) : (
        <>
          <ReadTable
            {...{ view, table, aboutOf, whose }}
            choose={(place, about) => setChosen({ ...chosen, [place]: about })}
            mean={(name, one) => setMeant({ ...meant, [name]: one })}
          />
          <p className="text-mute">
            {taken.length} of {table.lines.length} lines fit a student of {view.className}.
            {missing.length > 0
              ? ` Without a score: ${missing.length > 6 ? `${missing.length} students` : missing.map(({ name }) => name).join(", ")}; nothing changes for them.`
              : ""}
            {table.unread.length > 0 ? ` Left out as no score: ${table.unread.slice(0, 6).join(", ")}.` : ""}
            {taken.length < LEAST_SCORES
              ? ` At least ${LEAST_SCORES} are needed, since students are placed by their order.`
              : ""}
          </p>
        </>
      )}
      <Problem text={run.problem} />
      <Button
        look="main"
        type="submit"
        disabled={run.busy || taken.length === 0 || table.columns.every((_, place) => aboutOf(place) === "")}
      >
        Let these scores count
      </Button>
    </form>
  );
}

/** What was read, line by line, with what each column is about. */
function ReadTable(props: {
  readonly view: ScoresView;
  readonly table: ScoreTable;
  readonly aboutOf: (place: number) => string;
  readonly whose: (line: ScoreLine) => string;
  readonly choose: (place: number, about: string) => void;
  readonly mean: (name: string, studentId: string) => void;
}) {
  const { view, table, aboutOf, whose, choose, mean } = props;
  const nameOf = (id: string) => view.students.find((student) => student.id === id)?.name ?? "";
  return (
    <div className="overflow-x-auto">
      <table className="text-left">
        <thead className="align-bottom">
          <tr>
            <th className="pr-8 pb-1.5 font-normal">Line</th>
            <th className="pr-8 pb-1.5 font-normal">Student</th>
            {table.columns.map((column, place) => (
              <th key={place} className="pr-8 pb-1.5 font-normal">
                <label>
                  <span className="block">{column || `Score ${place + 1}`} is about</span>
                  <select
                    className={FIELD}
                    value={aboutOf(place)}
                    onChange={(event) => choose(place, event.target.value)}
                  >
                    <option value="">nothing; leave it out</option>
                    {view.about.map(({ id, name }) => (
                      <option key={id} value={id}>
                        {name}
                      </option>
                    ))}
                  </select>
                </label>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {table.lines.map((line, row) => (
            <tr key={row} className="border-hair border-t">
              <td className="text-mute py-1 pr-8">{line.name || "no name"}</td>
              <td className="pr-8">
                {line.ids.length === 1 ? (
                  nameOf(whose(line))
                ) : (
                  <select
                    aria-label={`Student of the line “${line.name}”`}
                    className={`${FIELD} ${whose(line) === "" ? "border-clay!" : ""}`}
                    value={whose(line)}
                    onChange={(event) => mean(line.name, event.target.value)}
                  >
                    <option value="">
                      {line.ids.length > 1
                        ? `${line.ids.length} have this name`
                        : `nobody here has this name${line.meant ? `; ${line.meant}?` : ""}`}
                    </option>
                    {(line.ids.length > 1
                      ? view.students.filter(({ id }) => line.ids.includes(id))
                      : view.students
                    ).map(({ id, name }) => (
                      <option key={id} value={id}>
                        {name === line.meant ? `${name}?` : name}
                      </option>
                    ))}
                  </select>
                )}
              </td>
              {line.scores.map((score, place) => (
                <td key={place} className={`pr-8 tabular-nums ${aboutOf(place) === "" ? "text-mute" : ""}`}>
                  {scoreWords(score)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function tableOf(text: string, view: ScoresView): ScoreTable {
  const { data } = Papa.parse<string[]>(text.trim(), {
    delimiter: headerDelimiter(text.trim()),
    skipEmptyLines: "greedy",
  });
  return readScores(data, view.students);
}
