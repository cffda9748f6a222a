"use client";
import { useRouter } from "next/navigation";
import { useUpload } from "@/client/useUpload";
import { PageHead } from "@/ui/layout/PageHead";
import { ButtonLink } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import { FileField, SendFile } from "@/ui/primitives/FileField";
import type { ItemImportStart } from "../exchangeTypes";
import { SkillOptions } from "./SkillOptions";

/** Chooses a file of items and where they go; nothing changes before what would become of each was looked at. */
export function BringInStart({ start, base }: { readonly start: ItemImportStart; readonly base: string }) {
  const router = useRouter();
  const { send, ...upload } = useUpload<{ readonly draftId: string }>("/api/items/files", ({ draftId }) =>
    router.push(`${base}/library/items/bring-in/${draftId}`),
  );
  const sub = "You see what would become of each item before anything changes, and can undo it afterwards.";
  if (start.banks.length === 0)
    return (
      <div className="max-w-2xl px-5 py-4 text-[15px]">
        <PageHead title="Bring items in" sub="Items go into a bank, and there is none yet that you may change." />
        <ButtonLink look="main" href={`${base}/library/banks`}>
          Make a bank
        </ButtonLink>
      </div>
    );
  return (
    <form className="max-w-2xl px-5 py-4 text-[15px]" onSubmit={send}>
      <PageHead title="Bring items in" sub={sub} />
      <div className="space-y-5">
        <label className="block">
          <span className="mb-1 block font-semibold">Into the bank</span>
          <select name="bankId" className={`${FIELD} w-80`} defaultValue={start.bankId ?? start.banks[0]?.id}>
            {start.banks.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <label className="block">
          <span className="mb-1 block font-semibold">Under the skill, where an item says none</span>
          <select name="skillId" className={`${FIELD} w-full max-w-md`} defaultValue="">
            <option value="">none: such items come as drafts</option>
            <SkillOptions skills={start.skills} />
          </select>
        </label>
        <FileField accept=".zip,.xml,.csv,.tsv,.txt,.xlsx">
          A package of the QTI standard, version 2.1, 2.2 or 3.0 (a zip, or one item as XML). Or a sheet (CSV, TSV,
          XLSX) with a row for each item and a first row of headers: Question, Answer, and for choices Wrong 1, Wrong 2
          and so on, or Option A, Option B with the letter as the answer.
        </FileField>
        <SendFile words="Show what would come" {...upload} />
      </div>
    </form>
  );
}
