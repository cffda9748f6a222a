import { ButtonLink } from "@/ui/primitives/Button";
import type { SittingView } from "../types";
import { TakeNext } from "./TakeNext";
import { usePlace } from "./WorkPlace";
import { WORK_WORDS } from "./workWords";

/** What is said at the end of a run, and the ways on. */
export function WorkDone({ view, waiting }: { readonly view: SittingView; readonly waiting: number }) {
  const { base, home, homeWords } = usePlace();
  const { head, text } = WORK_WORDS[view.kind].done(view);
  const toParts = view.hasParts && waiting === 0;
  const goesOn = view.planClassId !== null || view.ownSkillId !== null || toParts;
  return (
    <div className="pt-8">
      <h2 className="font-serif text-[32px] leading-tight">{head}</h2>
      <p className="mt-3">{text}</p>
      {waiting > 0 ? <p className="mt-3">Leave this page open until everything has been sent.</p> : null}
      <p className="mt-6 flex flex-wrap gap-4">
        {view.planClassId !== null && waiting === 0 ? (
          <TakeNext classId={view.planClassId} isFirst>
            Go on with my plan
          </TakeNext>
        ) : null}
        {view.asked !== null && waiting === 0 ? (
          <ButtonLink size="big" href="/river/kept">
            See what I keep
          </ButtonLink>
        ) : null}
        {view.ownSkillId !== null && waiting === 0 ? (
          <ButtonLink look="main" size="big" href={`/river/own/${view.ownSkillId}`}>
            More of this
          </ButtonLink>
        ) : null}
        {toParts ? (
          <ButtonLink look="main" size="big" href={`${base}/${view.workId}`}>
            What comes next in this work
          </ButtonLink>
        ) : null}
        {view.hasResults ? (
          <ButtonLink size="big" href={`${base}/${view.workId}/results?part=${view.partId}`}>
            See how it went
          </ButtonLink>
        ) : null}
        <ButtonLink look={goesOn ? "plain" : "main"} size="big" href={home}>
          {homeWords}
        </ButtonLink>
      </p>
    </div>
  );
}
