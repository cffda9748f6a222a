import Link from "next/link";
import { PageHead } from "@/ui/layout/PageHead";
import type { PlanEntryView, PlanView } from "../types";

/** The plan of a class in its order, with dates, and how much of each skill is there. */
export function PlanPage({ view, base }: { readonly view: PlanView; readonly base: string }) {
  return (
    <div className="px-5 py-4">
      <PageHead
        title={`Plan of ${view.className}`}
        sub={`${view.position.text}. A skill counts as reached when half the class are Secure or have mastered it once.`}
      />
      {view.entries.length === 0 ? <p className="text-mute py-8">This class has no plan yet.</p> : null}
      <table className="w-full text-[15px]">
        <thead className="text-mute text-left text-[14px]">
          <tr>
            <th className="w-8 py-1" />
            <th className="w-64 font-normal">Skill</th>
            <th className="w-44 font-normal">Dates</th>
            <th className="w-[27rem] font-normal">Where the class stands</th>
            <th className="font-normal">Builds on</th>
          </tr>
        </thead>
        <tbody>
          {view.entries.map((entry, place) => (
            <tr key={entry.skillId} className={`border-hair border-t ${entry.place === "now" ? "bg-bank" : ""}`}>
              <td className="text-mute py-2 pl-1">{place + 1}</td>
              <td>
                <Link
                  className="decoration-hair font-semibold underline underline-offset-3"
                  href={`${base}/library/${entry.skillId}`}
                >
                  {entry.name}
                </Link>
                <span className="text-mute block text-[13px]">
                  grade {entry.grade}, {entry.code}
                </span>
              </td>
              <td
                className={
                  entry.place === "now" ? "font-semibold" : entry.place === "past" && !entry.reached ? "text-clay" : ""
                }
              >
                {entry.fromDay} to {entry.targetDay}
                {entry.place === "now" ? ", now" : ""}
              </td>
              <td>
                <Share entry={entry} />
              </td>
              <td className="text-mute text-[14px]">{entry.buildsOn.join(", ")}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Share({ entry }: { readonly entry: PlanEntryView }) {
  const parts = [
    { name: "Secure", count: entry.secure, colour: "var(--level-2)" },
    { name: "Developing", count: entry.developing, colour: "var(--level-1)" },
    { name: "Beginning", count: entry.beginning, colour: "var(--level-0)" },
    { name: "too little evidence", count: entry.tooLittle, colour: "var(--gauge)" },
  ];
  return (
    <span
      className="flex items-center gap-3"
      role="img"
      aria-label={parts.map(({ name, count }) => `${count} ${name}`).join(", ")}
    >
      <span className="relative flex h-3.5 w-44 gap-px">
        {parts.map(({ name, count, colour }) =>
          count > 0 ? <i key={name} title={`${count} ${name}`} style={{ flex: count, background: colour }} /> : null,
        )}
        <i className="bg-ink absolute -top-0.5 -bottom-0.5 left-1/2 w-[1.5px]" title="half the class" />
      </span>
      <span className="text-[14px]">
        {entry.secure} Secure{entry.there > entry.secure ? `, ${entry.there - entry.secure} mastered before` : ""}, of{" "}
        {entry.students}
        {entry.reached ? ": reached" : ""}
      </span>
    </span>
  );
}
