"use client";
import { parseAsString, useQueryState } from "nuqs";
import { useRun } from "@/client/useRun";
import type { GroupHabits } from "@/core/model/reteach";
import { undoAction } from "@/server/history/undoAction";
import { WordEdit } from "@/ui/primitives/WordEdit";
import { keepHabitsAction } from "../../actions";
import { focusWritten } from "../../limits";
import type { Purpose, SuggestionView } from "../../suggestTypes";
import { FixedEditor, NumberChoice, PairsEditor, PeopleEditor, TimesEditor } from "./editors";

const PURPOSE_WORDS: Readonly<Record<Purpose, string>> = {
  need: "Same need",
  mixed: "Mixed on purpose, for a project",
  explain: "Who can explain, with who needs it",
};
const live = parseAsString.withOptions({ shallow: false });

/** The wishes read as one sentence; each underlined part opens its own editor. What the class keeps is kept at once, with an undo. */
export function WishesSentence({ view }: { readonly view: SuggestionView }) {
  const { limits, students, skills, choices } = view;
  const run = useRun(undoAction);
  const [, setPurpose] = useQueryState("for", live);
  const [, setFocus] = useQueryState("focus", live);
  const [, setAway] = useQueryState("away", live);
  const [, setFixed] = useQueryState("fixed", live);
  const first = (id: string) => students.find((student) => student.id === id)?.name.split(" ")[0] ?? "somebody";
  const pairWords = (pairs: GroupHabits["apart"]) =>
    pairs
      .filter((pair) => pair.every((id) => students.some((one) => one.id === id)))
      .map(([one, other]) => `${first(one)} and ${first(other)}`)
      .join(", ") || "nobody";
  const keep = (news: Partial<GroupHabits>) =>
    run(() => keepHabitsAction({ classIds: view.classIds, ...news }), `Kept for ${view.className}.`);
  const minutes = limits.times.reduce((sum, time) => sum + time.minutes, 0);
  const fixedWords =
    limits.fixed
      .map(
        ({ studentId, skillId }) =>
          `${first(studentId)} in ${skills.find(({ id }) => id === skillId)?.name ?? "a skill"}`,
      )
      .join(", ") || "nobody";
  return (
    <p className="text-[17px] leading-relaxed">
      <WordEdit word={PURPOSE_WORDS[limits.purpose]} label="Kind of groups">
        <fieldset className="space-y-1">
          {(Object.keys(PURPOSE_WORDS) as Purpose[]).map((purpose) => (
            <label key={purpose} className="flex gap-2">
              <input
                type="radio"
                name="purpose"
                checked={limits.purpose === purpose}
                onChange={() => setPurpose(purpose === "need" ? null : purpose)}
              />
              {PURPOSE_WORDS[purpose]}
            </label>
          ))}
        </fieldset>
      </WordEdit>
      {limits.purpose === "mixed" ? (
        ""
      ) : (
        <>
          {" "}
          in{" "}
          <WordEdit word={focusWords(view)} label="Focus">
            <label className="block">
              <span className="mb-1 block">What are they about?</span>
              <select
                className="bg-field border-ink max-w-[22rem] border-[1.5px] px-2 py-1"
                value={focusWritten(limits.focus) ?? ""}
                onChange={(event) => setFocus(event.target.value || null)}
              >
                <option value="">{NEAR}</option>
                <option value="all">everything that the class learns</option>
                <Options label="A strand" on="strand" of={choices.strands} />
                <Options label="A unit" on="unit" of={choices.units} />
                <Options label="A skill" on="skill" of={choices.skills} />
                <Options label="A known mistake" on="mistake" of={choices.mistakes} />
              </select>
            </label>
          </WordEdit>
        </>
      )}
      {limits.purpose === "need" ? (
        <>
          , at{" "}
          <WordEdit
            word={`${limits.times.length === 1 ? "1 time" : `${limits.times.length} times`} a week, ${minutes} min in all`}
            label="Times of the week"
          >
            <TimesEditor times={limits.times} set={(times) => keep({ times })} />
          </WordEdit>
        </>
      ) : null}
      , groups of{" "}
      <WordEdit word={`${limits.smallest} to ${limits.largest}`} label="Group size">
        <div className="space-y-2">
          <NumberChoice
            label="At least"
            low={1}
            high={limits.largest}
            value={limits.smallest}
            set={(smallest) => keep({ smallest })}
          />
          <NumberChoice
            label="At most"
            low={limits.smallest}
            high={12}
            value={limits.largest}
            set={(largest) => keep({ largest })}
          />
        </div>
      </WordEdit>
      . Keep{" "}
      <WordEdit word={pairWords(limits.apart)} label="Keep apart">
        <PairsEditor
          pairs={limits.apart}
          students={students}
          set={(apart) => keep({ apart })}
          done="Keep these two apart"
        />
      </WordEdit>{" "}
      apart and{" "}
      <WordEdit word={pairWords(limits.together)} label="Keep together">
        <PairsEditor
          pairs={limits.together}
          students={students}
          set={(together) => keep({ together })}
          done="Keep these two together"
        />
      </WordEdit>{" "}
      together.{" "}
      <WordEdit word={capital(limits.absent.map(first).join(", ") || "nobody")} label="Away">
        <PeopleEditor
          chosen={limits.absent}
          students={students}
          set={(ids) => setAway(ids.length > 0 ? ids.join(",") : null)}
        />
      </WordEdit>{" "}
      {limits.absent.length > 1 ? "are" : "is"} away
      {limits.purpose === "need" ? (
        <>
          ; fixed in a group:{" "}
          <WordEdit word={fixedWords} label="Fixed">
            <FixedEditor
              fixed={limits.fixed}
              students={students}
              skills={[...new Map([...skills, ...choices.skills].map((skill) => [skill.id, skill])).values()]}
              set={(fixed) =>
                setFixed(
                  fixed.length > 0 ? fixed.map(({ studentId, skillId }) => `${studentId}~${skillId}`).join(",") : null,
                )
              }
            />
          </WordEdit>
        </>
      ) : null}
      .
    </p>
  );
}

const NEAR = "what is taught now, was or comes next, and what it builds on";
const capital = (text: string) => text.slice(0, 1).toUpperCase() + text.slice(1);

function focusWords({ limits: { focus }, choices, skills, misconceptions }: SuggestionView): string {
  if (!("id" in focus)) return focus.on === "near" ? "what is near in the plan" : "everything that the class learns";
  const of = {
    strand: choices.strands,
    unit: choices.units,
    skill: [...choices.skills, ...skills],
    mistake: choices.mistakes,
  };
  const name = of[focus.on].find(({ id }) => id === focus.id)?.name ?? misconceptions[focus.id] ?? "something unknown";
  return focus.on === "mistake" ? `the mistake “${name}”` : name;
}

const Options = ({
  label,
  on,
  of,
}: {
  readonly label: string;
  readonly on: string;
  readonly of: SuggestionView["choices"]["skills"];
}) =>
  of.length === 0 ? null : (
    <optgroup label={label}>
      {of.map(({ id, name }) => (
        <option key={id} value={`${on}:${id}`}>
          {name}
        </option>
      ))}
    </optgroup>
  );
