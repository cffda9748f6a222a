"use client";
import { RETAKE_RULES, type RetakeRule } from "@/core/model/work";
import { Choices } from "@/ui/primitives/Choices";
import { WordEdit } from "@/ui/primitives/WordEdit";
import { dayWords } from "@/words/staff/dayWords";
import { PAIR_CUT, type Rules } from "./composition";
import { BOX, LABEL } from "./look";

const RELEASES = [
  ["word", "when I say so"],
  ["done", "as soon as each hands in"],
  ["closed", "when it is closed for all"],
] as const;
const releaseWords = (time: string) => RELEASES.find(([value]) => value === time)?.[1] ?? "";

const RETAKES: Readonly<Record<RetakeRule, string>> = {
  latest: "the latest counts",
  best: "the best counts",
  mean: "their mean counts",
};

/** The rules of what is given, as sentences of words that can be changed. */
export function RulesSentence({
  rules,
  set,
  dueDay,
  tests,
  isGiven = false,
}: {
  readonly rules: Rules;
  readonly set: (values: Partial<Rules>) => void;
  readonly dueDay: string;
  /** Whether it is a test, a test before and one after, or neither. */
  readonly tests: "none" | "one" | "pair";
  /** Given already: what follows, and to whom it was given, stands. */
  readonly isGiven?: boolean;
}) {
  return (
    <section className="text-[15px] leading-relaxed">
      <h2 className={LABEL}>Rules</h2>
      <p>
        Late work is{" "}
        <WordEdit
          label="Late work"
          word={rules.closesDay === "" ? "not taken" : `taken until ${dayWords(rules.closesDay)}`}
        >
          <label className="block">
            <span className="mb-1 block">Taken until, marked late; empty for not at all</span>
            <input
              type="date"
              className={BOX}
              min={dueDay}
              value={rules.closesDay}
              onChange={(event) => set({ closesDay: event.target.value })}
            />
          </label>
        </WordEdit>
        . It may be done{" "}
        <WordEdit
          label="Where"
          word={
            !rules.onlyAtSchool
              ? "anywhere"
              : rules.unlockCode === ""
                ? "only at school"
                : `only at school, or with the code ${rules.unlockCode}`
          }
        >
          <Choices
            name="where"
            value={rules.onlyAtSchool ? "school" : "any"}
            of={[
              ["any", "anywhere"],
              ["school", "only in the school’s network"],
            ]}
            set={(value) => set({ onlyAtSchool: value === "school" })}
          />
          {rules.onlyAtSchool ? (
            <label className="mt-2 block">
              <span className="mb-1 block">A code that opens it elsewhere for a day, if any</span>
              <input
                className={`${BOX} w-32 uppercase`}
                maxLength={12}
                value={rules.unlockCode}
                onChange={(event) => set({ unlockCode: event.target.value.toUpperCase().replace(/[^A-Z0-9]/g, "") })}
              />
            </label>
          ) : null}
        </WordEdit>
        .{" "}
        <WordEdit label="Other work" word={rules.goesFirst ? "Nothing else until it is done" : "Other work stays open"}>
          <Choices
            name="first"
            value={rules.goesFirst ? "first" : "beside"}
            of={[
              ["beside", "other work stays open beside it"],
              ["first", "nothing else until this is done"],
            ]}
            set={(value) => set({ goesFirst: value === "first" })}
          />
        </WordEdit>
        .
      </p>
      {tests === "none" ? null : <TestRules rules={rules} set={set} isPair={tests === "pair"} isGiven={isGiven} />}
      <p className="mt-2">
        {rules.category === "" ? "In no category" : "Category"}{" "}
        <WordEdit label="Category" word={rules.category === "" ? "of the gradebook" : rules.category}>
          <label className="block">
            <span className="mb-1 block">Category in the gradebook</span>
            <input
              className={BOX}
              maxLength={40}
              value={rules.category}
              onChange={(event) => set({ category: event.target.value })}
            />
          </label>
        </WordEdit>
        ; of several tries{" "}
        <WordEdit label="Which try counts" word={RETAKES[rules.retake]}>
          <Choices
            name="retake"
            value={rules.retake}
            of={RETAKE_RULES.map((rule) => [rule, RETAKES[rule]] as const)}
            set={(retake) => set({ retake })}
          />
        </WordEdit>
        {isGiven ? (
          "."
        ) : (
          <>
            ;{" "}
            <WordEdit label="Given" word={rules.isPrepared ? "prepared, and given later" : "given at once"}>
              <Choices
                name="prepared"
                value={rules.isPrepared ? "later" : "now"}
                of={[
                  ["now", "on students’ lists at once"],
                  ["later", "prepared, on nobody’s list until I give it"],
                ]}
                set={(value) => set({ isPrepared: value === "later" })}
              />
            </WordEdit>
          </>
        )}
      </p>
    </section>
  );
}

