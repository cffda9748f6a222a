"use client";
import { useRouter } from "next/navigation";
import { useUpload } from "@/client/useUpload";
import { PageHead } from "@/ui/layout/PageHead";
import { Button } from "@/ui/primitives/Button";
import { FIELD, Problem } from "@/ui/primitives/Field";

/** Chooses a file of standards; nothing changes before the difference has been looked at. */
export function FrameworkStart({ base }: { readonly base: string }) {
  const router = useRouter();
  const { sent, problem, send, stop } = useUpload<{ readonly draftId: string }>(
    "/api/frameworks/files",
    ({ draftId }) => router.push(`${base}/library/standards/bring-in/${draftId}`),
  );
  return (
    <form className="max-w-2xl px-5 py-4 text-[15px]" onSubmit={send}>
      <PageHead
        title="Bring standards in"
        sub="A new framework, or a new edition of one that is here: you see what would change, and can undo it afterwards."
      />
      <label className="mb-5 block">
        <span className="mb-1 block font-semibold">The file</span>
        <input
          name="file"
          type="file"
          accept=".json,application/json"
          required
          className={`${FIELD} w-full file:mr-4 file:border-0 file:bg-transparent file:font-semibold file:underline`}
        />
        <span className="text-mute mt-1 block text-[14px]">
          A package of the CASE standard, version 1.0 or 1.1, as JSON. Whoever publishes standards offers it.
          Identifiers stay as they are, so that a later edition is known again.
        </span>
      </label>
      <Problem text={problem} />
      <div className="flex items-center gap-3">
        <Button look="main" type="submit" disabled={sent !== null}>
          {sent === null ? "Show what would change" : `Sending, ${Math.round(sent * 100)} %`}
        </Button>
        {sent !== null ? <Button onClick={stop}>Stop</Button> : null}
      </div>
    </form>
  );
}
