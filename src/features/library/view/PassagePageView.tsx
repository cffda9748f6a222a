"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { PassageText } from "@/ui/primitives/PassageText";
import { retirePassageAction } from "../actions";
import type { PassageView } from "../passageTypes";
import { PassageForm } from "./PassageForm";
import { readsLike } from "./PassagesPage";

/** A passage: its words, the items that hang on it, who wrote which version. */
export function PassagePageView({ view, base }: { readonly view: PassageView; readonly base: string }) {
  const router = useRouter();
  const run = useRun(undoAction);
  const [isChanging, setChanging] = useState(false);
  const said = [
    `${view.words.toLocaleString("en-GB")} words`,
    ...(view.readingGrade === null ? [] : [`reads about like ${readsLike(view.readingGrade)}`]),
    ...(view.topic === "" ? [] : [view.topic]),
    `version ${view.version}`,
    ...(view.isRetired ? ["retired"] : []),
  ];
  return (
    <div className="px-5 py-4">
      <PageHead title={view.title} sub={`In “${view.bank.name}”: ${said.join(", ")}.`}>
        {view.mayChange && !isChanging ? (
          <>
            <Button onClick={() => setChanging(true)}>Change</Button>
            <Button
              disabled={run.busy}
              onClick={() =>
                run(
                  () => retirePassageAction({ passageId: view.id, back: view.isRetired }),
                  view.isRetired
                    ? `“${view.title}” is offered again.`
                    : `Retired “${view.title}”; items that hang on it keep it.`,
                  () => router.push(`${base}/library/passages`),
                )
              }
            >
              {view.isRetired ? "Bring back" : "Retire"}
            </Button>
          </>
        ) : null}
        <ButtonLink look="main" href={`${base}/library/items/new?passage=${encodeURIComponent(view.id)}`}>
          Write an item on it
        </ButtonLink>
      </PageHead>
      <div className="grid items-start gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        {isChanging ? (
          <PassageForm
            passageId={view.id}
            first={{
              title: view.title,
              topic: view.topic,
              language: view.language,
              text: view.paragraphs.join("\n\n"),
            }}
            banks={[]}
            base={base}
            done={() => setChanging(false)}
          />
        ) : (
          <PassageText
            title={view.title}
            paragraphs={view.paragraphs}
            className="bg-field border-hair max-w-3xl border px-6 py-5 text-[18px]"
          />
        )}
        <div className="space-y-5 text-[15px]">
          <section>
            <h2 className="mb-1 font-serif text-[18px] font-medium">
              {view.items.length === 1 ? "1 item hangs on it" : `${view.items.length} items hang on it`}
            </h2>
            {view.items.length === 0 ? <p className="text-mute">Write the first one.</p> : null}
            <ul>
              {view.items.map(({ id, line, kind, isDraft }) => (
                <li key={id} className="border-hair border-t py-1">
                  <Link
                    className="underline underline-offset-3"
                    href={`${base}/library/items/${encodeURIComponent(id)}`}
                  >
                    {line}
                  </Link>{" "}
                  <span className="text-mute">{kind}</span>
                  {isDraft ? <span className="text-clay"> draft</span> : null}
                </li>
              ))}
            </ul>
          </section>
          <section>
            <h2 className="mb-1 font-serif text-[18px] font-medium">Versions</h2>
            <ul className="text-mute">
              {view.versions.map(({ number, by, when }) => (
                <li key={number}>
                  Version {number} by {by}, {when}
                </li>
              ))}
            </ul>
          </section>
          <p>
            <Link className="underline underline-offset-3" href={`${base}/library/passages`}>
              All passages
            </Link>
          </p>
        </div>
      </div>
    </div>
  );
}
