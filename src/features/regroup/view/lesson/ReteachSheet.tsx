"use client";
import { useRouter } from "next/navigation";
import { type ReactNode, useState } from "react";
import { RETEACH_SLOTS, type ReteachSlot, reteachParts } from "@/core/grouping/reteachParts";
import { APPROACHES } from "@/core/model/reteach";
import { PrintButton } from "@/ui/layout/PrintButton";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { MathText } from "@/ui/primitives/MathText";
import { APPROACH_WORDS } from "@/words/staff/groupWords";
import type { GroupView, LessonView } from "../../types";
import { OwnChanges } from "./OwnChanges";
import { LessonPart, PART_TITLES, PartBody } from "./parts";
import { StudentsSheet } from "./StudentsSheet";

/** The reteach plan of a group for the table, by an approach and fitted to a slot: one page, also in print; or the students' page. */
export function ReteachSheet(props: {
  readonly group: GroupView;
  readonly lesson: LessonView;
  readonly base: string;
  readonly slot: ReteachSlot;
  readonly forStudents: boolean;
}) {
  const { group, lesson, base, slot, forStudents } = props;
  const router = useRouter();
  const [changing, setChanging] = useState(false);
  const to = (change: Readonly<Record<string, string | number>>) =>
    `${base}/regroup/${group.id}/plan?${new URLSearchParams(
      Object.entries({
        how: lesson.approach,
        minutes: slot,
        ...(forStudents ? { who: "students" } : {}),
        ...change,
      }).map(([name, value]) => [name, String(value)]),
    )}`;
  const offered = APPROACHES.filter((one) => group.next.approaches.some(({ approach }) => approach === one));
  const changed = Object.keys(lesson.own.parts).length > 0;
  return (
    <article className="mx-auto max-w-3xl px-5 py-5 text-[16px] leading-snug print:p-0 print:text-[11pt]">
      <div className="no-print mb-4 space-y-2">
        <div className="flex flex-wrap gap-2">
          <PrintButton>{forStudents ? "Print for the students" : "Print the plan"}</PrintButton>
          <ButtonLink href={to({ who: forStudents ? "teacher" : "students" })}>
            {forStudents ? "The teacher's plan" : "The students' page"}
          </ButtonLink>
          {lesson.items.length > 0 ? (
            <ButtonLink href={`${base}/library/worksheet?items=${lesson.items.map(({ itemId }) => itemId).join(",")}`}>
              Print these items
            </ButtonLink>
          ) : null}
          <ButtonLink href={`${base}/regroup/${group.id}`}>Back to the group</ButtonLink>
        </div>
        <p className="text-[17px]">
          Taught{" "}
          <Words label="How it is taught" value={lesson.approach} set={(how) => router.push(to({ how }))}>
            {offered.map((approach) => (
              <option key={approach} value={approach}>
                {lowerFirst(APPROACH_WORDS[approach])}
                {approach === "underneath" && group.next.lowerName ? `: ${group.next.lowerName}` : ""}
              </option>
            ))}
          </Words>{" "}
          in{" "}
          <Words label="Length of the slot" value={String(slot)} set={(minutes) => router.push(to({ minutes }))}>
            {RETEACH_SLOTS.map((minutes) => (
              <option key={minutes} value={minutes}>
                {minutes} minutes
              </option>
            ))}
          </Words>
          .
        </p>
      </div>
      <h1 className="font-serif text-[26px] leading-tight font-medium print:text-[18pt]">{group.skillName}</h1>
      {forStudents ? (
        <StudentsSheet lesson={lesson} slot={slot} />
      ) : (
        <>
          <p className="text-mute">
            {group.name}: <span data-name>{group.members.map(({ name }) => name).join(", ")}</span>.{" "}
            {APPROACH_WORDS[lesson.approach]}
            {lesson.lower ? `: ${lesson.lower.name} (grade ${lesson.lower.grade})` : ""}.
          </p>
          <p className="border-ink mt-2 border-t-2 pt-2">{group.because}</p>
          {changing ? (
            <OwnChanges skillId={group.skillId} lesson={lesson} done={() => setChanging(false)} />
          ) : (
            <p className="no-print mt-2 flex flex-wrap items-baseline gap-3 text-[15px]">
              <Button onClick={() => setChanging(true)}>Change it for next time</Button>
              {changed ? (
                <span className="text-mute">
                  What you changed stands in the plan{lesson.own.shared ? ", and your colleagues read it" : ""}.
                </span>
              ) : null}
            </p>
          )}
          {lesson.own.parts.note ? (
            <p className="border-water mt-2 border-l-4 pl-3 text-[15px] whitespace-pre-line">{lesson.own.parts.note}</p>
          ) : null}
          {reteachParts(slot, lesson.approach).map(({ part, minutes }) => (
            <LessonPart
              key={part}
              title={part === "look" && lesson.wrongAnswers.length > 0 ? "Their own answers" : PART_TITLES[part]}
              minutes={minutes}
            >
              <PartBody part={part} lesson={lesson} />
            </LessonPart>
          ))}
          <Items lesson={lesson} />
          <WhatHappened group={group} />
        </>
      )}
    </article>
  );
}

const lowerFirst = (text: string) => text.slice(0, 1).toLowerCase() + text.slice(1);

function Words(props: {
  readonly label: string;
  readonly value: string;
  readonly set: (value: string) => void;
  readonly children: ReactNode;
}) {
  return (
    <select
      aria-label={props.label}
      className="word-edit max-w-full bg-transparent"
      value={props.value}
      onChange={(event) => props.set(event.target.value)}
    >
      {props.children}
    </select>
  );
}

function Items({ lesson: { items } }: { readonly lesson: LessonView }) {
  if (items.length === 0) return null;
  return (
    <LessonPart title="Items on the same mistakes" minutes={null}>
      <ul className="space-y-1">
        {items.map(({ itemId, stem, answer, mistakes }) => (
          <li key={itemId}>
            <MathText text={stem} />{" "}
            <span className="text-mute">
              (<MathText text={answer} />; tells: {mistakes.join(", ").toLowerCase()})
            </span>
          </li>
        ))}
      </ul>
    </LessonPart>
  );
}

/** Lines to write on, on paper. */
function WhatHappened({ group }: { readonly group: GroupView }) {
  return (
    <LessonPart title="What happened" minutes={null}>
      <table className="w-full">
        <tbody>
          {group.members
            .filter(({ left }) => !left)
            .map(({ id, name }) => (
              <tr key={id} className="border-hair border-b">
                <td className="w-40 py-1.5" data-name>
                  {name}
                </td>
                <td className="text-mute w-28">was there: ☐</td>
                <td className="text-mute w-40">exit answer:</td>
                <td className="text-mute">note:</td>
              </tr>
            ))}
        </tbody>
      </table>
    </LessonPart>
  );
}
