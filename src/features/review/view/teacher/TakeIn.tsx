"use client";
import { useState } from "react";
import { Button } from "@/ui/primitives/Button";
import { Dialog } from "@/ui/primitives/Dialog";
import { FindField } from "@/ui/primitives/FindField";
import type { ClassReviewView } from "../../types";

/** Choosing skills that are to come into review, several at once. */
export function TakeIn(props: {
  readonly outside: ClassReviewView["outside"];
  readonly busy: boolean;
  readonly close: () => void;
  readonly take: (skillIds: readonly string[]) => void;
}) {
  const [find, setFind] = useState("");
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const shown = props.outside.filter(({ name, strand }) =>
    `${name} ${strand}`.toLowerCase().includes(find.trim().toLowerCase()),
  );
  const toggle = (id: string) => {
    const next = new Set(chosen);
    if (!next.delete(id)) next.add(id);
    setChosen(next);
  };
  return (
    <Dialog open onOpenChange={(open) => (open ? null : props.close())} title="Take skills in">
      <p className="text-mute text-[15px]">
        They come back from today on, also for those who have not mastered them; whoever never met one gets it as
        something barely known.
      </p>
      <p className="mt-3">
        <FindField
          label="Find a skill"
          placeholder="Find by wording or strand"
          value={find}
          set={(word) => setFind(word ?? "")}
          className="w-full"
        />
      </p>
      <fieldset className="mt-2 max-h-72 overflow-y-auto">
        <legend className="sr-only">Skills that are not in review</legend>
        {shown.map(({ skillId, name, strand }) => (
          <label key={skillId} className="border-hair flex gap-2 border-t py-1 text-[15px]">
            <input
              type="checkbox"
              className="accent-clay"
              checked={chosen.has(skillId)}
              onChange={() => toggle(skillId)}
            />
            <span>
              {name} <span className="text-mute text-[14px]">{strand}</span>
            </span>
          </label>
        ))}
        {shown.length === 0 ? (
          <p className="text-mute py-2 text-[15px]">No skill outside review is worded so.</p>
        ) : null}
      </fieldset>
      <p className="mt-4 flex gap-2">
        <Button look="main" disabled={props.busy || chosen.size === 0} onClick={() => props.take([...chosen])}>
          {chosen.size === 0 ? "Choose skills first" : chosen.size === 1 ? "Take it in" : `Take ${chosen.size} in`}
        </Button>
        <Button onClick={props.close}>Leave it</Button>
      </p>
    </Dialog>
  );
}
