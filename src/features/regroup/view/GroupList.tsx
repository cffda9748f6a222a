import Link from "next/link";
import type { GroupListEntry } from "../types";

/** The groups there are, with what each waits for. */
export function GroupList({ groups, base }: { readonly groups: readonly GroupListEntry[]; readonly base: string }) {
  if (groups.length === 0) return null;
  return (
    <section aria-labelledby="groups" className="mb-7">
      <h2 id="groups" className="mb-1.5 font-serif text-[20px] font-medium">
        Your groups
      </h2>
      <table className="w-full text-[15px]">
        <tbody>
          {groups.map((group) => (
            <tr key={group.id} className="border-hair border-t">
              <td className="w-64 py-2">
                <span className="border-ink mr-2 inline-block min-w-8 border px-1 text-center text-[13px] font-semibold">
                  {group.label}
                </span>
                <Link
                  className="decoration-hair font-semibold underline underline-offset-3"
                  href={group.stage === "standing" ? `${base}/regroup/board` : `${base}/regroup/${group.id}`}
                >
                  {group.name}
                </Link>
                <span className="text-mute block text-[14px]">
                  {group.skillName}, {group.className}
                </span>
              </td>
              <td className="text-mute pr-6">
                <span data-name>{group.members.join(", ")}</span>
              </td>
              <td
                className={`w-60 text-right ${group.stage === "check" || group.stage === "plan" || group.goesOn ? "text-clay font-semibold" : ""}`}
              >
                {group.stageText}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
