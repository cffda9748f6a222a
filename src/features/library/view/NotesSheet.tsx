import { PrintButton } from "@/ui/layout/PrintButton";
import { ButtonLink } from "@/ui/primitives/Button";
import { MathText } from "@/ui/primitives/MathText";
import { Strips } from "@/ui/primitives/Strips";
import type { SkillPage } from "../types";
import { GapText, leftOut } from "./NotesToComplete";

/** Notes on a skill for students to complete, on one sheet of paper; with the words that are left out on request. */
export function NotesSheet({
  skill,
  base,
  answers,
}: {
  readonly skill: SkillPage;
  readonly base: string;
  readonly answers: boolean;
}) {
  const { lesson } = skill;
  const notes = skill.teaching?.notes ?? [];
  const own = `${base}/library/${skill.id}/notes`;
  return (
    <article className="mx-auto max-w-3xl px-5 py-5 text-[18px] leading-relaxed print:p-0 print:text-[13pt]">
      <div className="no-print mb-4 flex gap-2">
        <PrintButton>Print the sheet</PrintButton>
        <ButtonLink href={answers ? own : `${own}?answers=1`}>
          {answers ? "Without the words" : "With the words"}
        </ButtonLink>
        <ButtonLink href={`${base}/library/${skill.id}`}>Back to the skill</ButtonLink>
      </div>
      <div className="text-mute mb-5 flex gap-10 text-[15px]">
        <span className="border-ink flex-1 border-b">Name</span>
        <span className="border-ink w-44 border-b">Day</span>
      </div>
      <h1 className="font-serif text-[28px] leading-tight font-medium">{skill.studentName}</h1>
      <h2 className="mt-5 font-semibold">
        <MathText text={lesson.example} />
      </h2>
      {lesson.picture ? <Strips rows={lesson.picture} /> : null}
      <ol className="mt-1 list-decimal space-y-1 pl-6">
        {lesson.steps.map((step) => (
          <li key={step}>
            <MathText text={step} />
          </li>
        ))}
      </ol>
      <h2 className="mt-7 font-semibold">Complete the sentences</h2>
      <ol className="mt-2 list-decimal space-y-4 pl-6">
        {notes.map((note) => (
          <li key={note}>
            <GapText text={note} wide />
            {answers ? <span className="text-mute text-[0.8em]"> {leftOut(note).join(", ")}</span> : null}
          </li>
        ))}
      </ol>
      <h2 className="mt-7 font-semibold">An example of my own</h2>
      <Lines count={5} />
    </article>
  );
}

const Lines = ({ count }: { readonly count: number }) => (
  <div aria-hidden>
    {Array.from({ length: count }, (_, n) => n).map((n) => (
      <div key={n} className="border-hair h-10 border-b" />
    ))}
  </div>
);
