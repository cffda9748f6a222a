"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { type FormEvent, useState, useTransition } from "react";
import { Button } from "@/ui/primitives/Button";
import { unlockAction } from "../actions";

/** Work that is for school, opened from elsewhere: the teacher's code opens it for the rest of the day. */
export function UnlockPage({ workId, message }: { readonly workId: string; readonly message: string }) {
  const router = useRouter();
  const [code, setCode] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const unlock = (event: FormEvent) => {
    event.preventDefault();
    start(async () => {
      const result = await unlockAction({ assignmentId: workId, code });
      setProblem(result.ok ? null : result.message);
      if (result.ok) router.refresh();
    });
  };
  return (
    <main className="font-reading mx-auto max-w-[820px] px-5 py-10 text-[20px] sm:px-12">
      <h1 className="font-serif text-[30px]">For school</h1>
      <p className="mt-2">{message}</p>
      <form onSubmit={unlock} className="mt-5 flex flex-wrap items-end gap-3">
        <label>
          <span className="mb-1 block text-[17px] font-semibold">Code</span>
          <input
            className="bg-field border-ink w-40 border-[1.5px] px-3 py-2 text-[22px] tracking-widest uppercase"
            autoComplete="off"
            maxLength={12}
            value={code}
            onChange={(event) => setCode(event.target.value)}
          />
        </label>
        <Button look="main" size="big" type="submit" disabled={busy || code.trim() === ""}>
          Open it
        </Button>
      </form>
      {problem ? (
        <p role="alert" className="border-clay mt-4 border-l-4 pl-3">
          {problem}
        </p>
      ) : null}
      <p className="mt-6">
        <Link href="/river" className="underline underline-offset-4">
          To my river
        </Link>
      </p>
    </main>
  );
}
