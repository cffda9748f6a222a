"use client";
import { useRouter } from "next/navigation";
import { useUpload } from "@/client/useUpload";
import { PageHead } from "@/ui/layout/PageHead";
import { FileField, SendFile } from "@/ui/primitives/FileField";

/** Chooses a file of standards; nothing changes before the difference has been looked at. */
export function FrameworkStart({ base }: { readonly base: string }) {
  const router = useRouter();
  const { send, ...upload } = useUpload<{ readonly draftId: string }>("/api/frameworks/files", ({ draftId }) =>
    router.push(`${base}/library/standards/bring-in/${draftId}`),
  );
  return (
    <form className="max-w-2xl px-5 py-4 text-[15px]" onSubmit={send}>
      <PageHead
        title="Bring standards in"
        sub="A new framework, or a new edition of one that is here: you see what would change, and can undo it afterwards."
      />
      <div className="space-y-5">
        <FileField accept=".json,application/json">
          A package of the CASE standard, version 1.0 or 1.1, as JSON. Whoever publishes standards offers it.
          Identifiers stay as they are, so that a later edition is known again.
        </FileField>
        <SendFile words="Show what would change" {...upload} />
      </div>
    </form>
  );
}
