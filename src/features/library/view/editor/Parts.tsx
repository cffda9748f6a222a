"use client";
import { useFieldArray, useFormContext, useWatch } from "react-hook-form";
import { ITEM_KINDS, type ItemKind } from "@/core/items/itemKind";
import { Button } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import { KIND_WORDS } from "@/words/staff/itemWords";
import type { EditorView } from "../../itemTypes";
import type { DraftFields, PartFields } from "./draftFields";
import { PART_FORMS } from "./fields";
import { freshId } from "./freshId";
import { PartFieldsView } from "./PartFieldsView";
import { PictureFields } from "./PictureFields";

const MOST_POINTS = 10;

/** What is asked: the text that comes first, and the parts that are answered. */
export function Parts({ skills }: Pick<EditorView, "skills">) {
  const { register, control, setValue, getValues } = useFormContext<DraftFields>();
  const { fields, append, remove } = useFieldArray({ control, name: "parts", keyName: "rowKey" as "id" });
  const parts = useWatch({ control, name: "parts" }) as readonly PartFields[];
  const skillIds = (useWatch({ control, name: "skillIds" }) ?? []) as readonly string[];
  const choose = (place: number, kind: ItemKind) => {
    const { id, prompt, points, skillIds: own } = getValues(`parts.${place}`) as PartFields;
    const frame = { ...(prompt ? { prompt } : {}), ...(points ? { points } : {}), ...(own ? { skillIds: own } : {}) };
    setValue(`parts.${place}`, { id, kind, ...frame, ...PART_FORMS[kind].blank } as never, { shouldDirty: true });
  };
  const set = (place: number, name: "points" | "skillIds", value: unknown) =>
    setValue(`parts.${place}.${name}` as never, value as never, { shouldDirty: true });
  const add = () =>
    append({
      id: freshId(getValues("parts").map(({ id }) => id)),
      kind: "number",
      prompt: "",
      ...PART_FORMS.number.blank,
    } as never);
  return (
    <section>
      <h2 className="mb-2 font-serif text-[18px] font-medium">What is asked</h2>
      <label className="block text-[15px]">
        <span className="mb-0.5 block">Text of the item</span>
        <textarea className={`${FIELD} font-reading w-full text-[17px]`} rows={3} {...register("stem")} />
        <span className="text-mute mt-0.5 block text-[14px]">
          Write {"{a}"} for a number that changes, {"{a + b}"} for one worked out, 3/4 for a fraction; a formula between{" "}
          {"\\("} and {"\\)"}, with numbers as {"{{a}}"}: {"\\(\\sqrt{{a}}\\)"}.
        </span>
      </label>
      <PictureFields />
      {fields.map((row, place) => {
        const kind = parts[place]?.kind as ItemKind;
        return (
          <fieldset key={row.id} className="border-hair mt-4 border-t pt-3">
            <legend className="sr-only">Part {place + 1}</legend>
            <div className="mb-2 flex flex-wrap items-end gap-x-4 gap-y-2">
              <label className="block text-[15px]">
                <span className="mb-0.5 block">
                  {fields.length > 1 ? `Part ${place + 1}: the student has to` : "The student has to"}
                </span>
                <select
                  className={FIELD}
                  value={kind}
                  onChange={({ target: { value } }) => choose(place, value as ItemKind)}
                >
                  {ITEM_KINDS.map((one) => (
                    <option key={one} value={one}>
                      {KIND_WORDS[one]}
                    </option>
                  ))}
                </select>
              </label>
              <label className="block text-[15px]">
                <span className="mb-0.5 block">Worth</span>
                <select
                  className={FIELD}
                  value={String(parts[place]?.points ?? 1)}
                  onChange={({ target: { value } }) => set(place, "points", value === "1" ? undefined : Number(value))}
                >
                  {Array.from({ length: MOST_POINTS }, (_, less) => less + 1).map((points) => (
                    <option key={points} value={points}>
                      {points === 1 ? "1 point" : `${points} points`}
                    </option>
                  ))}
                </select>
              </label>
              {fields.length > 1 && skillIds.length > 1 ? (
                <label className="block text-[15px]">
                  <span className="mb-0.5 block">Tells about</span>
                  <select
                    className={FIELD}
                    value={(parts[place]?.skillIds as readonly string[] | undefined)?.[0] ?? ""}
                    onChange={({ target: { value } }) => set(place, "skillIds", value === "" ? undefined : [value])}
                  >
                    <option value="">the skill that it is given for</option>
                    {skillIds.map((id) => (
                      <option key={id} value={id}>
                        {skills.find((skill) => skill.id === id)?.name ?? "a skill"}
                      </option>
                    ))}
                  </select>
                </label>
              ) : null}
              {fields.length > 1 ? (
                <>
                  <label className="block min-w-56 flex-1 text-[15px]">
                    <span className="mb-0.5 block">Asked in this part</span>
                    <input className={`${FIELD} font-reading w-full`} {...register(`parts.${place}.prompt` as never)} />
                  </label>
                  <Button look="quiet" onClick={() => remove(place)}>
                    Take part {place + 1} away
                  </Button>
                </>
              ) : null}
            </div>
            <PartFieldsView
              key={kind}
              fields={PART_FORMS[kind]?.fields ?? []}
              path={`parts.${place}`}
              part={`parts.${place}`}
            />
          </fieldset>
        );
      })}
      <p className="mt-2">
        <Button look="quiet" onClick={add}>
          Add a part
        </Button>
      </p>
    </section>
  );
}
