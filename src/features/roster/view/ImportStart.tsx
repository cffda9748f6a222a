"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { useUpload } from "@/client/useUpload";
import { PageHead } from "@/ui/layout/PageHead";
import { FileField, SendFile } from "@/ui/primitives/FileField";

const box = "bg-field border-ink border-[1.5px] px-2 py-1.5";

/** Chooses the file and what it is for; nothing changes before the difference has been looked at. */
export function ImportStart({
  classes,
  base,
  startWith,
  wholeSchool,
}: {
  readonly classes: readonly { readonly id: string; readonly name: string }[];
  readonly base: string;
  readonly startWith: string;
  /** The chooser may bring in files of the whole school. */
  readonly wholeSchool: boolean;
}) {
  const router = useRouter();
  const [target, setTarget] = useState(startWith);
  const { send, ...upload } = useUpload<{ readonly draftId: string }>("/api/roster/drafts", ({ draftId }) =>
    router.push(`${base}/roster/import/${draftId}`),
  );
  return (
    <form className="max-w-2xl px-5 py-4 text-[15px]" onSubmit={send}>
      <PageHead
        title="Import a roster file"
        sub="You see what would change before anything does, mend rows right there, and can undo it afterwards."
      />
      <div className="space-y-5">
        <label className="block">
          <span className="mb-1 block font-semibold">What is it for?</span>
          <select
            name="target"
            className={`${box} w-80`}
            value={target}
            onChange={(event) => setTarget(event.target.value)}
          >
            {wholeSchool ? <option value="school">the whole school</option> : null}
            {classes.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
            <option value="new">a new class…</option>
          </select>
        </label>
        {target === "new" ? (
          <div className="flex gap-5">
            <label className="block">
              <span className="mb-1 block font-semibold">Name of the new class</span>
              <input name="newClassName" className={`${box} w-72`} placeholder="6 Hazel" maxLength={40} />
            </label>
            <label className="block">
              <span className="mb-1 block font-semibold">Grade</span>
              <input name="newClassGrade" type="number" min={0} max={12} defaultValue={6} className={`${box} w-20`} />
            </label>
          </div>
        ) : null}
        <FileField accept=".csv,.tsv,.txt,.xlsx,.zip,text/csv">
          A sheet (CSV, TSV or XLSX) with a first row of headers: a student number, given and family name (or the whole
          name), grade; {target === "school" ? "classes, " : ""}email, birth year, supports if you have them. Any order,
          any sensible words.
          {wholeSchool ? " Or a zip of CSV files as the OneRoster standard has them, version 1.1 or 1.2." : ""}
        </FileField>
        <SendFile words="Show what would change" {...upload} />
      </div>
    </form>
  );
}
