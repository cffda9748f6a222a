"use client";
import { useState } from "react";
import { v7 } from "uuid";
import { useRun } from "@/client/useRun";
import { LESSONS_A_DAY } from "@/core/grouping/slotClashes";
import { undoAction } from "@/server/history/undoAction";
import { Dialog } from "@/ui/primitives/Dialog";
import { FIELD, Field } from "@/ui/primitives/Field";
import { FormFoot } from "@/ui/primitives/FormFoot";
import { changeGroupAction, makeGroupAction } from "../actions";
import type { BoardGroup, BoardStudent, BoardView } from "../types";

const DAYS = ["Mon", "Tue", "Wed", "Thu", "Fri"] as const;

/** Makes a group, or changes one: name, purpose, days and lessons. */
export function GroupForm({
  view,
  group,
  members,
  close,
  done,
}: {
  readonly view: BoardView;
  readonly group?: BoardGroup;
  readonly members: readonly BoardStudent[];
  readonly close: () => void;
  readonly done: () => void;
}) {
  const run = useRun(undoAction, true);
  const [id] = useState(() => group?.id ?? v7());
  const [slots, setSlots] = useState<ReadonlySet<string>>(new Set(group?.slots ?? []));
  const flip = (slot: string) => {
    const next = new Set(slots);
    if (next.has(slot)) next.delete(slot);
    else next.add(slot);
    setSlots(next);
  };
  return (
    <Dialog
      open
      onOpenChange={(open) => (open ? null : close())}
      title={group ? `Change “${group.name}”` : members.length > 0 ? `A group of ${members.length}` : "A new group"}
    >
      <form
        className="space-y-3 text-[15px]"
        onSubmit={(event) => {
          event.preventDefault();
          const values = Object.fromEntries(new FormData(event.currentTarget));
          const input = { ...values, skillId: values.skillId || null, slots: [...slots].sort() };
          if (group) run(() => changeGroupAction({ ...input, groupId: group.id }), `Changed “${values.name}”.`, close);
          else
            run(
              () => makeGroupAction({ ...input, id, studentIds: members.map((student) => student.id) }),
              `Made the group “${values.name}”.`,
              () => {
                close();
                done();
              },
            );
        }}
      >
        {members.length > 0 ? <p className="text-mute">{members.map(({ name }) => name).join(", ")}</p> : null}
        <div className="grid grid-cols-[1fr_7rem] gap-3">
          <Field label="Name" name="name" required maxLength={60} defaultValue={group?.name ?? ""} />
          <Field
            label="Short label"
            name="label"
            maxLength={4}
            defaultValue={group?.label ?? ""}
            help="made from the name"
          />
        </div>
        <Field label="What is it for?" name="purpose" maxLength={120} defaultValue={group?.purpose ?? ""} />
        <div className="grid grid-cols-2 gap-3">
          <Field label="Subject" name="subject" maxLength={60} defaultValue={group?.subject ?? ""} />
          <label className="block">
            <span className="mb-0.5 block">Skill, if one</span>
            <select name="skillId" className={`${FIELD} w-full`} defaultValue={group?.skillId ?? view.skillId ?? ""}>
              <option value="">none</option>
              {view.skills.map((skill) => (
                <option key={skill.id} value={skill.id}>
                  {skill.name}
                </option>
              ))}
            </select>
          </label>
          <Field label="First day" name="fromDay" type="date" required defaultValue={group?.fromDay ?? view.today} />
          <Field label="Last day, if any" name="untilDay" type="date" defaultValue={group?.untilDay ?? ""} />
        </div>
        <fieldset>
          <legend className="mb-1">When does it meet? Clashes with other groups are pointed out.</legend>
          <div
            className="grid w-fit items-center gap-1 text-[14px]"
            style={{ gridTemplateColumns: `3rem repeat(${LESSONS_A_DAY}, 1.9rem)` }}
          >
            <span className="text-mute">lesson</span>
            {Array.from({ length: LESSONS_A_DAY }, (_, n) => n + 1).map((lesson) => (
              <span key={lesson} className="text-mute text-center">
                {lesson}
              </span>
            ))}
            {DAYS.map((name, day) => [
              <span key={name}>{name}</span>,
              ...Array.from({ length: LESSONS_A_DAY }, (_, n) => `${day + 1}-${n + 1}`).map((slot) => (
                <button
                  key={slot}
                  type="button"
                  aria-pressed={slots.has(slot)}
                  aria-label={`${name}, lesson ${slot.slice(2)}`}
                  className={`h-7 border-[1.5px] ${slots.has(slot) ? "bg-ink border-ink" : "border-hair bg-field hover:border-ink"}`}
                  onClick={() => flip(slot)}
                />
              )),
            ])}
          </div>
        </fieldset>
        <FormFoot
          problem={run.problem}
          deed={group ? "Change the group" : "Make the group"}
          disabled={run.busy}
          close={close}
        />
      </form>
    </Dialog>
  );
}
