"use client";
import { useRouter } from "next/navigation";
import { useMemo, useState, useTransition } from "react";
import { v7 } from "uuid";
import { sayDone } from "@/client/notices";
import { usePullList } from "@/client/pull-list/pullList";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { Button } from "@/ui/primitives/Button";
import { assignAction } from "../actions";
import type { AssignForm as View } from "../types";

const box = "bg-field border-ink border-[1.5px] px-2 py-1.5";
const label = "mb-1 block text-[15px] font-semibold";

/** The ways in which work that is given to a class ends. */
const ENDS = {
  practice: {
    choice: "when the skills are mastered",
    before: "or after at most",
    note: "Mastered means a chance of 95 % or more after at least 4 answers on 2 kinds of item; most students need 5 to 9.",
  },
  amount: {
    choice: "after a number of items",
    before: "after",
    note: "Everybody gets items as hard as everybody else's. The first try counts; the mark is the share right.",
  },
} as const;
const ENDS_IN_ORDER = ["practice", "amount"] as const satisfies readonly (keyof typeof ENDS)[];

/** Gives work: what, to whom, when, how it ends. */
export function AssignForm(props: {
  readonly form: View;
  readonly base: string;
  readonly skillId: string | null;
  readonly fromPullList: boolean;
}) {
  const { form, base } = props;
  const router = useRouter();
  const pull = usePullList();
  const pulledIds = useMemo(() => new Set(pull.entries.map(({ id }) => id)), [pull.entries]);
  const pulledClass = props.fromPullList
    ? form.classes.find(({ students }) => students.some(({ id }) => pulledIds.has(id)))
    : undefined;
  const [assignmentId] = useState(() => v7());
  const [classId, setClassId] = useState<string | null>(null);
  const [skillIds, setSkillIds] = useState<readonly string[]>(() =>
    [props.skillId ?? form.suggestedSkillId ?? ""].filter((id) => id !== ""),
  );
  const [unticked, setUnticked] = useState<ReadonlySet<string>>(new Set());
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const [title, setTitle] = useState<string | null>(null);
  const [instructions, setInstructions] = useState("");
  const [opensDay, setOpensDay] = useState(form.today);
  const [dueDay, setDueDay] = useState(form.dueDay);
  const [kind, setKind] = useState<keyof typeof ENDS>("practice");
  const [items, setItems] = useState(12);
  const [find, setFind] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const chosen = form.classes.find(({ id }) => id === classId) ?? pulledClass ?? form.classes[0];
  if (!chosen) return <p className="px-5 py-8">You have no class yet. Import a roster file first.</p>;
  const usual = (id: string) => !props.fromPullList || pulledIds.has(id);
  const isTicked = (id: string) => (usual(id) ? !unticked.has(id) : ticked.has(id));
  const flip = (id: string) => {
    const [now, set] = usual(id) ? [unticked, setUnticked] : [ticked, setTicked];
    const next = new Set(now);
    if (!next.delete(id)) next.add(id);
    set(next);
  };
  const to = chosen.students.filter(({ id }) => isTicked(id));
  const skillNames = form.skills.filter(({ id }) => skillIds.includes(id)).map(({ name }) => name);
  const shownTitle = title ?? skillNames.join(" and ");
  const assign = () =>
    start(async () => {
      const result = await assignAction({
        assignmentId,
        kind,
        classId: chosen.id,
        title: shownTitle,
        instructions,
        skillIds,
        studentIds: to.map(({ id }) => id),
        opensDay,
        dueDay,
        items,
      });
      if (!result.ok) {
        setProblem(result.message);
        return;
      }
      const { changeId } = result.data;
      sayDone(`Assigned “${shownTitle}” to ${to.length} students.`, changeId ? () => undoAction(changeId) : undefined);
      if (props.fromPullList) pull.clear();
      router.push(`${base}/work/${assignmentId}`);
    });
  const shownSkills = form.skills.filter(({ name }) =>
    name.toLocaleLowerCase().includes(find.trim().toLocaleLowerCase()),
  );
  return (
    <form action={assign} className="px-5 py-4">
      <PageHead title="Assign work" sub="To a class or to some of it; each student gets items of their own.">
        <Button look="main" type="submit" disabled={busy || to.length === 0 || skillIds.length === 0}>
          Assign to {to.length === chosen.students.length ? chosen.name : `${to.length} in ${chosen.name}`}
        </Button>
      </PageHead>
      {problem ? (
        <p role="alert" className="border-clay mb-4 border-l-4 pl-3">
          {problem}
        </p>
      ) : null}
      <div className="grid gap-x-10 gap-y-6 lg:grid-cols-[1fr_1fr_20rem]">
        <fieldset>
          <legend className={label}>Skills, one to six</legend>
          <input
            aria-label="Find a skill"
            placeholder="Find a skill"
            className="border-hair mb-1 w-full border-b bg-transparent px-1 py-1 text-[15px]"
            value={find}
            onChange={(event) => setFind(event.target.value)}
          />
          <ul className="text-[15px]">
            {shownSkills.map((skill) => (
              <li key={skill.id} className="border-hair border-b">
                <label className="flex items-center gap-2.5 py-1">
                  <input
                    type="checkbox"
                    className="accent-ink size-4"
                    checked={skillIds.includes(skill.id)}
                    onChange={() =>
                      setSkillIds(
                        skillIds.includes(skill.id)
                          ? skillIds.filter((id) => id !== skill.id)
                          : [...skillIds, skill.id],
                      )
                    }
                  />
                  <span className="flex-1">{skill.name}</span>
                  <span className="text-mute text-[14px]">
                    grade {skill.grade}; {skill.secure[chosen.id] ?? 0} of {chosen.students.length} Secure
                  </span>
                </label>
              </li>
            ))}
          </ul>
        </fieldset>
        <fieldset>
          <legend className={label}>To</legend>
          <div className="mb-2 flex flex-wrap items-center gap-3 text-[15px]">
            <select
              aria-label="Class"
              className={box}
              value={chosen.id}
              onChange={(event) => setClassId(event.target.value)}
            >
              {form.classes.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
            <span>
              {to.length} of {chosen.students.length} students
              {props.fromPullList ? ", from the pull list" : ""}
            </span>
          </div>
          <ul className="grid grid-cols-2 gap-x-4 text-[15px]">
            {chosen.students.map((student) => (
              <li key={student.id}>
                <label className={`flex items-center gap-2 py-0.5 ${isTicked(student.id) ? "" : "text-mute"}`}>
                  <input
                    type="checkbox"
                    className="accent-ink size-4"
                    checked={isTicked(student.id)}
                    onChange={() => flip(student.id)}
                  />
                  <span data-name>{student.name}</span>
                </label>
              </li>
            ))}
          </ul>
        </fieldset>
        <div className="space-y-4">
          <label className="block">
            <span className={label}>Title, as students see it</span>
            <input
              className={`${box} w-full`}
              value={shownTitle}
              maxLength={80}
              onChange={(event) => setTitle(event.target.value)}
            />
          </label>
          <label className="block">
            <span className={label}>Instructions to students</span>
            <textarea
              className={`${box} w-full`}
              rows={3}
              maxLength={500}
              value={instructions}
              onChange={(event) => setInstructions(event.target.value)}
            />
          </label>
          <div className="grid grid-cols-2 gap-3">
            <label className="block">
              <span className={label}>Opens</span>
              <input
                type="date"
                className={`${box} w-full`}
                value={opensDay}
                min={form.today}
                onChange={(event) => setOpensDay(event.target.value)}
                required
              />
            </label>
            <label className="block">
              <span className={label}>Due, 20:00</span>
              <input
                type="date"
                className={`${box} w-full`}
                value={dueDay}
                min={opensDay}
                onChange={(event) => setDueDay(event.target.value)}
                required
              />
            </label>
          </div>
          <fieldset>
            <legend className={label}>How it ends</legend>
            {ENDS_IN_ORDER.map((end) => (
              <label key={end} className="flex items-baseline gap-2 py-0.5 text-[15px]">
                <input
                  type="radio"
                  name="ends"
                  className="accent-ink"
                  checked={kind === end}
                  onChange={() => setKind(end)}
                />
                {ENDS[end].choice}
              </label>
            ))}
            <label className="mt-2 flex items-center gap-2 text-[15px]">
              {ENDS[kind].before}
              <input
                type="number"
                className={`${box} w-20`}
                min={4}
                max={40}
                value={items}
                onChange={(event) => setItems(Number(event.target.value))}
                required
              />{" "}
              items
            </label>
          </fieldset>
          <p className="text-mute text-[14px]">{ENDS[kind].note}</p>
        </div>
      </div>
    </form>
  );
}
