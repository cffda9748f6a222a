"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { v7 } from "uuid";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import { keepPassageAction } from "../actions";
import type { BankName } from "../itemTypes";

interface Words {
  readonly title: string;
  readonly topic: string;
  readonly language: string;
  readonly text: string;
}

/** Writes a passage or changes one; a change becomes its next version. */
export function PassageForm({
  passageId,
  first,
  banks,
  base,
  done,
}: {
  /** Null for a new one. */
  readonly passageId: string | null;
  readonly first: Words;
  readonly banks: readonly BankName[];
  readonly base: string;
  readonly done?: () => void;
}) {
  const router = useRouter();
  const run = useRun(undoAction, true);
  const [id] = useState(() => passageId ?? v7());
  const [bankId, setBankId] = useState(banks[0]?.id ?? "");
  const [words, setWords] = useState(first);
  const field = (name: keyof Words) => ({
    value: words[name],
    onChange: ({ target }: { readonly target: { readonly value: string } }) =>
      setWords((before) => ({ ...before, [name]: target.value })),
  });
  const keep = () =>
    run(
      () => keepPassageAction({ passageId: id, bankId: passageId === null ? bankId : null, ...words }),
      ({ changeId, version }) =>
        changeId === null ? "Nothing was changed." : version === 1 ? "Kept." : `Changed: version ${version}.`,
      () => {
        if (passageId === null) router.push(`${base}/library/passages/${id}`);
        else {
          router.refresh();
          done?.();
        }
      },
    );
  return (
    <form
      className="max-w-3xl space-y-3 text-[15px]"
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <label className="block">
        <span className="mb-0.5 block">Title</span>
        <input className={`${FIELD} w-full`} required maxLength={120} {...field("title")} />
      </label>
      <div className="flex flex-wrap gap-4">
        <label className="block">
          <span className="mb-0.5 block">Topic, in a word or two</span>
          <input className={`${FIELD} w-64`} maxLength={60} {...field("topic")} />
        </label>
        <label className="block">
          <span className="mb-0.5 block">Language</span>
          <select className={FIELD} {...field("language")}>
            <option value="en">English</option>
            <option value="es">Spanish</option>
          </select>
        </label>
        {passageId === null ? (
          <label className="block">
            <span className="mb-0.5 block">Into the bank</span>
            <select className={FIELD} value={bankId} onChange={(event) => setBankId(event.target.value)}>
              {banks.map(({ id: key, name }) => (
                <option key={key} value={key}>
                  {name}
                </option>
              ))}
            </select>
          </label>
        ) : null}
      </div>
      <label className="block">
        <span className="mb-0.5 block">The text, a line for each paragraph</span>
        <textarea
          className={`${FIELD} h-72 w-full font-serif text-[17px] leading-relaxed`}
          required
          {...field("text")}
        />
      </label>
      {run.problem ? (
        <p role="alert" className="border-clay border-l-4 pl-3">
          {run.problem}
        </p>
      ) : null}
      <div className="flex gap-2">
        <Button look="main" type="submit" disabled={run.busy}>
          {passageId === null ? "Keep the passage" : "Make it the new version"}
        </Button>
        {done ? <Button onClick={done}>Leave it as it is</Button> : null}
      </div>
    </form>
  );
}
