import type { ReactNode } from "react";
import { RETEACH_SLOTS, type ReteachPart, reteachParts, slotOf } from "@/core/grouping/reteachParts";
import { PrintButton } from "@/ui/layout/PrintButton";
import { ButtonLink } from "@/ui/primitives/Button";
import { MathText } from "@/ui/primitives/MathText";
import type { GroupView } from "../types";

/** The reteach plan of a group for the table, fitted to a slot: one page, also in print. */
export function ReteachSheet({
  group,
  base,
  minutes: wanted,
}: {
  readonly group: GroupView;
  readonly base: string;
  /** Minutes of the slot, as the address names them. */
  readonly minutes: string | undefined;
}) {
  const slot = slotOf(wanted);
  return (
    <article className="mx-auto max-w-3xl px-5 py-5 text-[16px] leading-snug print:p-0 print:text-[11pt]">
      <div className="no-print mb-4 flex gap-2">
        <PrintButton>Print the plan</PrintButton>
        <ButtonLink href={`${base}/regroup/${group.id}`}>Back to the group</ButtonLink>
        <nav aria-label="Length of the slot" className="ml-auto flex items-center gap-2">
          {RETEACH_SLOTS.map((minutes) => (
            <ButtonLink
              key={minutes}
              href={`${base}/regroup/${group.id}/plan?minutes=${minutes}`}
              aria-current={minutes === slot ? "true" : undefined}
              look={minutes === slot ? "main" : "plain"}
            >
              {minutes} minutes
            </ButtonLink>
          ))}
        </nav>
      </div>
      <h1 className="font-serif text-[26px] leading-tight font-medium print:text-[18pt]">{group.skillName}</h1>
      <p className="text-mute">
        {group.name}: <span data-name>{group.members.map(({ name }) => name).join(", ")}</span>
      </p>
      <p className="border-ink mt-2 border-t-2 pt-2">{group.because}</p>
      {reteachParts(slot).map(({ part, minutes }) => (
        <Part
          key={part}
          title={part === "look" && group.wrongAnswers.length > 0 ? "Their own answers" : PART_TITLES[part]}
          minutes={minutes}
        >
          <PartBody part={part} group={group} />
        </Part>
      ))}
      <Part title="What happened" minutes={null}>
        <table className="w-full">
          <tbody>
            {group.members.map(({ id, name }) => (
              <tr key={id} className="border-hair border-b">
                <td className="w-40 py-1.5">{name}</td>
                <td className="text-mute">exit answer:</td>
                <td className="text-mute w-1/2">note:</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Part>
    </article>
  );
}

const PART_TITLES: Readonly<Record<ReteachPart, string>> = {
  look: "Wrong answers to look at",
  show: "Show",
  together: "One together",
  alone: "One alone",
  further: "A step further",
  exit: "Exit item",
};

function PartBody({ part, group }: { readonly part: ReteachPart; readonly group: GroupView }) {
  const { plan } = group;
  switch (part) {
    case "look":
      return group.wrongAnswers.length > 0 ? <OwnAnswers group={group} /> : <UsualAnswers group={group} />;
    case "show":
      return (
        <>
          <p className="text-mute">You need: {plan.materials}</p>
          <p className="mt-1">{plan.show}</p>
          <ul className="mt-1.5 list-disc pl-5">
            {plan.ask.map((question) => (
              <li key={question}>
                <MathText text={question} />
              </li>
            ))}
          </ul>
        </>
      );
    case "together":
      return <Task {...plan.together} />;
    case "alone":
      return <Task {...plan.alone} />;
    case "further":
      return (
        <>
          <Task {...plan.further.together} />
          <Task {...plan.further.alone} />
        </>
      );
    case "exit":
      return <ExitItem exit={plan.exit} />;
  }
}

const OwnAnswers = ({ group }: { readonly group: GroupView }) => (
  <ul className="space-y-1.5">
    {group.wrongAnswers.map((answer) => (
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
const UsualAnswers = ({ group: { plan, lookedAt } }: { readonly group: GroupView }) => (
  <ul className="space-y-1">
    {plan.look.map(({ misconceptionId, work }, place) => (
      <li key={misconceptionId}>
        <MathText text={work} /> <span className="text-mute">{lookedAt[place]?.toLowerCase()}</span>
      </li>
    ))}
  </ul>
);

const ExitItem = ({ exit }: { readonly exit: GroupView["plan"]["exit"] }) => (
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

function Part({
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
