"use client";
import { usePullList } from "@/client/pull-list/pullList";
import { PageHead } from "@/ui/layout/PageHead";
import { PrintButton } from "@/ui/layout/PrintButton";

/** The pull list on paper: whom, for what, and room to write what was seen. */
export function PulledSheet({
  day,
  skills,
}: {
  readonly day: string;
  readonly skills: readonly { readonly id: string; readonly name: string }[];
}) {
  const { entries } = usePullList();
  const nameOf = (id: string | null) => skills.find((skill) => skill.id === id)?.name ?? "";
  return (
    <div className="px-5 py-4">
      <PageHead
        title="Pull list"
        sub={`${day}; ${entries.length === 1 ? "1 student" : `${entries.length} students`}. The list is kept in this browser until you clear it.`}
      >
        {entries.length > 0 ? <PrintButton /> : null}
      </PageHead>
      {entries.length === 0 ? (
        <p className="text-mute py-6">
          Nobody is on it. Any mark in a report puts its students here: open it and choose Pull, or press p.
        </p>
      ) : (
        <table className="w-full max-w-4xl text-[15px]">
          <thead className="text-mute text-left text-[14px]">
            <tr>
              <th className="w-52 py-1 font-normal">Student</th>
              <th className="w-52 py-1 font-normal">Pulled for</th>
              <th className="py-1 font-normal">What was seen</th>
              <th className="w-40 py-1 font-normal">What comes next</th>
            </tr>
          </thead>
          <tbody>
            {entries.map(({ id, name, skillId }) => (
              <tr key={id} className="border-ink h-14 border-t align-top">
                <th scope="row" className="py-1.5 text-left font-semibold" data-name>
                  {name}
                </th>
                <td className="py-1.5">{nameOf(skillId)}</td>
                <td />
                <td className="border-hair border-l" />
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
