"use client";
import { X } from "lucide-react";
import Link from "next/link";
import { useParams } from "next/navigation";
import { parseAsString, useQueryState } from "nuqs";
import { Dialog as Radix } from "radix-ui";
import { usePullList } from "@/client/pull-list/pullList";
import { useJson } from "@/client/useJson";
import { WeekBars } from "@/ui/charts/WeekBars";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { Gauge, gaugeWords } from "@/ui/primitives/Gauge";
import { TALK_WORDS } from "@/words/staff/talkWords";
import { whyWords } from "@/words/staff/whyWords";
import type { StudentSheetView } from "../types";

/** The same sheet for a student wherever the name stands; Escape returns exactly where one was. */
export function StudentSheet() {
  const [sheet, setSheet] = useQueryState("sheet", parseAsString.withOptions({ history: "push" }));
  const loaded = useJson<StudentSheetView>(sheet ? `/api/students/${encodeURIComponent(sheet)}` : null);
  return (
    <Radix.Root open={sheet !== null} onOpenChange={(open) => (open ? null : setSheet(null))}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-30 bg-black/20" />
        <Radix.Content
          aria-describedby={undefined}
          className="bg-paper border-ink fixed inset-y-0 right-0 z-40 w-[min(27rem,96vw)] overflow-y-auto border-l-[1.5px] px-6 py-5"
        >
          <div className="flex items-start justify-between gap-3">
            <Radix.Title data-name className="font-serif text-[22px] leading-tight font-medium">
              {loaded.state === "ready" ? loaded.data.name : "Student"}
            </Radix.Title>
            <Radix.Close aria-label="Close the sheet" className="p-1">
              <X size={20} aria-hidden />
            </Radix.Close>
          </div>
          {loaded.state === "loading" ? <p className="text-mute mt-3">Loading…</p> : null}
          {loaded.state === "problem" ? <p className="mt-3">{loaded.message}</p> : null}
          {loaded.state === "ready" ? <Sheet view={loaded.data} /> : null}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}

const heading = "mt-5 mb-1.5 text-[15px] font-bold";

function Sheet({ view }: { readonly view: StudentSheetView }) {
  const { classes } = useParams<{ classes: string }>();
  const pull = usePullList();
  return (
    <div className="text-[15px]">
      <p className="text-mute">
        {view.classNames.join(", ")}, {view.grade === null ? "grade not known" : `grade ${view.grade}`}
        {view.groups.length > 0 ? `; in ${view.groups.join(", ")}` : ""}
        {view.left ? "; left the school" : ""}
      </p>
      <p>
        <span className="text-mute">Supports: {view.supports}.</span>{" "}
        <Link
          className="decoration-hair underline underline-offset-3"
          href={`/desk/${classes}/roster/students/${view.id}`}
        >
          Record
        </Link>
        {", "}
        <Link
          className="decoration-hair underline underline-offset-3"
          href={`/desk/${classes}/evidence/students/${view.id}`}
        >
          the long report
        </Link>
      </p>
      {view.firstGap ? (
        <div className="border-ink mt-4 border-t-2 pt-2">
          <p>
            Worth doing first: <b>{view.firstGap.name}</b>
            {view.firstGap.beingTaught ? ", which is being taught now" : ""}. {becauseOf(view)}.
          </p>
          <div className="mt-2 flex flex-wrap gap-2">
            <Button
              onClick={() => pull.toggle({ id: view.id, name: view.name, skillId: view.firstGap?.skillId ?? null })}
            >
              {pull.has(view.id) ? "Take off the pull list" : "Put on the pull list"}
            </Button>
            <ButtonLink href={`/desk/${classes}/library/${view.firstGap.skillId}`}>Reteach plan</ButtonLink>
            <ButtonLink href={`/desk/${classes}/regroup/worth?students=${view.id}`}>A few minutes</ButtonLink>
          </div>
        </div>
      ) : (
        <p className="border-ink mt-4 border-t-2 pt-2">Secure in everything up to what is being taught now.</p>
      )}
      {view.snags.length > 0 ? <Snags snags={view.snags} /> : null}
      <h3 className={heading}>Levels</h3>
      <ul>
        {view.gauges.map((gauge) => (
          <li key={gauge.skillId} className="flex items-center gap-3 py-[3px]">
            <Gauge {...gauge} className="h-4 w-11 shrink-0" />
            <span className="min-w-0 flex-1">{gauge.name}</span>
            <span className="text-mute text-[13px]">
              {gauge.tooLittle
                ? gauge.answered > 0
                  ? `${gauge.answered} answered`
                  : "not met"
                : `${Math.round(gauge.chance * 100)} %, ${gauge.right} of ${gauge.answered} right`}
            </span>
            <span className="sr-only">{gaugeWords(gauge)}</span>
          </li>
        ))}
      </ul>
      <h3 className={heading}>What went wrong most</h3>
      {view.misconceptions.length === 0 ? <p className="text-mute">No known mistake has shown.</p> : null}
      <ul>
        {view.misconceptions.map(({ name, skillName, times }) => (
          <li key={`${name} ${skillName}`}>
            {name}, {times === 1 ? "once" : `${times} times`} <span className="text-mute">in {skillName}</span>
          </li>
        ))}
      </ul>
      {view.talks.length > 0 ? (
        <p className="mt-2">
          After talks you or colleagues noted:{" "}
          {view.talks.map(({ reason, times }) => `${TALK_WORDS[reason]} (${times})`).join(", ")}.
        </p>
      ) : null}
      <h3 className={heading}>How much was practised each week?</h3>
      <WeekBars weeks={view.weeks} />
      <h3 className={heading}>Recent work</h3>
      <ul>
        {view.works.map(({ title, state, itemsDone, itemsRight }) => (
          <li key={title} className="flex justify-between gap-3 py-[2px]">
            <span>{title}</span>
            <span className="text-mute text-right text-[14px]">
              {itemsDone > 0 ? `${state}, ${itemsRight} of ${itemsDone} right` : state}
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Where more of the same is unlikely to help, the snag says so; elsewhere what a visit is expected to bring. */
function becauseOf({ firstGap, snags }: StudentSheetView): string {
  const snag = snags.find(({ skillId }) => skillId === firstGap?.skillId);
  if (snag) return whyWords("snag", snag.why);
  return firstGap ? whyWords("worthDoing", firstGap.why) : "";
}

function Snags({ snags }: Pick<StudentSheetView, "snags">) {
  return (
    <>
      <h3 className={heading}>Held up in</h3>
      <ul>
        {snags.map(({ skillId, name, why }) => (
          <li key={skillId} className="flex justify-between gap-3 py-[2px]" title={whyWords("snag", why)}>
            <span>{name}</span>
            <span className="text-mute text-right text-[14px]">
              {why.right} of {why.answered} right{why.lifting ? ", improving" : ""}
            </span>
            <span className="sr-only">{whyWords("snag", why)}</span>
          </li>
        ))}
      </ul>
    </>
  );
}
