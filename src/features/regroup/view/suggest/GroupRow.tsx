"use client";
import { Lock, LockOpen } from "lucide-react";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { slotWords } from "@/words/staff/slotWords";
import { becauseOf, type DraftTime, needMet } from "../../draftWorth";
import type { DraftGroup, SuggestionView } from "../../suggestTypes";
import { Place } from "../BoardRows";
import { costWords, type MoveTarget, StudentCard } from "./StudentCard";

/** One suggested group: what it is for and why, who is in it, and when it meets. */
export function GroupRow(props: {
  readonly view: SuggestionView;
  readonly group: DraftGroup;
  readonly title: string;
  readonly time: DraftTime;
  readonly base: string;
  readonly name: string;
  readonly setName: (name: string) => void;
  readonly locked: boolean;
  /** Null where nothing is made anew. */
  readonly lock: (() => void) | null;
  readonly busy: boolean;
  readonly make: () => void;
  /** Makes it and assigns its reteach; null where there is nothing to teach again. */
  readonly assign: (() => void) | null;
  /** What it would cost to let go here whoever is being dragged; null while nobody is. */
  readonly dragCost: number | null;
  readonly targets: (studentId: string) => readonly MoveTarget[];
  readonly move: (studentId: string, toKey: string | null) => void;
}) {
  const { view, group, title, time, base, locked, lock, dragCost } = props;
  const skill = view.skills.find(({ id }) => id === group.skillId);
  const met = needMet(view, group);
  return (
    <article
      aria-label={title}
      className="border-hair mt-3 grid gap-x-6 gap-y-2 border-t pt-3 lg:grid-cols-[18rem_minmax(0,1fr)_14rem]"
    >
      <div>
        <h3 className="font-serif text-[18px] leading-tight font-medium">
          {title}
          {skill?.below ? ` (grade ${skill.grade})` : ""}
        </h3>
        <p className="text-mute mt-1 text-[14px]">{becauseOf(view, group)}</p>
      </div>
      <Place id={group.key} disabled={locked} className="flex min-h-14 flex-wrap content-start gap-2">
        {group.studentIds.map((id) => (
          <StudentCard
            key={id}
            view={view}
            studentId={id}
            skillId={group.skillId}
            explains={group.explainerIds.includes(id)}
            clash={time.clashes.find((one) => one.id === id)?.group ?? null}
            targets={() => props.targets(id)}
            move={(toKey) => props.move(id, toKey)}
          />
        ))}
        {group.studentIds.length === 0 ? (
          <li className="text-mute py-2 text-[14px]">Nobody. Drag somebody here.</li>
        ) : null}
      </Place>
      <div className="border-hair text-[14px] lg:border-l lg:pl-4">
        {view.limits.purpose === "need" ? (
          <p className="font-semibold">
            {time.slot === null ? "No time left in the week" : `${slotWords(time.slot)}, ${time.minutes} min`}
          </p>
        ) : null}
        <label className="mt-1 block">
          <span className="text-mute">Name</span>
          <input
            className="border-hair w-full border-b bg-transparent py-0.5"
            value={props.name}
            maxLength={60}
            onChange={(event) => props.setName(event.target.value)}
          />
        </label>
        {view.limits.purpose === "mixed" ? null : (
          <p className="mt-1.5">
            <span className="bg-gauge block h-1.5" style={{ background: "var(--gauge)" }} aria-hidden>
              <i className="bg-water block h-full" style={{ width: `${met * 100}%` }} />
            </span>
            <span title="How much of their greatest need this group serves">
              need met: {Math.round(met * 100)} of 100
            </span>
          </p>
        )}
        {dragCost === null ? null : (
          <p className={dragCost > 0.5 ? "text-clay font-semibold" : "text-mute"}>here {costWords(dragCost)}</p>
        )}
        <div className="mt-1.5 flex flex-wrap items-center gap-2">
          <Button disabled={props.busy || group.studentIds.length === 0} onClick={props.make}>
            Make this group
          </Button>
          {props.assign ? (
            <Button disabled={props.busy || group.studentIds.length === 0} onClick={props.assign}>
              Make and assign reteach
            </Button>
          ) : null}
          {lock ? (
            <Button look="quiet" className="px-1!" aria-pressed={locked} onClick={lock}>
              {locked ? <Lock size={15} aria-hidden /> : <LockOpen size={15} aria-hidden />}
              {locked ? "Kept as it is" : "Keep as it is"}
            </Button>
          ) : null}
          {skill ? (
            <ButtonLink look="quiet" className="px-0!" href={`${base}/library/${skill.id}`}>
              Its plan
            </ButtonLink>
          ) : null}
        </div>
      </div>
    </article>
  );
}
