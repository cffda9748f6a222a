import { PageHead } from "@/ui/layout/PageHead";
import { ButtonLink } from "@/ui/primitives/Button";
import type { AccessView } from "../types";
import { StudentFinder } from "./StudentFinder";

const ABOUT: Readonly<Record<string, string>> = {
  class: "A class",
  student: "A student",
  group: "A group",
  school: "The school",
  entry: "An entry of the history",
};

/** Who can see a student and why, and the whole of the rules in words. */
export function AccessPage({
  view,
  policy,
  students,
}: {
  readonly view: AccessView | null;
  readonly policy: readonly {
    readonly about: string;
    readonly rights: readonly { readonly words: string; readonly who: string }[];
  }[];
  readonly students: readonly { readonly id: string; readonly name: string }[];
}) {
  return (
    <div className="max-w-5xl px-5 py-4 text-[15px]">
      <PageHead
        title={view ? `Who can see ${view.name}` : "Who can see whom"}
        sub={
          view
            ? `${view.people.length} members of staff today, each for a reason.`
            : "Choose a student; the rules for everybody stand below."
        }
      >
        <StudentFinder students={students} />
        {view ? <ButtonLink href={`/desk/school/roster/students/${view.studentId}`}>Open the record</ButtonLink> : null}
      </PageHead>
      {view ? (
        <>
          {view.left ? (
            <p className="border-hair mb-3 border-l-4 pl-3">
              {view.name} has left the school: only coordinators see what is kept.
            </p>
          ) : null}
          <table className="mb-3 w-full">
            <thead className="text-mute text-left text-[14px]">
              <tr>
                <th className="w-52 py-1 font-normal">Who</th>
                <th className="w-80 font-normal">Why</th>
                <th className="font-normal">May also</th>
              </tr>
            </thead>
            <tbody>
              {view.people.map((person) => (
                <tr key={person.id} className="border-hair border-t align-top">
                  <td className="py-1.5 font-semibold">{person.name}</td>
                  <td className="py-1.5 pr-4">{person.why.join("; ")}</td>
                  <td className="text-mute py-1.5">
                    {person.may.filter((words) => !words.startsWith("see the student's work")).join("; ")}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="text-mute mb-7">{view.own}</p>
        </>
      ) : null}
      <details open={view === null}>
        <summary className="font-serif text-[19px] font-medium">The rules, for everybody</summary>
        {policy.map(({ about, rights }) => (
          <section key={about} className="mt-3">
            <h2 className="font-semibold">{ABOUT[about] ?? about}</h2>
            <ul>
              {rights.map(({ words, who }) => (
                <li key={words} className="border-hair grid grid-cols-[1fr_1.2fr] gap-4 border-t py-1">
                  <span>{words}</span>
                  <span className="text-mute">{who}</span>
                </li>
              ))}
            </ul>
          </section>
        ))}
      </details>
    </div>
  );
}
