"use client";
import { useRouter } from "next/navigation";
import { type FormEvent, useEffect, useMemo, useState } from "react";
import { v7 } from "uuid";
import { forgetBundle } from "@/client/bundle/bundle";
import { sayDone } from "@/client/notices";
import { usePullList } from "@/client/pull-list/pullList";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { Button } from "@/ui/primitives/Button";
import { Problem } from "@/ui/primitives/Field";
import { beginTrialAction, giveAction, makeSeriesAction } from "../../actions";
import type { AssignStart } from "../../assignStart";
import type { ComposeView } from "../../types";
import { TryIt } from "../TryIt";
import {
  type Composition,
  goesByStrand,
  type ItemFaceOf,
  isTest,
  MADE,
  MADE_WORDS,
  PAIR_CUT,
  receiversOf,
  type SeriesChoice,
} from "./composition";
import { FillIn } from "./FillIn";
import { firstComposition } from "./firstComposition";
import { MoreParts } from "./MoreParts";
import { messageOf } from "./message";
import { EXTRAS } from "./moreParts";
import { PickedItems } from "./PickedItems";
import { PracticeSkills } from "./PracticeSkills";
import { ProposedTest } from "./ProposedTest";
import { proposedTitle } from "./proposedTitle";
import { Strands } from "./Strands";
import { seriesMessageOf, seriesOf } from "./seriesChoice";
import { WhenAndHow } from "./WhenAndHow";
import { Whom } from "./Whom";

interface Props {
  readonly view: ComposeView;
  readonly base: string;
  readonly start: AssignStart;
  readonly fromPullList: boolean;
  readonly Face: ItemFaceOf;
}

/** Gives work: what, to whom, when, by which rules. */
export function Composer(props: Props) {
  const pull = usePullList();
  // The list comes from the browser's storage, a moment later; who is ticked by it stays ticked when it changes.
  const [pulledIds, setPulledIds] = useState<readonly string[]>([]);
  if (props.fromPullList && pulledIds.length === 0 && pull.entries.length > 0)
    setPulledIds(pull.entries.map(({ id }) => id));
  if (props.view.classes.length === 0)
    return <p className="px-5 py-8">You have no class yet. Import a roster file first.</p>;
  return (
    <Fields
      key={pulledIds.length}
      {...props}
      pulledIds={props.fromPullList ? new Set(pulledIds) : null}
      clearPulled={pull.clear}
    />
  );
}

function Fields({
  view,
  base,
  start,
  fromPullList,
  pulledIds,
  clearPulled,
  Face,
}: Props & { readonly pulledIds: ReadonlySet<string> | null; readonly clearPulled: () => void }) {
  const router = useRouter();
  const [workId] = useState(() => v7());
  const [assignmentIds] = useState(() => new Map<string, string>());
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [composition, change] = useState<Composition>(() => firstComposition(view, start, pulledIds));
  const isPicked = view.picked.length > 0;
  const usualTitle = proposedTitle(view, composition);
  useEffect(() => {
    change((before) => (before.titleIsOwn ? before : { ...before, title: usualTitle }));
  }, [usualTitle]);
  const receivers = useMemo(() => receiversOf(view, composition), [view, composition]);
  const students = receivers.reduce((sum, { studentIds }) => sum + studentIds.length, 0);
  const missing = missingOf(composition, students);
  const give = async (event: FormEvent) => {
    event.preventDefault();
    if (missing !== null || busy) return;
    setBusy(true);
    const series = isPicked ? null : seriesOf(composition);
    const idOf = (key: string) => {
      const known = assignmentIds.get(key) ?? v7();
      assignmentIds.set(key, known);
      return known;
    };
    if (series !== null) {
      await giveSeries(series, idOf);
      return;
    }
    const result = await giveAction({
      ...messageOf(view, composition, { workId }),
      to: receivers
        .filter(({ studentIds }) => studentIds.length > 0)
        .map(({ classId, groupId, studentIds, dueDay }) => ({
          assignmentId: idOf(groupId ?? classId),
          classId,
          groupId,
          due: dueDay === null || dueDay === "" ? null : { day: dueDay, time: "20:00" },
          studentIds,
        })),
    });
    setBusy(false);
    if (!result.ok) {
      setProblem(result.message);
      return;
    }
    const { changeId, assignmentIds: given } = result.data;
    const said = composition.rules.isPrepared ? "Prepared" : "Assigned";
    sayDone(
      `${said} “${composition.title}” ${composition.rules.isPrepared ? "for" : "to"} ${students} students.`,
      changeId ? () => undoAction(changeId) : undefined,
    );
    if (fromPullList) clearPulled();
    if (isPicked) forgetBundle();
    router.push(given.length === 1 ? `${base}/work/${given[0]}` : `${base}/work`);
  };
  /** A series for each class; a class whose series could not be set up says why, and the others stand. */
  const giveSeries = async (series: SeriesChoice, idOf: (key: string) => string) => {
    for (const { classId, studentIds, of } of receivers.filter((one) => one.studentIds.length > 0)) {
      const whole = studentIds.length === of;
      const one = { id: idOf(classId), classId, studentIds: whole ? null : studentIds };
      const result = await makeSeriesAction(seriesMessageOf(composition, series, one));
      if (!result.ok) {
        setBusy(false);
        setProblem(result.message);
        return;
      }
      const { changeId } = result.data;
      sayDone(`Set up “${composition.title}”.`, changeId ? () => undoAction(changeId) : undefined);
    }
    router.push(`${base}/work`);
  };
  return (
    <form onSubmit={give} className="px-5 py-4">
      <PageHead title="Assign work" sub={subOf(composition, isPicked)}>
        <TryIt
          problem={setProblem}
          isReady={missing === null || missing === NOBODY}
          begin={() => {
            const { title, instructions, parts } = messageOf(view, composition, { workId });
            const classId = receivers[0]?.classId ?? view.classes[0]?.id ?? "";
            return beginTrialAction({ classId, title, instructions, parts });
          }}
        />
        <Button look="main" type="submit" disabled={busy || missing !== null} title={missing ?? undefined}>
          {verbOf(composition, isPicked)} {toWords(receivers, students)}
        </Button>
      </PageHead>
      <Problem text={problem} />
      {isPicked ? null : (
        <fieldset className="border-hair mb-4 flex flex-wrap gap-x-5 gap-y-1 border-b pb-3 text-[15px]">
          <legend className="sr-only">What it is</legend>
          {MADE.map((made) => (
            <label key={made} className="flex items-baseline gap-2">
              <input
                type="radio"
                name="made"
                className="accent-ink"
                checked={composition.made === made}
                onChange={() => change((before) => withMade(before, made))}
              />
              <span className={composition.made === made ? "font-semibold" : ""} title={MADE_WORDS[made].note}>
                {MADE_WORDS[made].name}
              </span>
            </label>
          ))}
          <FillIn presets={view.presets} composition={composition} change={change} />
          <p className="text-mute w-full text-[14px]">{MADE_WORDS[composition.made].note}</p>
        </fieldset>
      )}
      <div className="grid gap-x-10 gap-y-6 lg:grid-cols-[1fr_16rem_20rem]">
        <div>
          {isPicked ? (
            <PickedItems view={view} base={base} />
          ) : goesByStrand(composition.made) ? (
            <Strands view={view} composition={composition} change={change} />
          ) : isTest(composition.made) ? (
            <ProposedTest view={view} composition={composition} change={change} receivers={receivers} Face={Face} />
          ) : (
            <PracticeSkills view={view} first={start.skillIds} composition={composition} change={change} />
          )}
          {isPicked || seriesOf(composition) !== null ? null : (
            <MoreParts view={view} composition={composition} change={change} />
          )}
        </div>
        <Whom view={view} composition={composition} change={change} fromPullList={fromPullList} />
        <WhenAndHow
          today={view.today}
          holidays={view.holidays}
          composition={composition}
          change={change}
          isPicked={isPicked}
        />
      </div>
    </form>
  );
}

