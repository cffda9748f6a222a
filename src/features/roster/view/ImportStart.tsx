"use client";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import { PageHead } from "@/ui/layout/PageHead";
import { Button } from "@/ui/primitives/Button";
import { beginImportAction } from "../actions";

const box = "bg-field border-ink border-[1.5px] px-2 py-1.5";

/** Chooses the file and the class it is for; nothing changes before the preview has been looked at. */
export function ImportStart({
  classes,
  base,
  startWith,
}: {
  readonly classes: readonly { readonly id: string; readonly name: string }[];
  readonly base: string;
  readonly startWith: string;
}) {
  const router = useRouter();
  const [classId, setClassId] = useState(startWith);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  return (
    <form
      className="max-w-2xl px-5 py-4 text-[15px]"
      onSubmit={(event) => {
        event.preventDefault();
        const form = new FormData(event.currentTarget);
        start(async () => {
          const result = await beginImportAction(form);
          if (result.ok) router.push(`${base}/roster/import/${result.data}`);
          else setProblem(result.message);
        });
      }}
    >
      <PageHead
        title="Import a roster file"
        sub="You see what would change before anything does, and can undo it afterwards."
      />
      <div className="space-y-5">
        <label className="block">
          <span className="mb-1 block font-semibold">Into which class?</span>
          <select
            name="classId"
            className={`${box} w-72`}
            value={classId}
            onChange={(event) => setClassId(event.target.value)}
          >
            {classes.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
            <option value="new">a new class…</option>
          </select>
        </label>
        {classId === "new" ? (
          <div className="flex gap-5">
            <label className="block">
              <span className="mb-1 block font-semibold">Name of the new class</span>
              <input name="newClassName" className={`${box} w-72`} placeholder="6 Hazel" maxLength={40} />
            </label>
            <label className="block">
              <span className="mb-1 block font-semibold">Grade</span>
              <input name="newClassGrade" type="number" min={1} max={12} defaultValue={6} className={`${box} w-20`} />
            </label>
          </div>
        ) : null}
        <label className="block">
          <span className="mb-1 block font-semibold">The file</span>
          <input
            name="file"
            type="file"
            accept=".csv,.tsv,.txt,text/csv"
            required
            className={`${box} w-full file:mr-4 file:border-0 file:bg-transparent file:font-semibold file:underline`}
          />
          <span className="text-mute mt-1 block text-[14px]">
            CSV with a first row of headers: a student number, given and family name (or the whole name), grade, email
            if you have it. Any order, any sensible words.
          </span>
        </label>
        {problem ? (
          <p role="alert" className="border-clay border-l-4 pl-3">
            {problem}
          </p>
        ) : null}
        <Button look="main" type="submit" disabled={busy}>
          {busy ? "Reading…" : "Show what would change"}
        </Button>
      </div>
    </form>
  );
}
