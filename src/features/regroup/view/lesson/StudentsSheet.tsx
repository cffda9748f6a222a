import { type ReteachSlot, reteachParts } from "@/core/grouping/reteachParts";
import { MathText } from "@/ui/primitives/MathText";
import type { LessonView } from "../../types";

/** What the students have before them: the tasks without their answers, with room to work. Nobody's own answer is on it. */
export function StudentsSheet({ lesson, slot }: { readonly lesson: LessonView; readonly slot: ReteachSlot }) {
  const { plan, own, steps } = lesson;
  const has = new Set(reteachParts(slot, lesson.approach).map(({ part }) => part));
  const tasks = [
    ...(has.has("steps") && steps
      ? [{ title: "Read it together", text: [steps.task, ...steps.steps.slice(0, -1)].join("\n") }]
      : []),
    ...(has.has("together") ? [{ title: "Together", text: own.parts.together ?? plan.together.task }] : []),
    ...(has.has("alone") ? [{ title: "On your own", text: own.parts.alone ?? plan.alone.task }] : []),
    ...(has.has("further")
      ? [
          { title: "A step further, together", text: plan.further.together.task },
          { title: "A step further, on your own", text: plan.further.alone.task },
        ]
      : []),
    ...lesson.items.slice(0, 2).map(({ stem }, place) => ({ title: place === 0 ? "Try these" : "", text: stem })),
    { title: "Before you go", text: own.parts.exit ?? plan.exit.task },
  ];
  return (
    <>
      <p className="border-ink mt-2 border-t-2 pt-3">Name: ______________________________</p>
      {tasks.map(({ title, text }) => (
        <section key={text} className="mt-5 break-inside-avoid">
          {title ? <h2 className="font-serif text-[19px] font-medium print:text-[13pt]">{title}</h2> : null}
          <p className="font-reading text-[18px] whitespace-pre-line print:text-[13pt]">
            <MathText text={text} />
          </p>
          <div className="border-hair mt-2 h-24 border" aria-hidden />
        </section>
      ))}
    </>
  );
}
