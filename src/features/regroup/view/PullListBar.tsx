"use client";
import { X } from "lucide-react";
import { useRouter } from "next/navigation";
import { useCallback, useState } from "react";
import { useAskedForGroup } from "@/client/pull-list/askForGroup";
import { usePullList } from "@/client/pull-list/pullList";
import { Button } from "@/ui/primitives/Button";
import { GroupDialog } from "./GroupDialog";

/** The students about to be pulled aside; stays at the foot while moving between reports. */
export function PullListBar(props: {
  readonly classKey: string;
  readonly classIds: readonly string[];
  readonly skills: readonly { readonly id: string; readonly name: string }[];
  readonly today: string;
}) {
  const pull = usePullList();
  const router = useRouter();
  const [making, setMaking] = useState<"group" | "reteach" | null>(null);
  useAskedForGroup(useCallback(() => setMaking("group"), []));
  if (pull.entries.length === 0) return null;
  const skillId = pull.entries.findLast((entry) => entry.skillId !== null)?.skillId ?? null;
  return (
    <>
      <div className="h-14" aria-hidden />
      <section
        aria-label="Pull list"
        className="no-print fixed inset-x-0 bottom-0 z-20 flex min-h-13 items-center gap-4 border-t border-[#33444c] bg-[#14232b] px-5 py-2 text-[15px] text-[#fbf8f2]"
      >
        <b className="whitespace-nowrap">Pull list, {pull.entries.length}</b>
        <ul className="flex min-w-0 flex-1 gap-x-3 overflow-x-auto">
          {pull.entries.map((entry) => (
            <li key={entry.id} className="flex items-center gap-1 whitespace-nowrap">
              <span data-name>{entry.name}</span>
              <button
                type="button"
                aria-label={`Take ${entry.name} off the pull list`}
                className="opacity-60 hover:opacity-100"
                onClick={() => pull.remove(entry.id)}
              >
                <X size={14} aria-hidden />
              </button>
            </li>
          ))}
        </ul>
        <div className="flex gap-2">
          <Button look="onDark" onClick={() => setMaking("group")}>
            Make a group
          </Button>
          <Button look="onDark" onClick={() => setMaking("reteach")}>
            Plan a reteach
          </Button>
          <Button
            look="onDark"
            onClick={() =>
              router.push(`/desk/${props.classKey}/work/new?pulled=1${skillId ? `&skill=${skillId}` : ""}`)
            }
          >
            Assign work
          </Button>
          <Button look="onDark" onClick={() => router.push(`/desk/${props.classKey}/regroup/pulled`)}>
            Print
          </Button>
          <Button look="onDark" onClick={pull.clear}>
            Clear
          </Button>
        </div>
      </section>
      {making ? (
        <GroupDialog
          {...props}
          purpose={making}
          skillId={skillId}
          members={pull.entries}
          close={() => setMaking(null)}
          done={pull.clear}
        />
      ) : null}
    </>
  );
}
