import Link from "next/link";
import { type FormEvent, useState } from "react";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { Field } from "@/ui/primitives/Field";
import type { PlanSlotView } from "../types";
import type { ChangeSlot } from "./changeSlot";
import { spanWords } from "./spanWords";

/** What belongs to a slot: its unit, how each skill is taught, sheets to hand out, and the way to give work. */
export function SlotSide({
  slot,
  base,
  isDated,
  change,
}: {
  readonly slot: PlanSlotView;
  readonly base: string;
  /** Of a class, with dates and students. */
  readonly isDated: boolean;
  /** Null for those who look on. */
  readonly change: ChangeSlot | null;
}) {
  return (
    <aside aria-label="What belongs to it" className="no-print text-[15px] max-lg:mt-6">
      <h2 className="font-serif text-[18px] leading-tight font-medium">{slot.title}</h2>
      <p className="text-mute mt-0.5 mb-3">
        {slot.days && !slot.skipped ? `${spanWords(slot.days)}, ` : ""}
        {slot.lessons} {slot.lessons === 1 ? "lesson" : "lessons"}
      </p>
      {slot.unitId ? (
        <ul className="mb-4">
          <Line href={`${base}/library/units/${slot.unitId}`}>Overview, and the tests to give</Line>
          <Line href={`${base}/library/units/${slot.unitId}/study`}>An hour to study it</Line>
        </ul>
      ) : null}
      {slot.skills.map((skill) => (
        <section key={skill.id} className="border-hair mb-3 border-t pt-2">
          <h3 className="font-semibold">{skill.name}</h3>
          <p className="text-mute text-[14px]">{skill.days}</p>
          <ul>
            <Line href={`${base}/library/${skill.id}`}>Teaching it, lesson, model, own notes</Line>
            <Line href={`${base}/library/${skill.id}/notes`}>A sheet to print</Line>
            {isDated ? <Line href={`${base}/evidence?skill=${skill.id}`}>Who has it</Line> : null}
          </ul>
          {isDated ? (
            <p className="mt-1.5">
              <ButtonLink href={`${base}/work/new?skill=${skill.id}`}>Assign practice</ButtonLink>
            </p>
          ) : null}
        </section>
      ))}
      {slot.test ? (
        <p className="mb-4">
          {slot.test.items} items on {slot.test.names.join(", ").toLowerCase()}.
          {isDated ? (
            <span className="mt-2 block">
              <ButtonLink look="main" href={testHref(base, slot.title, slot.test)}>
                Give the test
              </ButtonLink>
            </span>
          ) : null}
        </p>
      ) : null}
      {slot.againId && isDated ? (
        <p className="mb-4">
          <ButtonLink look="main" href={`${base}/work/new?again=${slot.againId}`}>
            Give this work
          </ButtonLink>
        </p>
      ) : null}
      {slot.skills.length === 0 && slot.unitId === null && slot.kind !== "work" ? (
        <p className="text-mute">A line of text: it takes its lessons and holds nothing to work on.</p>
      ) : null}
      {isDated && change && !slot.skipped ? (
        <details className="border-hair mt-3 border-t pt-2" open={slot.ownDay !== null}>
          <summary className="cursor-pointer">Days of its own</summary>
          <OwnDays slot={slot} change={change} />
        </details>
      ) : null}
    </aside>
  );
}

/** A slot's own days, set by hand: the one before which it does not begin, and its last one in place of its lessons. */
function OwnDays({ slot, change }: { readonly slot: PlanSlotView; readonly change: ChangeSlot }) {
  const [day, setDay] = useState(slot.ownDay ?? "");
  const [last, setLast] = useState("");
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const fromDay = day === "" ? null : day;
    const values = { ...(day === (slot.ownDay ?? "") ? {} : { fromDay }), ...(last === "" ? {} : { untilDay: last }) };
    const said = last !== "" ? "has other days." : fromDay === null ? "follows what is before." : "waits for its day.";
    change(slot, { what: "change", values }, `“${slot.title}” ${said}`);
  };
  return (
    <form className="mt-2 flex flex-wrap items-end gap-2" onSubmit={submit}>
      <Field
        label="Begins not before"
        type="date"
        className="w-36"
        value={day}
        onChange={({ target }) => setDay(target.value)}
      />
      <Field
        label="Last day"
        type="date"
        className="w-36"
        value={last}
        onChange={({ target }) => setLast(target.value)}
      />
      <Button type="submit" disabled={day === (slot.ownDay ?? "") && last === ""}>
        Set
      </Button>
    </form>
  );
}

function testHref(base: string, title: string, { skillIds, items }: NonNullable<PlanSlotView["test"]>): string {
  const search = new URLSearchParams({
    kind: "test",
    skill: skillIds.join("~"),
    amount: String(items),
    title: title.slice(0, 80),
  });
  return `${base}/work/new?${search}`;
}

const Line = ({ href, children }: { readonly href: string; readonly children: string }) => (
  <li>
    <Link className="decoration-hair hover:decoration-ink underline underline-offset-4" href={href}>
      {children}
    </Link>
  </li>
);
