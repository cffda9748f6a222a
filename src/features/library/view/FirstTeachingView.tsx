import type { SkillTeaching } from "@/core/model/content";
import { MathText } from "@/ui/primitives/MathText";

/** What helps to teach a skill the first time: a question, a worked problem, a word problem, what to ask, words to use. */
export function FirstTeachingView({ teaching: { first } }: { readonly teaching: SkillTeaching }) {
  return (
    <>
      <p>
        <b>Open with:</b> <MathText text={first.open} />
      </p>
      <p className="mt-2.5">
        <b>Work through:</b> <MathText text={first.worked.task} />
      </p>
      <ol className="list-decimal space-y-0.5 pl-5">
        {first.worked.steps.map((step) => (
          <li key={step}>
            <MathText text={step} />
          </li>
        ))}
      </ol>
      <p className="mt-2.5">
        <b>In a story:</b> <MathText text={first.story.task} />{" "}
        <span className="text-mute">
          <MathText text={first.story.answer} />
        </span>
      </p>
      <p className="mt-2.5 font-semibold">Ask in a small group</p>
      <ul className="list-disc space-y-0.5 pl-5">
        {first.talk.map((question) => (
          <li key={question}>
            <MathText text={question} />
          </li>
        ))}
      </ul>
      <p className="mt-2.5 font-semibold">Words to use</p>
      <dl>
        {first.words.map(({ word, means }) => (
          <div key={word} className="flex gap-1.5">
            <dt className="italic">{word}:</dt>
            <dd>{means}</dd>
          </div>
        ))}
      </dl>
    </>
  );
}
