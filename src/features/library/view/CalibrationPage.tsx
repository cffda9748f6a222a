"use client";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { v7 } from "uuid";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import { adoptEstimatesAction, beginCalibrationAction } from "../actions";
import type { CalibrationView, Model } from "../calibrationTypes";
import { CalibratedSkill } from "./CalibratedSkill";

const LOOK_MILLISECONDS = 1_500;
const MODEL_WORDS: Readonly<Record<Model, string>> = {
  rasch: "difficulty (Rasch)",
  "2pl": "difficulty and slope (two parameters)",
  "3pl": "difficulty, slope and guessing (three parameters, with priors)",
};

/** What the answers say of the items of a bank, against what is held of them; estimates are put into force from here. */
export function CalibrationPage({ view, base }: { readonly view: CalibrationView; readonly base: string }) {
  const { latest, bankId } = view;
  const router = useRouter();
  const run = useRun(undoAction);
  const [model, setModel] = useState<Model>(latest?.model ?? "rasch");
  const running = latest?.state === "running";
  useEffect(() => {
    if (!running) return;
    const timer = setInterval(() => router.refresh(), LOOK_MILLISECONDS);
    return () => clearInterval(timer);
  }, [running, router]);
  const judged = latest?.skills.filter(({ refusal }) => refusal === null) ?? [];
  const apart = judged.flatMap(({ items }) => items).filter(({ found, isCurrent }) => found.apart && isCurrent);
  const [chosen, setChosen] = useState<ReadonlySet<string> | null>(null);
  const taken = chosen ?? new Set(apart.map(({ versionId }) => versionId));
  const toggle = (versionId: string) => {
    const next = new Set(taken);
    if (!next.delete(versionId)) next.add(versionId);
    setChosen(next);
  };
  const begin = () =>
    run(
      () => beginCalibrationAction({ id: v7(), bankId, model }),
      null,
      () => setChosen(null),
    );
  const adopt = () =>
    run(
      () => adoptEstimatesAction({ calibrationId: latest?.id ?? "", bankId, versionIds: [...taken] }),
      `Estimates of ${taken.size === 1 ? "1 item" : `${taken.size} items`} are in force from now on.`,
      () => setChosen(new Set()),
    );
  return (
    <div className="px-5 py-4">
      <PageHead
        title={`${view.bankName}: do the items do what is held of them?`}
        sub={`${view.items} items in use that are scored by rule. First tries without help, a run at a time; an item needs ${view.leastAnswers} of them, and a second one beside it in its skill.`}
      >
        <ButtonLink href={bankId === null ? `${base}/library/banks` : `${base}/library/banks/${bankId}`}>
          To the bank
        </ButtonLink>
      </PageHead>
      <form
        className="no-print mb-4 flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          begin();
        }}
      >
        <label className="text-[15px]">
          <span className="mb-0.5 block">What is estimated</span>
          <select className={FIELD} value={model} onChange={(event) => setModel(event.target.value as Model)}>
            {Object.entries(MODEL_WORDS).map(([value, words]) => (
              <option key={value} value={value}>
                {words}
              </option>
            ))}
          </select>
        </label>
        <Button type="submit" look={latest ? "plain" : "main"} disabled={run.busy || running}>
          {latest ? "Read the answers anew" : "Read the answers"}
        </Button>
        <Standing view={view} />
      </form>
      {latest?.state === "done" && judged.length === 0 ? (
        <p className="py-4">
          No skill has two items with {view.leastAnswers} first answers yet. Until then the rules in the items hold.
        </p>
      ) : null}
      {judged.length > 0 ? (
        <>
          <p className="max-w-4xl text-[15px]">
            {apart.length === 0
              ? "Every item that can be judged lies where it is held to lie, within what luck does."
              : `${apart.length === 1 ? "One item lies" : `${apart.length} items lie`} apart from where ${apart.length === 1 ? "it is" : "they are"} held to lie, beyond luck and by enough to matter.`}{" "}
            An estimate in force is used for what is chosen and scored from then on; marks and levels so far stay. ○ is
            where an item is held to lie, ● where the answers put it, the bar how far luck reaches (19 times of 20).
          </p>
          <p className="no-print my-3">
            <Button look="main" disabled={run.busy || taken.size === 0} onClick={adopt}>
              Put {taken.size === 1 ? "1 estimate" : `${taken.size} estimates`} into force
            </Button>
          </p>
          {judged.map((skill) => (
            <CalibratedSkill key={skill.skillId} skill={skill} base={base} taken={taken} toggle={toggle} />
          ))}
        </>
      ) : null}
      {latest?.state === "done" ? <Unjudged view={view} /> : null}
    </div>
  );
}

function Standing({ view: { latest } }: { readonly view: CalibrationView }) {
  if (!latest) return <p className="text-mute text-[15px]">The answers have not been read for this bank yet.</p>;
  const words = {
    running: `Reading: ${latest.doneSkills} of ${latest.ofSkills} skills. You may leave this page.`,
    stopped: "It was stopped on its way, perhaps because Oxbow was started anew. Read the answers anew.",
    failed: "It did not come through. Nothing was changed; read the answers anew, or tell whoever runs Oxbow.",
    done: `Read ${latest.when} by ${latest.by}.`,
  };
  return (
    <p role="status" className={`text-[15px] ${latest.state === "done" ? "text-mute" : ""}`}>
      {latest.state === "running" ? (
        <progress
          className="mr-2 align-middle"
          value={latest.doneSkills}
          max={latest.ofSkills}
          aria-label="Read so far"
        />
      ) : null}
      {words[latest.state]}
    </p>
  );
}

const REASONS = {
  "no-answers": "nobody has answered",
  "too-few-answers": "too few answers",
  "too-few-items": "one item alone has answers enough",
  "all-right-or-all-wrong": "all right, or all wrong",
  singular: "the answers leave it open",
  "not-converged": "no estimate settled",
} as const;

/** The skills that say nothing yet, with why and how far each is. */
function Unjudged({ view }: { readonly view: CalibrationView }) {
  const rest = view.latest?.skills.filter(({ refusal }) => refusal !== null) ?? [];
  if (rest.length === 0) return null;
  return (
    <details className="mt-6">
      <summary className="cursor-pointer text-[15px]">
        {rest.length === 1 ? "1 skill can't be judged yet" : `${rest.length} skills can't be judged yet`}
      </summary>
      <ul className="max-w-3xl text-[15px]">
        {rest.map(({ skillId, name, refusal, items }) => (
          <li key={skillId} className="border-hair flex justify-between gap-6 border-t py-1">
            <span>{name}</span>
            <span className="text-mute">
              {refusal ? REASONS[refusal.noEstimate] : ""}; the most answered of {items.length}{" "}
              {items.length === 1 ? "item" : "items"} has {Math.max(0, ...items.map(({ found }) => found.answers))}
            </span>
          </li>
        ))}
      </ul>
    </details>
  );
}
