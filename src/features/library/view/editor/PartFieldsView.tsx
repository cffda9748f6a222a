"use client";
import { Plus, X } from "lucide-react";
import { createContext, useContext, useState } from "react";
import { useFieldArray, useFormContext, useWatch } from "react-hook-form";
import { Button } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import { BracketText } from "./BracketText";
import type { Field } from "./fieldTypes";
import { freshId } from "./freshId";
import { LineMark } from "./LineMark";

/** The misconceptions that can be named, for every field below. */
export const Misconceptions = createContext<readonly { readonly id: string; readonly name: string }[]>([]);

/** The fields of a part, or of a row in one, under their path in the form. `part` is the path of the whole part. */
export function PartFieldsView({
  fields,
  path,
  part,
}: {
  readonly fields: readonly Field[];
  readonly path: string;
  readonly part: string;
}) {
  return (
    <div className="flex flex-wrap items-start gap-x-4 gap-y-2">
      {fields.map((field) => (
        <OneField key={`${field.type} ${field.name}`} field={field} path={path} part={part} />
      ))}
    </div>
  );
}

interface Props<Type extends Field["type"]> {
  readonly field: Extract<Field, { type: Type }>;
  readonly path: string;
  readonly part: string;
}

function OneField({ field, path, part }: { readonly field: Field; readonly path: string; readonly part: string }) {
  const { register } = useFormContext();
  const at = `${path}.${field.name}`;
  switch (field.type) {
    case "text":
    case "expression":
      return (
        <label className={`block text-[15px] ${field.type === "text" ? "min-w-72 flex-1" : "w-52"}`}>
          <span className="mb-0.5 block">{field.label}</span>
          <input className={`${FIELD} font-reading w-full`} autoComplete="off" {...register(at)} />
          {field.help ? <span className="text-mute mt-0.5 block text-[14px]">{field.help}</span> : null}
        </label>
      );
    case "check":
      return (
        <label className="mt-5 flex min-h-8 items-center gap-1.5 text-[15px]">
          <input type="checkbox" {...register(at)} /> {field.label}
        </label>
      );
    case "misconception":
      return <MisconceptionField field={field} path={path} part={part} />;
    case "choice":
      return <ChoiceField field={field} path={path} part={part} />;
    case "list":
      return <ListField field={field} path={path} part={part} />;
    case "texts":
      return <TextsField field={field} path={path} part={part} />;
    case "gapText":
    case "selectText":
      return <BracketText label={field.label} help={field.help} path={at} gaps={field.type === "gapText"} />;
    case "more":
      return <MoreFields field={field} path={path} part={part} />;
    case "sequence":
      return <SequenceField field={field} path={path} part={part} />;
    case "mark":
      return <LineMark label={field.label} path={at} />;
  }
}

function MoreFields({ field, path, part }: Props<"more">) {
  const { getValues } = useFormContext();
  // Open from the start where something stands in it.
  const [isOpen] = useState(() =>
    field.of.some(
      ({ name, type }) => type !== "choice" && ![undefined, "", false].includes(getValues(`${path}.${name}`)),
    ),
  );
  return (
    <details open={isOpen} className="w-full">
      <summary className="cursor-pointer text-[15px]">{field.label}</summary>
      <div className="border-hair mt-2 border-l-2 pl-3">
        <PartFieldsView fields={field.of} path={path} part={part} />
      </div>
    </details>
  );
}

