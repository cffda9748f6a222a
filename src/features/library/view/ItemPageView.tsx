"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useBundle } from "@/client/bundle/bundle";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { MathText } from "@/ui/primitives/MathText";
import type { NotesView, ItemPageView as View } from "../itemTypes";
import { judgeTry } from "./askServer";
import type { Preview as PreviewType } from "./editor/preview";
import { harderWords, useWords } from "./ItemRow";
import { ItemsChosen } from "./ItemsChosen";
import { KeptApart } from "./KeptApart";
import { Notes } from "./Notes";

/** An item as a student sees one draw of it, with its key, what mistakes tell, and its versions. */
export function ItemPageView({
  view,
  base,
  draw,
  Preview,
  notes,
}: {
  readonly view: View;
  readonly base: string;
  readonly draw: number;
  readonly Preview: PreviewType;
  readonly notes: NotesView;
}) {
  const router = useRouter();
  const bundle = useBundle();
  const { looked } = view;
  const path = `${base}/library/items/${encodeURIComponent(view.id)}`;
  const version = view.versions.find(({ isShown }) => isShown);
  return (
    <div className="px-5 py-4">
      <PageHead
        title={view.line || "Nothing written yet"}
        sub={`In “${view.bank.name}”, ${view.kind}${version ? `, version ${version.number}${version.isDraft ? " (draft)" : ""}` : ""}${view.isRetired ? "; retired: nobody is given it any more" : ""}.`}
      >
        {view.mayChange ? <ButtonLink href={`${path}/edit`}>Change</ButtonLink> : null}
        <Button
          look="main"
          disabled={view.isDraft || view.isRetired}
          onClick={() => {
            bundle.add([view]);
            router.push(`${base}/library/items`);
          }}
        >
          Into the bundle
        </Button>
      </PageHead>
      <ItemsChosen
        items={[view]}
        banks={view.ownBanks}
        clear={() => undefined}
        base={base}
        isRetired={view.isRetired}
        withBundle={false}
      />
      <div className="grid items-start gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <section>
          <h2 className="mb-2 flex items-baseline justify-between font-serif text-[18px] font-medium">
            As a student sees it
            {view.isModel ? (
              <Link
                className="font-sans text-[14px] underline underline-offset-3"
                href={`${path}?draw=${draw + 1}${version ? `&version=${encodeURIComponent(version.id)}` : ""}`}
                scroll={false}
              >
                Another draw
              </Link>
            ) : null}
          </h2>
          {looked && version ? (
            <div className="bg-field border-hair border p-5">
              <Preview
                key={`${version.id} ${looked.seed}`}
                item={{ ...looked, passage: view.passageText }}
                judge={(response) =>
                  judgeTry({
                    itemId: view.id,
                    versionId: version.id,
                    given: { seed: looked.seed, context: looked.context, response },
                  })
                }
              />
            </div>
          ) : (
            <p className="text-mute">Nothing can be shown of it yet.</p>
          )}
        </section>
        <section className="space-y-4 text-[15px]">
          {looked ? (
            <div>
              <h2 className="mb-1 font-serif text-[18px] font-medium">Answer</h2>
              <p>
                <b>
                  <MathText text={looked.parts.map(({ keyText }) => keyText).join("; ")} />
                </b>
                . <MathText text={looked.solution} />
              </p>
              {looked.hint ? (
                <p className="text-mute mt-1">
                  Hint: <MathText text={looked.hint} />
                </p>
              ) : null}
              <ul className="text-clay mt-1">
                {view.mistakes.map(({ words, name }) => (
                  <li key={`${words} ${name}`}>
                    <MathText text={words} />: {name.toLowerCase()}
                  </li>
                ))}
              </ul>
            </div>
          ) : null}
          <About view={view} base={base} />
          <KeptApart view={view} base={base} />
          <Notes key={view.id} view={notes} />
          <div>
            <h2 className="mb-1 font-serif text-[18px] font-medium">Versions</h2>
            <ul>
              {view.versions.map((one) => (
                <li key={one.id} className="border-hair border-t py-1">
                  <Link
                    aria-current={one.isShown ? "true" : undefined}
                    className={one.isShown ? "font-semibold" : "underline underline-offset-3"}
                    href={`${path}?version=${encodeURIComponent(one.id)}&draw=${draw}`}
                  >
                    Version {one.number}
                    {one.isDraft ? ", draft" : ""}
                  </Link>
                  , {one.by}, {one.when}
                  {one.students > 0 ? `; met by ${one.students === 1 ? "1 student" : `${one.students} students`}` : ""}
                </li>
              ))}
            </ul>
          </div>
        </section>
      </div>
    </div>
  );
}

function About({ view, base }: { readonly view: View; readonly base: string }) {
  const comparison = harderWords(view.harderBy);
  return (
    <div>
      <h2 className="mb-1 font-serif text-[18px] font-medium">What it is about</h2>
      <ul>
        {view.skills.map(({ id, name, codes }) => (
          <li key={id}>
            <Link className="decoration-hair underline underline-offset-3" href={`${base}/library/${id}`}>
              {name}
            </Link>{" "}
            <span className="text-mute">{codes.join(", ")}</span>
          </li>
        ))}
        {view.standards.map(({ code, statement }) => (
          <li key={code}>
            {code}: {statement}
          </li>
        ))}
      </ul>
      <p className="text-mute mt-1">
        {view.difficulty === null
          ? "Its difficulty is not known yet."
          : `${view.isCalibrated ? "Calibrated" : "Expected"} difficulty ${view.difficulty.toFixed(1)} logits, grade 6 ends at 0${comparison ? `: ${comparison} of its skill` : ""}.`}{" "}
        {useWords(view) === "" ? "" : `Students: ${useWords(view)}. `}About {view.seconds} s.
        {view.calculator ? " A calculator may be used." : ""}
      </p>
    </div>
  );
}