function verbOf(composition: Composition, isPicked: boolean): string {
  if (!isPicked && seriesOf(composition) !== null) return "Set up for";
  return composition.rules.isPrepared ? "Prepare for" : "Assign to";
}

/** Another kind of work: a pair needs two forms and a cut. */
function withMade(before: Composition, made: Composition["made"]): Composition {
  const rules =
    made === "pair" && before.rules.cutPercent === null ? { ...before.rules, cutPercent: PAIR_CUT } : before.rules;
  return { ...before, made, rules, filledAs: null };
}

const NOBODY = "Nobody is ticked.";

function missingOf(composition: Composition, students: number): string | null {
  const { made, skillIds, scope, test, dueDay } = composition;
  if (students === 0) return NOBODY;
  const series = seriesOf(composition);
  if (series !== null && composition.to.some((id) => id.startsWith("group:")))
    return "A series goes to a class or to some of it.";
  if (series !== null && series.planWeeks !== null) return null;
  if (isTest(made)) {
    if ((test.forms[0]?.length ?? 0) === 0) return "The test has no item yet.";
    if (made === "pair" && (test.forms[1]?.length ?? 0) === 0) return "The second test has no item yet.";
  } else if (goesByStrand(made)) {
    if (scope.strandIds.length === 0) return "No strand is chosen.";
  } else if (skillIds.length === 0) return "No skill is chosen.";
  const short = composition.extras.find(({ kind, skillIds: ids }) => ids.length < EXTRAS[kind].leastSkills);
  if (short)
    return `Choose ${EXTRAS[short.kind].leastSkills === 2 ? "at least two skills" : "a skill"} for ${EXTRAS[short.kind].words}.`;
  if (made === "contrast" && skillIds.length < 2) return "Choose the skills that get mixed up: at least two.";
  return made !== "practice" && dueDay === "" ? "Choose a due day." : null;
}

function subOf({ made }: Composition, isPicked: boolean): string {
  if (isPicked) return "The items of your bundle, the same for everybody.";
  if (made === "lesson") return "Students read it, move its model, and say that they have read it.";
  if (made === "depth") return "The same strands for all, each student at the place where they are.";
  if (made === "diagnostic") return "Each item hangs on the answers before; nobody sees right or wrong.";
  return isTest(made)
    ? "A form proposed from the standards you choose; every item can be swapped."
    : "To a class or to some of it; each student gets items of their own.";
}

function toWords(receivers: readonly { name: string; of: number; studentIds: readonly string[] }[], students: number) {
  const [first] = receivers;
  if (receivers.length !== 1 || !first) return `${students} students`;
  return first.studentIds.length === first.of ? first.name : `${first.studentIds.length} in ${first.name}`;
}
