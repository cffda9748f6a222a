import type { ReactNode } from "react";
import { MovingModel } from "@/client/models/MovingModel";
import type { ReteachPart } from "@/core/grouping/reteachParts";
import { MathText } from "@/ui/primitives/MathText";
import type { LessonView } from "../../types";

export const PART_TITLES: Readonly<Record<ReteachPart, string>> = {
  look: "Wrong answers to look at",
  show: "Show",
  model: "A model to move",
  steps: "A worked example, step by step",
  together: "One together",
  alone: "One alone",
  further: "A step further",
  exit: "Exit item",
};

/** One part of a lesson; what a teacher changed stands in the place of what ships. */
export function PartBody({ part, lesson }: { readonly part: ReteachPart; readonly lesson: LessonView }) {
  const { plan, own } = lesson;
  switch (part) {
    case "look":
      return lesson.wrongAnswers.length > 0 ? <OwnAnswers lesson={lesson} /> : <UsualAnswers lesson={lesson} />;
    case "show":
      return (
        <>
          <p className="text-mute">You need: {plan.materials}</p>
          <Own text={own.parts.show}>
            <p className="mt-1">{plan.show}</p>
          </Own>
          <Asked lesson={lesson} questions={plan.ask} />
        </>
      );
    case "model":
      return (
        <>
          {lesson.model ? (
            <div className="no-print my-2 max-w-xl">
              <MovingModel kind={lesson.model.kind} setting={lesson.model.setting} />
            </div>
          ) : null}
          <Own text={own.parts.show}>
            <p className="mt-1">
              Move it together, on the wall or on one tablet. Everybody says first what will happen.
            </p>
          </Own>
          <Asked lesson={lesson} questions={lesson.talk} />
        </>
      );
    case "steps":
      return (
        <>
          <Own text={own.parts.show}>
            <p>
              <MathText text={lesson.steps?.task ?? ""} />
            </p>
            <ol className="mt-1 list-decimal pl-5">
              {lesson.steps?.steps.map((step) => (
                <li key={step}>
                  <MathText text={step} />
                </li>
              ))}
            </ol>
            <p className="text-mute mt-1">
              Show it whole, and let them say why of each step. Then cover the last step, then the last two: they do
              what is covered.
            </p>
          </Own>
          <Asked lesson={lesson} questions={lesson.talk} />
        </>
      );
    case "together":
      return (
        <Own text={own.parts.together}>
          <Task {...plan.together} />
        </Own>
      );
    case "alone":
      return (
        <Own text={own.parts.alone}>
          <Task {...plan.alone} />
        </Own>
      );
    case "further":
      return (
        <>
          <Task {...plan.further.together} />
          <Task {...plan.further.alone} />
        </>
      );
    case "exit":
      return (
        <Own text={own.parts.exit}>
          <ExitItem exit={plan.exit} />
        </Own>
      );
  }
}

/** What a teacher wrote instead, or what ships. */
const Own = ({ text, children }: { readonly text: string | undefined; readonly children: ReactNode }) =>
  text ? <p className="whitespace-pre-line">{text}</p> : children;

function Asked({ lesson, questions }: { readonly lesson: LessonView; readonly questions: readonly string[] }) {
  const own = lesson.own.parts.ask?.split("\n").filter(Boolean);
  return (
    <ul className="mt-1.5 list-disc pl-5">
      {(own ?? questions).map((question) => (
        <li key={question}>
          <MathText text={question} />
        </li>
      ))}
    </ul>
  );
}

const OwnAnswers = ({ lesson }: { readonly lesson: LessonView }) => (
  <ul className="space-y-1.5">
    {lesson.wrongAnswers.map((answer) => (
      <li key={answer.name}>
        <b data-name>{answer.name}</b> gave{" "}
        <b>
          <MathText text={answer.given} />
        </b>{" "}
        (right: <MathText text={answer.answer} />)
        {answer.misconception ? `, ${answer.misconception.toLowerCase()}` : ""}: <MathText text={answer.stem} />
      </li>
    ))}
  </ul>
);

/** Where nobody of the group has answered wrongly yet: what is often answered. */
const UsualAnswers = ({ lesson: { plan, lookedAt } }: { readonly lesson: LessonView }) => (
  <ul className="space-y-1">
    {plan.look.map(({ misconceptionId, work }, place) => (
      <li key={misconceptionId}>
        <MathText text={work} /> <span className="text-mute">{lookedAt[place]?.toLowerCase()}</span>
      </li>
    ))}
  </ul>
);

const ExitItem = ({ exit }: { readonly exit: LessonView["plan"]["exit"] }) => (
  <>
    <p>
      <MathText text={exit.task} />
    </p>
    <table className="mt-1.5 w-full">
      <tbody>
        {exit.answers.map(({ answer, means, next }) => (
          <tr key={answer} className="border-hair border-t align-top">
            <th scope="row" className="w-24 py-1 text-left">
              <MathText text={answer} />
            </th>
            <td className="w-2/5 py-1 pr-4">{means}</td>
            <td className="py-1">{next}</td>
          </tr>
        ))}
      </tbody>
    </table>
  </>
);

export function LessonPart({
  title,
  minutes,
  children,
}: {
  readonly title: string;
  readonly minutes: number | null;
  readonly children: ReactNode;
}) {
  return (
    <section className="mt-4 break-inside-avoid">
      <h2 className="flex items-baseline gap-3 font-serif text-[19px] font-medium print:text-[13pt]">
        {title}
        {minutes === null ? null : (
          <span className="text-mute font-sans text-[14px] font-normal">about {minutes} min</span>
        )}
      </h2>
      {children}
    </section>
  );
}

function Task({ task, answer }: { readonly task: string; readonly answer: string }) {
  return (
    <p>
      <MathText text={task} />{" "}
      <span className="text-mute">
        (<MathText text={answer} />)
      </span>
    </p>
  );
}
