import type { ReactNode } from "react";
import type { ReteachPlan } from "@/core/model/content";
import { MathText } from "@/ui/primitives/MathText";

/** All that a reteach of a skill may hold, to prepare it. */
export function ReteachPlanView({
  plan,
  mistakes,
}: {
  readonly plan: ReteachPlan;
  /** Names of the misconceptions behind the wrong answers to look at, in their order. */
  readonly mistakes: readonly string[];
}) {
  return (
    <>
      <p className="text-mute">You need: {plan.materials}</p>
      <Step title="Wrong answers to look at">
        <ul className="mt-0.5 space-y-0.5">
          {plan.look.map(({ misconceptionId, work }, place) => (
            <li key={misconceptionId}>
              <MathText text={work} /> <span className="text-mute">{mistakes[place]?.toLowerCase()}</span>
            </li>
          ))}
        </ul>
      </Step>
      <Step title="Show">
        <p>{plan.show}</p>
        <ul className="mt-1 list-disc space-y-0.5 pl-5">
          {plan.ask.map((question) => (
            <li key={question}>
              <MathText text={question} />
            </li>
          ))}
        </ul>
      </Step>
      <Step title="Together">
        <Task {...plan.together} />
      </Step>
      <Step title="Alone">
        <Task {...plan.alone} />
      </Step>
      <Step title="A step further">
        <Task {...plan.further.together} />
        <Task {...plan.further.alone} />
      </Step>
      <Step title="Exit item">
        <MathText text={plan.exit.task} />
        <ul className="mt-1">
          {plan.exit.answers.map(({ answer, means, next }) => (
            <li key={answer} className="border-hair border-t py-1">
              <b>
                <MathText text={answer} />
              </b>
              : {means} <span className="text-mute">{next}</span>
            </li>
          ))}
        </ul>
      </Step>
    </>
  );
}

const Step = ({ title, children }: { readonly title: string; readonly children: ReactNode }) => (
  <div className="mt-2.5">
    <h3 className="font-semibold">{title}</h3>
    {children}
  </div>
);

const Task = ({ task, answer }: { readonly task: string; readonly answer: string }) => (
  <p>
    <MathText text={task} />{" "}
    <span className="text-mute">
      <MathText text={answer} />
    </span>
  </p>
);
