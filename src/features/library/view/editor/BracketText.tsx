"use client";
import { useEffect, useState } from "react";
import { useFormContext, useWatch } from "react-hook-form";
import { FIELD } from "@/ui/primitives/Field";
import { readGaps, readSelect, writeGaps, writeSelect } from "./bracketTexts";

/** A text whose gaps, or whose words that can be selected, are written between brackets. */
export function BracketText({
  label,
  help,
  path,
  gaps,
}: {
  readonly label: string;
  readonly help: string;
  readonly path: string;
  readonly gaps: boolean;
}) {
  const { control, setValue, getValues } = useFormContext();
  const pieces = useWatch({ control, name: path }) as never[] | undefined;
  const written = gaps ? writeGaps(pieces ?? []) : writeSelect(pieces ?? []);
  const [text, setText] = useState(written);
  // What comes from elsewhere, an undo for example, takes the place of what was typed.
  useEffect(() => {
    const own = gaps ? writeGaps(readGaps(text)) : writeSelect(readSelect(text, []));
    if (own !== written) setText(written);
  }, [gaps, text, written]);
  return (
    <label className="block w-full text-[15px]">
      <span className="mb-0.5 block">{label}</span>
      <textarea
        className={`${FIELD} font-reading w-full`}
        rows={3}
        value={text}
        onChange={({ target: { value } }) => {
          setText(value);
          setValue(path, gaps ? readGaps(value) : readSelect(value, getValues(path) ?? []), { shouldDirty: true });
        }}
      />
      <span className="text-mute mt-0.5 block text-[14px]">{help}</span>
    </label>
  );
}
