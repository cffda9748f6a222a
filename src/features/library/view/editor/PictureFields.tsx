"use client";
import { ImagePlus, X } from "lucide-react";
import { useRef, useState } from "react";
import { useFieldArray, useFormContext } from "react-hook-form";
import { Button } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import type { DraftFields } from "./draftFields";

const MOST_IMAGES = 4;
/** Sent on only as far as it can be taken: a photograph straight from a camera is told at once. */
const MOST_BYTES = 2_000_000;

/** Pictures under the text, each with what it says to those who don't see it. */
export function PictureFields() {
  const { control, register } = useFormContext<DraftFields>();
  const { fields, append, remove } = useFieldArray({ control, name: "images", keyName: "rowKey" as "id" });
  const chooser = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const add = async (file: File) => {
    setBusy(true);
    const kept = await sendPicture(file);
    setBusy(false);
    setProblem(kept.problem);
    if (kept.picture !== null) append({ picture: kept.picture, alt: "" });
    if (chooser.current) chooser.current.value = "";
  };
  return (
    <div className="mt-3">
      {fields.map((row, place) => (
        <div key={row.id} className="mb-2 flex items-start gap-3">
          <img src={`/api/pictures/${row.picture}`} alt="" className="border-hair size-16 border object-contain" />
          <label className="block min-w-0 flex-1 text-[15px]">
            <span className="mb-0.5 block">What picture {place + 1} shows, for those who can't see it</span>
            <input className={`${FIELD} font-reading w-full`} {...register(`images.${place}.alt`)} />
          </label>
          <button
            type="button"
            className="mt-6 p-1 opacity-60 hover:opacity-100"
            aria-label={`Take picture ${place + 1} away`}
            onClick={() => remove(place)}
          >
            <X size={16} aria-hidden />
          </button>
        </div>
      ))}
      {fields.length < MOST_IMAGES ? (
        <>
          <input
            ref={chooser}
            type="file"
            accept="image/png,image/jpeg,image/webp,image/gif,image/svg+xml"
            className="sr-only"
            tabIndex={-1}
            aria-label="Picture file"
            onChange={({ target: { files } }) => files?.[0] && void add(files[0])}
          />
          <Button look="quiet" disabled={busy} onClick={() => chooser.current?.click()}>
            <ImagePlus size={14} aria-hidden /> {busy ? "Keeping it…" : "Add a picture"}
          </Button>
        </>
      ) : null}
      {problem ? (
        <p role="alert" className="border-clay mt-1 border-l-4 pl-2 text-[15px]">
          {problem}
        </p>
      ) : null}
    </div>
  );
}

async function sendPicture(file: File): Promise<{ readonly picture: string | null; readonly problem: string | null }> {
  const refused = (problem: string) => ({ picture: null, problem });
  if (file.size > MOST_BYTES)
    return refused(
      `This picture has ${(file.size / 1_000_000).toFixed(1)} MB; at most 2 MB can be kept. Make it smaller, for example 1200 pixels wide.`,
    );
  const form = new FormData();
  form.set("file", file);
  try {
    const response = await fetch("/api/pictures", { method: "POST", body: form });
    const said = (await response.json()) as { picture?: string; message?: string };
    return response.ok && said.picture
      ? { picture: said.picture, problem: null }
      : refused(said.message ?? "The picture could not be kept. Try again.");
  } catch {
    return refused("The server can't be reached. Check the connection, and choose the picture again.");
  }
}
