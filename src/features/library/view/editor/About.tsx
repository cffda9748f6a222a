"use client";
import { X } from "lucide-react";
import { useState } from "react";
import { useFormContext, useWatch } from "react-hook-form";
import { Button } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import type { EditorView } from "../../itemTypes";
import type { DraftFields } from "./draftFields";

const LANGUAGES = [
  ["en", "English"],
  ["es", "Spanish"],
] as const;
const DEPTHS = [
  ["", "not said"],
  ["1", "1: recall"],
  ["2", "2: use a procedure"],
  ["3", "3: reason"],
  ["4", "4: extend"],
] as const;
const DIFFICULTIES = [
  ["-0.8", "easier than most of the skill"],
  ["0", "as hard as most of the skill"],
  ["0.8", "harder than most of the skill"],
] as const;

/** What the item is about: skills and standards by which it is found and reported, and how hard it is. */
export function About({
  skills,
  standards,
  standardChoices,
  passages,
}: Pick<EditorView, "skills" | "standards" | "standardChoices" | "passages">) {
  const { register, control, setValue } = useFormContext<DraftFields>();
  const skillIds = (useWatch({ control, name: "skillIds" }) ?? []) as readonly string[];
  const offset = useWatch({ control, name: "difficultyOffset" });
  const isOwnOffset = !DIFFICULTIES.some(([value]) => value === offset);
  const set = (next: readonly string[]) => setValue("skillIds", [...next], { shouldDirty: true });
  return (
    <section>
      <h2 className="mb-2 font-serif text-[18px] font-medium">What it is about</h2>
      <ul className="mb-1">
        {skillIds.map((id, place) => {
          const skill = skills.find((one) => one.id === id);
          return (
            <li key={id} className="border-hair flex items-center gap-2 border-b py-1 text-[15px]">
              <span className="flex-1">
                <b>{skill?.name ?? "A skill that is not in the library any more"}</b>{" "}
                <span className="text-mute">
                  {skill ? `grade ${skill.grade}, ${skill.code}` : ""}
                  {place === 0 ? "; it stands under this one" : ""}
                </span>
              </span>
              <button
                type="button"
                className="p-1 opacity-60 hover:opacity-100"
                aria-label={`Not about ${skill?.name ?? "this skill"}`}
                onClick={() => set(skillIds.filter((one) => one !== id))}
              >
                <X size={16} aria-hidden />
              </button>
            </li>
          );
        })}
      </ul>
      <label className="mb-3 block text-[15px]">
        <span className="mb-0.5 block">{skillIds.length === 0 ? "Skill that it is about" : "Another skill"}</span>
        <select
          className={`${FIELD} w-full max-w-md`}
          value=""
          onChange={({ target: { value } }) => value && set([...skillIds, value])}
        >
          <option value="">Choose a skill</option>
          {skills
            .filter(({ id }) => !skillIds.includes(id))
            .map(({ id, name, grade, code }) => (
              <option key={id} value={id}>
                {name} (grade {grade}, {code})
              </option>
            ))}
        </select>
      </label>
      <Standards known={[...standardChoices, ...standards]} />
      {passages.length > 0 ? (
        <label className="mb-3 block text-[15px]">
          <span className="mb-0.5 block">Passage that it is asked about</span>
          <select className={`${FIELD} w-full max-w-md`} {...register("passageId")}>
            <option value="">none</option>
            {passages.map(({ id, title }) => (
              <option key={id} value={id}>
                {title}
              </option>
            ))}
          </select>
        </label>
      ) : null}
      <div className="flex flex-wrap items-end gap-x-5 gap-y-2">
        <label className="block text-[15px]">
          <span className="mb-0.5 block">Expected to be</span>
          <select className={FIELD} {...register("difficultyOffset")}>
            {DIFFICULTIES.map(([value, words]) => (
              <option key={value} value={value}>
                {words}
              </option>
            ))}
            {isOwnOffset ? <option value={offset}>as its own rule says</option> : null}
          </select>
        </label>
        <label className="block text-[15px]">
          <span className="mb-0.5 block">Depth of thinking</span>
          <select className={FIELD} {...register("depth")}>
            {DEPTHS.map(([value, words]) => (
              <option key={value} value={value}>
                {words}
              </option>
            ))}
          </select>
        </label>
        <label className="block text-[15px]">
          <span className="mb-0.5 block">Language</span>
          <select className={FIELD} {...register("language")}>
            {LANGUAGES.map(([value, words]) => (
              <option key={value} value={value}>
                {words}
              </option>
            ))}
          </select>
        </label>
        <label className="flex min-h-8 items-center gap-1.5 text-[15px]">
          <input type="checkbox" {...register("calculator")} /> A calculator may be used
        </label>
      </div>
    </section>
  );
}

/** Standards beyond those of the skills, added by their codes. */
function Standards({ known }: { readonly known: EditorView["standardChoices"] }) {
  const { control, setValue } = useFormContext<DraftFields>();
  const chosen = (useWatch({ control, name: "standardIds" }) ?? []) as readonly string[];
  const [typed, setTyped] = useState("");
  const set = (next: readonly string[]) => setValue("standardIds", [...next], { shouldDirty: true });
  const bare = (code: string) => code.replace(/[^\p{L}\p{N}]/gu, "").toLowerCase();
  const found = known.find(({ code }) => typed !== "" && bare(code) === bare(typed));
  const add = () => {
    if (!found) return;
    if (!chosen.includes(found.id)) set([...chosen, found.id]);
    setTyped("");
  };
  return (
    <div className="mb-3 text-[15px]">
      {chosen.length > 0 ? (
        <ul className="mb-1">
          {chosen.map((id) => {
            const standard = known.find((one) => one.id === id);
            return (
              <li key={id} className="border-hair flex items-start gap-2 border-b py-1">
                <span className="flex-1">
                  <b>{standard?.code ?? "A standard that is not in the library any more"}</b> {standard?.statement}
                </span>
                <button
                  type="button"
                  className="p-1 opacity-60 hover:opacity-100"
                  aria-label={`Not for ${standard?.code ?? "this standard"}`}
                  onClick={() => set(chosen.filter((one) => one !== id))}
                >
                  <X size={16} aria-hidden />
                </button>
              </li>
            );
          })}
        </ul>
      ) : null}
      <label className="block">
        <span className="mb-0.5 block">Also for the standard, beyond those of its skills</span>
        <input
          className={`${FIELD} w-48`}
          list="standard-codes"
          placeholder="Code"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== "Enter") return;
            event.preventDefault();
            add();
          }}
        />
      </label>
      <datalist id="standard-codes">
        {known.map(({ id, code, statement }) => (
          <option key={id} value={code}>
            {statement}
          </option>
        ))}
      </datalist>
      <p className="text-mute mt-1" aria-live="polite">
        {found ? (
          <>
            {found.statement}{" "}
            <Button look="quiet" onClick={add}>
              Add {found.code}
            </Button>
          </>
        ) : typed.trim().length > 2 ? (
          "No standard has this code yet."
        ) : (
          ""
        )}
      </p>
    </div>
  );
}
