"use client";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { useForm, useWatch } from "react-hook-form";
import { v7 } from "uuid";
import { forgetBundle } from "@/client/bundle/bundle";
import { sayDone } from "@/client/notices";
import { usePullList } from "@/client/pull-list/pullList";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { Button } from "@/ui/primitives/Button";
import { assignAction } from "../actions";
import type { AssignStart } from "../assignStart";
import type { AssignForm as View } from "../types";
import { AssignDetails } from "./AssignDetails";
import { AssignSkills } from "./AssignSkills";
import { AssignStudents } from "./AssignStudents";
import { type AssignFields, ticksOf, usualStudents } from "./assignFields";
import { PickedItems } from "./PickedItems";

interface Props {
  readonly form: View;
  readonly base: string;
  readonly start: AssignStart;
  readonly fromPullList: boolean;
}

/** Gives work: what, to whom, when, how it ends. */
export function AssignForm(props: Props) {
  const pull = usePullList();
  // The list comes from the browser's storage, a moment later; who is ticked by it stays ticked when it changes.
  const [pulledIds, setPulledIds] = useState<readonly string[]>([]);
  if (props.fromPullList && pulledIds.length === 0 && pull.entries.length > 0)
    setPulledIds(pull.entries.map(({ id }) => id));
  if (props.form.classes.length === 0)
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
  form,
  base,
  start,
  fromPullList,
  pulledIds,
  clearPulled,
}: Props & { readonly pulledIds: ReadonlySet<string> | null; readonly clearPulled: () => void }) {
  const router = useRouter();
  const [assignmentId] = useState(() => v7());
  const [problem, setProblem] = useState<string | null>(null);
  const isPicked = form.picked.length > 0;
  const first =
    form.classes.find(({ students }) => pulledIds !== null && students.some(({ id }) => pulledIds.has(id))) ??
    form.classes[0];
  const { register, handleSubmit, control, setValue, formState } = useForm<AssignFields>({
    defaultValues: {
      classId: first?.id ?? "",
      skillIds: isPicked
        ? [...new Set(form.picked.map((item) => item.skillId))].slice(0, 6)
        : startingSkills(form, start),
      studentIds: usualStudents(first, pulledIds),
      title: start.title,
      instructions: "",
      opensDay: form.today,
      dueDay: form.dueDay,
      kind: isPicked || start.items !== null ? "amount" : "practice",
      items: start.items ?? 16,
      certainty: "usual",
    },
  });
  const watched = useWatch({ control }) as AssignFields;
  const { classId, opensDay, kind, certainty } = watched;
  const [skillIds, studentIds] = [ticksOf(watched.skillIds), ticksOf(watched.studentIds)];
  const chosen = form.classes.find(({ id }) => id === classId) ?? first;
  const usualTitle = form.skills
    .filter(({ id }) => skillIds.includes(id))
    .map(({ name }) => name)
    .join(" and ");
  const isTitleOwn = formState.dirtyFields.title === true || start.title !== "";
  useEffect(() => {
    if (!isTitleOwn) setValue("title", usualTitle);
  }, [isTitleOwn, usualTitle, setValue]);
  const assign = async (fields: AssignFields) => {
    const { title } = fields;
    const result = await assignAction({
      assignmentId,
      ...fields,
      skillIds,
      studentIds,
      ...(isPicked ? { kind: "amount", picked: form.picked.map(({ line: _, ...one }) => one) } : {}),
    });
    if (!result.ok) {
      setProblem(result.message);
      return;
    }
    const { changeId } = result.data;
    const undo = changeId ? () => undoAction(changeId) : undefined;
    sayDone(`Assigned “${title}” to ${studentIds.length} students.`, undo);
    if (fromPullList) clearPulled();
    if (isPicked) forgetBundle();
    router.push(`${base}/work/${assignmentId}`);
  };
  if (!chosen) return null;
  const to = studentIds.length === chosen.students.length ? chosen.name : `${studentIds.length} in ${chosen.name}`;
  const incomplete = studentIds.length === 0 || skillIds.length === 0;
  return (
    <form onSubmit={handleSubmit(assign)} className="px-5 py-4">
      <PageHead
        title="Assign work"
        sub={
          isPicked
            ? "The items of your bundle, the same for everybody."
            : "To a class or to some of it; each student gets items of their own."
        }
      >
        <Button look="main" type="submit" disabled={formState.isSubmitting || incomplete}>
          Assign to {to}
        </Button>
      </PageHead>
      {problem ? (
        <p role="alert" className="border-clay mb-4 border-l-4 pl-3">
          {problem}
        </p>
      ) : null}
      <div className="grid gap-x-10 gap-y-6 lg:grid-cols-[1fr_1fr_20rem]">
        {isPicked ? (
          <PickedItems form={form} base={base} />
        ) : (
          <AssignSkills form={form} first={start.skillIds} chosen={chosen} register={register} />
        )}
        <AssignStudents
          form={form}
          chosen={chosen}
          ticked={studentIds}
          fromPullList={fromPullList}
          register={register}
          choose={(id) =>
            setValue(
              "studentIds",
              usualStudents(
                form.classes.find((one) => one.id === id),
                pulledIds,
              ),
            )
          }
        />
        <AssignDetails
          register={register}
          today={form.today}
          opensDay={opensDay}
          kind={kind}
          certainty={certainty}
          isPicked={isPicked}
        />
      </div>
    </form>
  );
}

/** What is ticked to begin with: what was asked for, else where the plan stands. */
function startingSkills({ skills, suggestedSkillId }: View, { skillIds }: AssignStart): string[] {
  const asked = skillIds.filter((wanted) => skills.some(({ id }) => id === wanted)).slice(0, 6);
  if (asked.length > 0) return asked;
  return suggestedSkillId === null ? [] : [suggestedSkillId];
}
