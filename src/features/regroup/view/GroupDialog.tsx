"use client";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import { v7 } from "uuid";
import { sayDone } from "@/client/notices";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";
import { Dialog } from "@/ui/primitives/Dialog";
import { makeGroupsAction } from "../actions";
import { useReteachNow } from "./useReteachNow";

/** Names a group for the students at hand and makes it. */
export function GroupDialog(props: {
  readonly classKey: string;
  readonly classIds: readonly string[];
  readonly skills: readonly { readonly id: string; readonly name: string }[];
  readonly today: string;
  readonly purpose: "group" | "reteach";
  readonly skillId: string | null;
  readonly members: readonly { readonly id: string; readonly name: string }[];
  readonly close: () => void;
  readonly done: () => void;
}) {
  const router = useRouter();
  const [groupId] = useState(() => v7());
  const [skillId, setSkillId] = useState(props.skillId ?? props.skills[0]?.id ?? "");
  const nameOf = (id: string) => `${props.skills.find((skill) => skill.id === id)?.name ?? ""}, ${props.today}`;
  const [name, setName] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const now = useReteachNow(`/desk/${props.classKey}`, props.classIds);
  const group = {
    id: groupId,
    name: name ?? nameOf(skillId),
    skillId,
    studentIds: props.members.map(({ id }) => id),
  };
  const make = () =>
    start(async () => {
      const result = await makeGroupsAction({ classIds: props.classIds, groups: [group] });
      if (!result.ok) {
        setProblem(result.message);
        return;
      }
      const { changeId } = result.data;
      sayDone(`Made the group “${group.name}”.`, changeId ? () => undoAction(changeId) : undefined);
      props.close();
      props.done();
      router.push(`/desk/${props.classKey}/regroup/${groupId}`);
    });
  return (
    <Dialog
      open
      onOpenChange={(open) => (open ? null : props.close())}
      title={props.purpose === "group" ? "Make a group" : "Plan a reteach"}
    >
      <p className="mb-4 text-[15px]">{props.members.map((member) => member.name).join(", ")}</p>
      <form action={make} className="space-y-4">
        <label className="block">
          <span className="mb-1 block text-[15px]">For which skill?</span>
          <select
            className="bg-field border-ink w-full border-[1.5px] px-2 py-1.5"
            value={skillId}
            onChange={(event) => setSkillId(event.target.value)}
          >
            {props.skills.map((skill) => (
              <option key={skill.id} value={skill.id}>
                {skill.name}
              </option>
            ))}
          </select>
        </label>
        <label className="block">
          <span className="mb-1 block text-[15px]">Name of the group</span>
          <input
            className="bg-field border-ink w-full border-[1.5px] px-2 py-1.5"
            value={name ?? nameOf(skillId)}
            maxLength={60}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        {problem ? (
          <p role="alert" className="border-clay border-l-4 pl-3">
            {problem}
          </p>
        ) : null}
        <div className="flex flex-wrap gap-2">
          <Button look="main" type="submit" disabled={busy || now.busy}>
            {props.purpose === "group" ? `Make a group of ${props.members.length}` : "Make the group and open its plan"}
          </Button>
          <Button
            disabled={busy || now.busy}
            onClick={() =>
              now.assign(group, () => {
                props.close();
                props.done();
              })
            }
          >
            Make it and assign its reteach
          </Button>
          <Button onClick={props.close}>Cancel</Button>
        </div>
      </form>
    </Dialog>
  );
}