function TestRules({
  rules,
  set,
  isPair,
  isGiven,
}: {
  readonly rules: Rules;
  readonly set: (values: Partial<Rules>) => void;
  readonly isPair: boolean;
  readonly isGiven: boolean;
}) {
  return (
    <>
      <p className="mt-2">
        Students see the score{" "}
        <WordEdit label="Score" word={releaseWords(rules.score)}>
          <Choices name="score" value={rules.score} of={RELEASES} set={(score) => set({ score })} />
        </WordEdit>
        , their answers with the right ones{" "}
        <WordEdit label="Answers" word={releaseWords(rules.answers)}>
          <Choices name="answers" value={rules.answers} of={RELEASES} set={(answers) => set({ answers })} />
        </WordEdit>
        , explanations{" "}
        <WordEdit label="Explanations" word={releaseWords(rules.explanations)}>
          <Choices
            name="explanations"
            value={rules.explanations}
            of={RELEASES}
            set={(explanations) => set({ explanations })}
          />
        </WordEdit>
        .
      </p>
      <p className="mt-2">
        The cut is{" "}
        <WordEdit label="Cut" word={rules.cutPercent === null ? "not set" : `${rules.cutPercent} %`}>
          <label className="block">
            <span className="mb-1 block">Per cent of the points; a mark below it, however near, does not pass</span>
            <input
              type="number"
              className={`${BOX} w-24`}
              min={1}
              max={100}
              step="any"
              value={rules.cutPercent ?? ""}
              onChange={(event) => {
                const typed = event.target.valueAsNumber;
                set({ cutPercent: Number.isFinite(typed) ? typed : isPair ? PAIR_CUT : null });
              }}
            />
          </label>
        </WordEdit>
        {rules.cutPercent === null || isGiven ? null : (
          <>
            ; below it{" "}
            {isPair ? (
              "practice follows on what was missed"
            ) : (
              <WordEdit
                label="What follows"
                word={
                  rules.follows === "nothing"
                    ? "nothing follows"
                    : rules.follows === "itself"
                      ? "practice follows on what was missed"
                      : "practice on what was missed follows at my word"
                }
              >
                <Choices
                  name="follows"
                  value={rules.follows}
                  of={[
                    ["nothing", "nothing"],
                    ["itself", "practice on the missed skills, by itself"],
                    ["word", "practice on the missed skills, when I open it"],
                  ]}
                  set={(follows) => set({ follows })}
                />
              </WordEdit>
            )}
            {isPair || rules.follows !== "nothing" ? (
              <>
                ,{" "}
                <WordEdit
                  label="At the cut"
                  word={rules.alsoAtCut ? "for those at or above it too" : "for nobody else"}
                >
                  <Choices
                    name="alsoAtCut"
                    value={rules.alsoAtCut ? "all" : "below"}
                    of={[
                      ["below", "only for those below the cut"],
                      ["all", "for everybody who missed a skill"],
                    ]}
                    set={(value) => set({ alsoAtCut: value === "all" })}
                  />
                </WordEdit>
              </>
            ) : null}
          </>
        )}
        .
      </p>
      {isPair && !isGiven ? (
        <p className="mt-2">
          The second test opens{" "}
          <WordEdit
            label="The second test opens"
            word={rules.after === "done" ? "when the practice is done" : "when I open it"}
          >
            <Choices
              name="after"
              value={rules.after}
              of={[
                ["done", "when the practice is done"],
                ["word", "when I open it, after the practice"],
              ]}
              set={(after) => set({ after })}
            />
          </WordEdit>
          ,{" "}
          <WordEdit label="For whom" word={rules.afterForAll ? "for everybody" : "only for those below the cut"}>
            <Choices
              name="afterForAll"
              value={rules.afterForAll ? "all" : "below"}
              of={[
                ["all", "for everybody"],
                ["below", "only for those below the cut"],
              ]}
              set={(value) => set({ afterForAll: value === "all" })}
            />
          </WordEdit>
          .
        </p>
      ) : null}
    </>
  );
}
