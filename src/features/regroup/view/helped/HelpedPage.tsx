import { PageHead } from "@/ui/layout/PageHead";
import { PrintButton } from "@/ui/layout/PrintButton";
import { ButtonLink } from "@/ui/primitives/Button";
import { APPROACH_WORDS } from "@/words/staff/groupWords";
import type { HelpedView } from "../../helpedTypes";

const percent = (share: number) => Math.round(share * 100);

/** What tended to help with which mistake, with how many students it stands on. */
export function HelpedPage({
  view,
  base,
  toSchool,
}: {
  readonly view: HelpedView;
  readonly base: string;
  /** Whoever coordinates the school reads it over all classes. */
  readonly toSchool: boolean;
}) {
  return (
    <div className="px-5 py-4">
      <PageHead
        title="What helped with what"
        sub={`From ${view.rounds === 1 ? "1 reteach" : `${view.rounds} reteaches`} and ${view.students === 1 ? "1 student" : `${view.students} students`} who were there and did the check. Helped: learned it, or came clearly closer. ${view.compared === 0 ? "None could be compared with others yet, so luck is in these figures." : `Of ${view.compared} that could be compared with students like them, ${view.worked} worked beyond luck.`}`}
      >
        {toSchool ? <ButtonLink href="/desk/school/regroup/helped">For the whole school</ButtonLink> : null}
        <PrintButton>Print</PrintButton>
        <ButtonLink href={`${base}/regroup`}>To all groups</ButtonLink>
      </PageHead>
      {view.lines.length === 0 ? (
        <p className="text-mute text-[15px]">
          Nothing is judged yet. When the check of a reteach is handed in, it counts here by the mistake it was about
          and the way it was taught.
        </p>
      ) : (
        <table className="w-full text-[15px]">
          <thead className="text-mute text-left">
            <tr>
              <th className="py-1.5 font-normal">Mistake or skill</th>
              <th className="font-normal">Taught</th>
              <th className="w-32 text-right font-normal">Helped, of</th>
              <th className="w-72 pl-6 font-normal">Share helped, with 95 % interval</th>
            </tr>
          </thead>
          <tbody>
            {view.lines.map((line, place) => {
              const before = view.lines[place - 1];
              const isNew = before?.mistake !== line.mistake || before.skill !== line.skill;
              return (
                <tr key={`${line.skillId} ${line.misconceptionId} ${line.approach}`} className="border-hair border-t">
                  <td className="py-2">
                    {isNew ? (
                      <>
                        {line.mistake ?? line.skill}
                        {line.mistake ? <span className="text-mute"> in {line.skill}</span> : null}
                      </>
                    ) : (
                      <span className="sr-only">{line.mistake ?? line.skill}</span>
                    )}
                  </td>
                  <td>{APPROACH_WORDS[line.approach]}</td>
                  <td className="text-right">
                    {line.helped} of {line.students}
                  </td>
                  <td className="pl-6">
                    <Interval low={line.low} high={line.high} share={line.helped / line.students} />{" "}
                    <span className={line.few ? "text-mute" : ""}>
                      {percent(line.low)} to {percent(line.high)} %{line.few ? ", few" : ""}
                    </span>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
    </div>
  );
}

const WIDTH = 120;

function Interval({ low, high, share }: { readonly low: number; readonly high: number; readonly share: number }) {
  return (
    <svg viewBox={`0 0 ${WIDTH} 14`} className="inline-block h-3.5 w-[120px]" aria-hidden>
      <path d={`M0 7H${WIDTH}`} stroke="var(--hair)" strokeWidth="1.5" />
      <path d={`M${low * WIDTH} 7H${high * WIDTH}`} stroke="var(--water)" strokeWidth="5" />
      <circle cx={share * WIDTH} cy="7" r="4" fill="var(--ink)" />
    </svg>
  );
}
