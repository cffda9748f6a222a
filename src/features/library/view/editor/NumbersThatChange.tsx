"use client";
import { Plus, X } from "lucide-react";
import { useFieldArray, useFormContext } from "react-hook-form";
import { Button } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import type { DraftFields } from "./draftFields";

/** What makes many items of one: numbers that are drawn, conditions on them, numbers worked out, and stories around them. */
export function NumbersThatChange({ unread }: { readonly unread: readonly string[] }) {
  return (
    <section>
      <h2 className="mb-1 font-serif text-[18px] font-medium">Numbers that change</h2>
      <p className="text-mute mb-2 text-[15px]">
        With these, each student gets an item of their own. Without them it is always the same.
      </p>
      <Rows
        name="parameters"
        add="Add a number"
        blank={{ name: "", range: "" }}
        columns={[
          { at: "name", label: "Name", placeholder: "boats", width: "w-32" },
          { at: "range", label: "Drawn from", placeholder: "3 to 60 by 3, or 4, 6, 8", width: "w-64" },
        ]}
      />
      {unread.length > 0 ? (
        <p role="status" className="border-clay mb-2 border-l-4 pl-3 text-[15px]">
          Not read yet: {unread.join(", ")}. A name is one word; a range is “3 to 60”, “3 to 60 by 3” or “4, 6, 8”.
        </p>
      ) : null}
      <details className="mb-2">
        <summary className="cursor-pointer text-[15px]">Conditions, numbers worked out, and stories</summary>
        <div className="mt-2 space-y-3">
          <Rows
            name="where"
            add="Add a condition"
            blank={{ text: "" }}
            columns={[{ at: "text", label: "Drawn only if", placeholder: "boats > seats", width: "w-80" }]}
          />
          <Rows
            name="derived"
            add="Add a number worked out"
            blank={{ name: "", text: "" }}
            columns={[
              { at: "name", label: "Name", placeholder: "people", width: "w-32" },
              { at: "text", label: "Worked out as", placeholder: "boats * seats", width: "w-64" },
            ]}
          />
          <Rows
            name="stories"
            add="Add a story"
            blank={{ name: "", words: "" }}
            columns={[
              { at: "name", label: "Story", placeholder: "harbour", width: "w-32" },
              {
                at: "words",
                label: "Its words, a line each",
                placeholder: "things = ferries",
                width: "w-80",
                lines: 2,
              },
            ]}
          />
        </div>
      </details>
    </section>
  );
}

interface Column {
  readonly at: string;
  readonly label: string;
  readonly placeholder: string;
  readonly width: string;
  readonly lines?: number;
}

function Rows({
  name,
  add,
  blank,
  columns,
}: {
  readonly name: "parameters" | "where" | "derived" | "stories";
  readonly add: string;
  readonly blank: object;
  readonly columns: readonly Column[];
}) {
  const { register, control } = useFormContext<DraftFields>();
  const { fields, append, remove } = useFieldArray({ control, name: name as "parameters" });
  return (
    <div>
      {fields.map((row, place) => (
        <div key={row.id} className="mb-1.5 flex items-end gap-3">
          {columns.map(({ at, label, placeholder, width, lines }) => {
            const field = {
              id: `${name}-${place}-${at}`,
              className: `${FIELD} font-reading w-full`,
              placeholder,
              ...register(`${name}.${place}.${at}` as never),
            };
            return (
              <label key={at} htmlFor={field.id} className={`block text-[15px] ${width}`}>
                <span className={place === 0 ? "mb-0.5 block" : "sr-only"}>{label}</span>
                {lines ? <textarea rows={lines} {...field} /> : <input autoComplete="off" {...field} />}
              </label>
            );
          })}
          <button
            type="button"
            className="mb-1 p-1 opacity-60 hover:opacity-100"
            aria-label={`Take the ${place + 1}. away: ${columns[0]?.label}`}
            onClick={() => remove(place)}
          >
            <X size={16} aria-hidden />
          </button>
        </div>
      ))}
      <Button look="quiet" onClick={() => append(blank as never)}>
        <Plus size={14} aria-hidden /> {add}
      </Button>
    </div>
  );
}
