import { SheetLink } from "@/ui/layout/SheetLink";
import { Gauge, gaugeWords } from "@/ui/primitives/Gauge";
import type { GroupView } from "../../types";

/** Who is in the group before anything was taught. */
export function Members({ group }: { readonly group: GroupView }) {
  return (
    <table className="w-full text-[15px]">
      <thead className="text-mute text-left">
        <tr>
          <th className="py-1.5 font-normal">Student</th>
          <th className="w-40 font-normal">Chance of mastery</th>
          <th className="font-normal">What went wrong</th>
        </tr>
      </thead>
      <tbody>
        {group.members.map((member) => (
          <tr key={member.id} className="border-hair border-t align-top">
            <td className="py-2 font-semibold">
              <SheetLink id={member.id}>{member.name}</SheetLink>
            </td>
            <td className="py-2">
              <span className="flex items-center gap-2" title={gaugeWords(member)}>
                <Gauge {...member} className="h-5 w-10" />
                {member.tooLittle ? "few answers" : `${Math.round(member.chance * 100)} %`}
              </span>
            </td>
            <td className="py-2">
              {member.explains ? (
                "is here to explain it"
              ) : member.misconceptions.length === 0 ? (
                <span className="text-mute">no known mistake</span>
              ) : (
                member.misconceptions.map(({ name, times }) => `${name} (${times})`).join(", ")
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