function MisconceptionField({ field, path }: Props<"misconception">) {
  const { register } = useFormContext();
  const all = useContext(Misconceptions);
  return (
    <label className="block w-64 text-[15px]">
      <span className="mb-0.5 block">{field.label}</span>
      <select className={`${FIELD} w-full`} {...register(`${path}.${field.name}`)}>
        <option value="">nothing that is named here</option>
        {all.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Lists of the same part among which a field without options of its own chooses. */
const BESIDE: Readonly<Record<string, string>> = { partner: "partners", thing: "things" };

/** What can be chosen stands in the field, or, where it names none, among the partners or the words of the same part. */
function ChoiceField({ field, path, part }: Props<"choice">) {
  const { register, control } = useFormContext();
  const beside = useWatch({
    control,
    name: BESIDE[field.name] ? `${part}.${BESIDE[field.name]}` : `${path}.options`,
  }) as readonly { readonly id: string; readonly text: string }[] | undefined;
  const options =
    field.options.length > 0
      ? field.options
      : (beside ?? []).map(({ id, text }, place) => [id, text || `the ${place + 1}.`] as const);
  return (
    <label className="block text-[15px]">
      <span className="mb-0.5 block">{field.label}</span>
      <select className={FIELD} {...register(`${path}.${field.name}`)}>
        {options.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Ids in an order, typed as the places of the members: what is no order of all of them is kept as it was typed, and told. */
function SequenceField({ field, path, part }: Props<"sequence">) {
  const { control, setValue, getValues } = useFormContext();
  const name = `${path}.${field.name}`;
  const members = (useWatch({ control, name: `${part}.members` }) ?? []) as readonly { readonly id: string }[];
  const [text, setText] = useState(() =>
    ((getValues(name) ?? []) as readonly string[])
      .map((id) => members.findIndex((member) => member.id === id) + 1)
      .filter((place) => place > 0)
      .join(" "),
  );
  const idsOf = (typed: string) => (typed.match(/\d+/g) ?? []).flatMap((place) => members[Number(place) - 1]?.id ?? []);
  const isWhole = new Set(idsOf(text)).size === members.length && idsOf(text).length === members.length;
  return (
    <label className="block w-52 text-[15px]">
      <span className="mb-0.5 block">{field.label}</span>
      <input
        className={`${FIELD} font-reading w-full`}
        autoComplete="off"
        value={text}
        onChange={({ target: { value } }) => {
          setText(value);
          setValue(name, idsOf(value), { shouldDirty: true });
        }}
      />
      <span className="text-mute mt-0.5 block text-[14px]">
        {text === "" || isWhole ? field.help : `Each of ${members.length} places once`}
      </span>
    </label>
  );
}

function ListField({ field, path, part }: Props<"list">) {
  const { control, getValues } = useFormContext();
  const name = `${path}.${field.name}`;
  const { fields, append, remove } = useFieldArray({ control, name, keyName: "rowKey" });
  const add = () =>
    append(field.blank(() => freshId((getValues(name) as { id?: string }[]).flatMap(({ id }) => id ?? []))));
  return (
    <fieldset className="w-full">
      <legend className="text-mute mb-1 text-[15px]">{field.label}</legend>
      {fields.map((row, place) => (
        <div key={row.rowKey} className="border-hair mb-2 flex items-start gap-2 border-l-2 pl-3">
          <div className="min-w-0 flex-1">
            <PartFieldsView fields={field.of} path={`${name}.${place}`} part={part} />
          </div>
          <button
            type="button"
            className="mt-6 p-1 opacity-60 hover:opacity-100 disabled:opacity-20"
            disabled={fields.length <= field.least}
            aria-label={`Take the ${place + 1}. away: ${field.label}`}
            onClick={() => remove(place)}
          >
            <X size={16} aria-hidden />
          </button>
        </div>
      ))}
      <Button look="quiet" onClick={add}>
        <Plus size={14} aria-hidden /> {field.add}
      </Button>
    </fieldset>
  );
}

function TextsField({ field, path }: Props<"texts">) {
  const { control, setValue } = useFormContext();
  const name = `${path}.${field.name}`;
  const texts = (useWatch({ control, name }) ?? []) as readonly string[];
  const set = (next: readonly string[]) => setValue(name, next, { shouldDirty: true });
  return (
    <fieldset className="w-full">
      <legend className="text-mute mb-1 text-[15px]">{field.label}</legend>
      {texts.map((text, place) => (
        <div key={place} className="mb-1 flex gap-2">
          <input
            aria-label={`${field.label}, ${place + 1}`}
            className={`${FIELD} font-reading w-full max-w-xl`}
            value={text}
            onChange={(event) => set(texts.map((one, at) => (at === place ? event.target.value : one)))}
          />
          <button
            type="button"
            className="p-1 opacity-60 hover:opacity-100 disabled:opacity-20"
            disabled={texts.length <= 1}
            aria-label={`Take the ${place + 1}. away: ${field.label}`}
            onClick={() => set(texts.filter((_, at) => at !== place))}
          >
            <X size={16} aria-hidden />
          </button>
        </div>
      ))}
      <Button look="quiet" onClick={() => set([...texts, ""])}>
        <Plus size={14} aria-hidden /> {field.add}
      </Button>
    </fieldset>
  );
}
