"use client";
import { useRouter } from "next/navigation";
import { type FormEvent, useEffect, useState } from "react";
import { useRun } from "@/client/useRun";
import type { RuleEffect } from "@/core/work/effectsOfRules";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { Problem } from "@/ui/primitives/Field";
import { changeRulesAction, tryGivenAction } from "../../actions";
import type { LimitsView, RulesView } from "../../rulesTypes";
import { RULES, type Rules } from "../compose/composition";
import { BOX, LABEL } from "../compose/look";
import { rulesMessage } from "../compose/message";
import { RulesSentence } from "../compose/RulesSentence";
import { WorkText } from "../compose/WorkText";
import { TryIt } from "../TryIt";
import { effectWords } from "./effectWords";

/** How long after the last change what it would mean is asked for. */
const PAUSE_MILLISECONDS = 400;

/** Changes what was given: its words, its rules, what its parts allow; and says beforehand what that means for those who have begun. */
export function ChangeWork({ view, base }: { readonly view: RulesView; readonly base: string }) {
  const router = useRouter();
  const run = useRun(undoAction, true);
  const [text, setText] = useState({ title: view.title, instructions: view.instructions });
  const [rules, setRules] = useState<Rules>(() => rulesAtFirst(view));
  const [parts, setParts] = useState(view.parts);
  const [effects, setEffects] = useState<readonly RuleEffect[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const message = {
    assignmentId: view.workId,
    ...text,
    closesDay: rules.closesDay,
    rules: rulesMessage(rules, view.tests !== "none"),
    parts: parts.map(({ id, items, minutes, tries, calculator }) => ({ id, items, minutes, tries, calculator })),
  };
  const asked = JSON.stringify(message);
  const [first] = useState(asked);
  const isChanged = asked !== first;
  useEffect(() => {
    if (!isChanged) {
      setEffects([]);
      setProblem(null);
      return;
    }
    let isOld = false;
    const timer = setTimeout(async () => {
      const result = await changeRulesAction({ ...JSON.parse(asked), isPreview: true }).catch(() => null);
      if (isOld || result === null) return;
      setProblem(result.ok ? null : result.message);
      setEffects(result.ok ? result.data.effects : []);
    }, PAUSE_MILLISECONDS);
    return () => {
      isOld = true;
      clearTimeout(timer);
    };
  }, [asked, isChanged]);
  const save = (event: FormEvent) => {
    event.preventDefault();
    run(
      () => changeRulesAction(message),
      `Changed “${text.title}”.`,
      () => router.push(`${base}/work/${view.workId}`),
    );
  };
  const setPart = (id: string, values: Partial<LimitsView>) =>
    setParts((before) => before.map((part) => (part.id === id ? { ...part, ...values } : part)));
  return (
    <form onSubmit={save} className="px-5 py-4">
      <PageHead title={`Change “${view.title}”`} sub={subOf(view)}>
        <TryIt isReady begin={() => tryGivenAction(view.workId)} problem={setProblem} />
        <Button look="main" type="submit" disabled={run.busy || !isChanged || problem !== null}>
          Save the changes
        </Button>
        <ButtonLink href={`${base}/work/${view.workId}`}>Leave it as it was</ButtonLink>
      </PageHead>
      <Problem text={run.problem ?? problem} />
      <div className="grid max-w-5xl grid-cols-[minmax(0,1fr)_20rem] gap-x-10 gap-y-5 max-md:grid-cols-1">
        <div className="space-y-5">
          <WorkText
            title={text.title}
            instructions={text.instructions}
            set={(values) => setText((before) => ({ ...before, ...values }))}
          />
          <RulesSentence
            rules={rules}
            set={(values) => setRules((before) => ({ ...before, ...values }))}
            dueDay={view.dueDay}
            tests={view.tests}
            isGiven
          />
          {parts
            .filter(({ isRead }) => !isRead)
            .map((part) => (
              <Limits key={part.id} part={part} set={(values) => setPart(part.id, values)} />
            ))}
        </div>
        <section aria-live="polite" aria-labelledby="means" className="text-[15px]">
          <h2 id="means" className={LABEL}>
            For those who have begun ({view.begun})
          </h2>
          {effects.length > 0 ? (
            <ul className="space-y-1.5">
              {effects.map((effect) => (
                <li key={JSON.stringify(effect)}>{effectWords(effect)}</li>
              ))}
            </ul>
          ) : (
            <p className="text-mute">{isChanged ? "Nothing changes for them." : "Nothing is changed yet."}</p>
          )}
        </section>
      </div>
    </form>
  );
}

const rulesAtFirst = ({ release, ...view }: RulesView): Rules => ({
  ...RULES,
  closesDay: view.closesDay,
  onlyAtSchool: view.onlyAtSchool,
  unlockCode: view.unlockCode,
  goesFirst: view.goesFirst,
  score: release.score ?? "word",
  answers: release.answers ?? "word",
  explanations: release.explanations ?? "word",
  cutPercent: view.cutPercent,
  category: view.category,
  retake: view.retake,
});

const subOf = ({ className, alsoIn }: RulesView): string =>
  alsoIn.length === 0
    ? `${className}. Days and single students are changed on its own page.`
    : `${className}. Title, instructions and parts are shared with ${alsoIn.join(", ")}; the rules are those of ${className} alone.`;

/** What a part allows. */
function Limits({ part, set }: { readonly part: LimitsView; readonly set: (values: Partial<LimitsView>) => void }) {
  const number = (text: string): number | null => (text === "" ? null : Number(text));
  return (
    <fieldset className="text-[15px]">
      <legend className={LABEL}>{part.title || "Limits"}</legend>
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        {part.isTest ? null : (
          <label className="flex items-center gap-2">
            Items, at most
            <input
              type="number"
              className={`${BOX} w-20`}
              min={1}
              max={240}
              required
              value={part.items}
              onChange={(event) => set({ items: Number(event.target.value) })}
            />
          </label>
        )}
        <label className="flex items-center gap-2">
          Minutes, empty for no limit
          <input
            type="number"
            className={`${BOX} w-20`}
            min={1}
            max={300}
            value={part.minutes ?? ""}
            onChange={(event) => set({ minutes: number(event.target.value) })}
          />
        </label>
        {part.hasTries ? (
          <label className="flex items-center gap-2">
            Tries at an item
            <select
              className={BOX}
              value={part.tries ?? ""}
              onChange={(event) => set({ tries: number(event.target.value) })}
            >
              <option value="">as usual</option>
              <option value="1">1</option>
              <option value="2">2</option>
              <option value="3">3</option>
            </select>
          </label>
        ) : null}
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="accent-ink"
            checked={part.calculator}
            onChange={(event) => set({ calculator: event.target.checked })}
          />
          with a calculator
        </label>
      </div>
    </fieldset>
  );
}
