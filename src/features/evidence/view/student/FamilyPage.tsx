"use client";
import { PrintButton } from "@/ui/layout/PrintButton";
import { ButtonLink } from "@/ui/primitives/Button";
import { MathText } from "@/ui/primitives/MathText";
import { familyWords } from "@/words/families/familyMessages";
import type { FamilyView } from "../../reads/student/familyView";

const heading = "mt-6 mb-1.5 font-serif text-[20px] font-medium";

/** One sheet for a family: plain words, no level and no comparison with anybody, two things to do at home. */
export function FamilyPage({ view, back }: { readonly view: FamilyView; readonly back: string }) {
  const { name } = view;
  return (
    <div className="mx-auto max-w-2xl px-6 py-5 text-[17px] leading-relaxed print:max-w-none print:px-0">
      <p className="no-print mb-4 flex flex-wrap gap-2">
        <ButtonLink href={back}>Back to {name}</ButtonLink>
        <PrintButton />
      </p>
      <h1 data-name className="font-serif text-[28px] leading-tight font-medium">
        {familyWords("title", { name: view.fullName, day: view.day })}
      </h1>
      <p className="mt-2" data-name="sentence">
        {familyWords("intro", { name, subject: view.subject })}
      </p>
      {view.can.length === 0 ? (
        <p className="mt-4" data-name="sentence">
          {familyWords("can-none", { name })}
        </p>
      ) : (
        <Some title={familyWords("can", { name })} lines={view.can} />
      )}
      {view.learning.length === 0 ? (
        <p className="mt-4" data-name="sentence">
          {familyWords("learning-none", { name })}
        </p>
      ) : (
        <Some title={familyWords("learning", { name })} lines={view.learning} />
      )}
      {view.underneath ? (
        <p>
          <MathText text={familyWords("underneath", { skill: lower(view.underneath) })} />
        </p>
      ) : null}
      <p className="mt-3" data-name="sentence">
        {view.work.answered === 0
          ? familyWords("work-none", { days: view.work.days })
          : familyWords("work", { name, ...view.work })}
      </p>
      {view.question || view.task ? <h2 className={heading}>{familyWords("home")}</h2> : null}
      <ol className="list-decimal space-y-2 pl-6">
        {view.question ? (
          <li>
            <MathText text={familyWords("talk", { name, question: view.question })} />
          </li>
        ) : null}
        {view.task ? (
          <li>
            <MathText text={familyWords("try", { task: view.task.task })} />
            <p className="text-mute">
              <MathText text={familyWords("answer", { answer: view.task.answer })} />
            </p>
          </li>
        ) : null}
      </ol>
      <p className="mt-6">{familyWords("questions", { teacher: view.teacher })}</p>
    </div>
  );
}

function Some({ title, lines }: { readonly title: string; readonly lines: readonly string[] }) {
  return (
    <>
      <h2 data-name="sentence" className={heading}>
        {title}
      </h2>
      <ul className="list-disc space-y-1 pl-6">
        {lines.map((line) => (
          <li key={line}>
            <MathText text={line} />
          </li>
        ))}
      </ul>
    </>
  );
}

const lower = (text: string): string => `${text.slice(0, 1).toLowerCase()}${text.slice(1)}`.replace(/\.$/, "");
