import { WORKED_WORDS } from "@/words/staff/groupWords";
import type { GroupView, RoundView } from "../../types";
import { ComparedBar } from "./ComparedBar";

/** The sign stays beside its number. */
const percent = (share: number) => `${Math.round(share * 100)}\u00a0%`;
const points = (share: number) => Math.round(share * 100);

/** What came of a round for the group as a whole: once it is judged, against students like them, with how sure that is. */
export function Worked({ group, round }: { readonly group: GroupView; readonly round: RoundView }) {
  const { outcome } = group;
  if (!outcome) return null;
  const { figures, worked } = round;
  const everybodyAway = outcome.students === 0 && outcome.away > 0;
  return (
    <div className="mt-1 mb-2 text-[15px]">
      {worked !== null && figures !== null ? (
        <>
          <p className={worked === "no-further" ? "text-clay font-semibold" : "font-semibold"}>
            {figures.students === 0
              ? "Nobody did the check, so nothing can be said. Give it again."
              : WORKED_WORDS[worked]}
          </p>
          {figures.chance && figures.check ? (
            <>
              <p className="mt-1">
                By the check, their chance of mastery stands {signed(points(figures.chance.change))} points from where
                it was; that of {figures.chance.similar} classmates who stood where they did{" "}
                {signed(points(figures.chance.changeOfSimilar))}. So it is worth about{" "}
                <b>{signed(points(figures.chance.difference))} points</b>, with 80 % certainty between{" "}
                {signed(points(figures.chance.low))} and {signed(points(figures.chance.high))}. They had{" "}
                {percent(figures.check.change)} of the check right, the classmates{" "}
                {percent(figures.check.changeOfSimilar)}.
                {figures.chance.matched < figures.chance.members
                  ? ` ${figures.chance.members - figures.chance.matched} of them had nobody alike and are left out of this.`
                  : ""}
              </p>
              <ComparedBar figures={figures.chance} />
            </>
          ) : null}
        </>
      ) : null}
      {everybodyAway ? (
        <p className="font-semibold">Everybody was away: it was not taught. Give it again on another day.</p>
      ) : (
        <p className="mt-1">
          {outcome.open < outcome.students ? (
            <>
              The chance of mastery went from {percent(outcome.meanBefore)} to <b>{percent(outcome.meanAfter)}</b> on
              average.{" "}
            </>
          ) : null}
          {outcome.learned > 0 ? `${outcome.learned} learned it. ` : ""}
          {outcome.closer > 0 ? `${outcome.closer} came closer. ` : ""}
          {outcome.again > 0 ? <b className="text-clay">{outcome.again} should go round again. </b> : null}
          {outcome.away > 0 ? `${outcome.away === 1 ? "1 was" : `${outcome.away} were`} away. ` : ""}
          {outcome.open > 0 ? `${outcome.open === 1 ? "1 has" : `${outcome.open} have`} not handed in the check. ` : ""}
          {round.judgedDay === null && outcome.open > 0 ? waiting(round) : ""}
          {round.judgedDay === null ? "" : <span className="text-mute">Judged on {round.judgedDay}; it stays.</span>}
        </p>
      )}
    </div>
  );
}

const signed = (value: number): string => (value > 0 ? `+${value}` : value < 0 ? `−${Math.abs(value)}` : "0");

const waiting = ({ compared }: RoundView): string =>
  compared.of === 0
    ? "Nobody outside does the check, so it will not be told from luck."
    : `Of ${compared.of} students like them who were not taught, ${compared.done} have done it for comparison.`;
