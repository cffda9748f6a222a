import Link from "next/link";
import { PageHead } from "@/ui/layout/PageHead";
import { PrintButton } from "@/ui/layout/PrintButton";
import { ButtonLink } from "@/ui/primitives/Button";
import { MathText } from "@/ui/primitives/MathText";
import { NumberTable } from "@/ui/primitives/NumberTable";
import { Strips } from "@/ui/primitives/Strips";
import { VIA_WORDS } from "@/words/staff/standardWords";
import type { NotesView } from "../itemTypes";
import type { SkillPage } from "../types";
import { Notes } from "./Notes";

/** A skill to prepare it: the standard, the lesson as students see it, items with their mistakes, the reteach plan. */
export function SkillPageView({
  skill,
  notes,
  base,
  draw,
}: {
  readonly skill: SkillPage;
  readonly notes: NotesView;
  readonly base: string;
  readonly draw: number;
}) {
  return (
    <div className="px-5 py-4">
      <PageHead
        title={skill.name}
        sub={`Grade ${skill.grade}${skill.code === "" ? "" : `, ${skill.framework} ${skill.code}${skill.via ? ` (${VIA_WORDS[skill.via]})` : ""}: ${skill.statement}`}`}
      >
        <ButtonLink look="main" href={`${base}/work/new?skill=${skill.id}`}>
          Assign practice
        </ButtonLink>
        <ButtonLink href={`${base}/library/items?skill=${skill.id}`}>Its items</ButtonLink>
        <ButtonLink href={`${base}/library/items/new?skill=${skill.id}`}>Write an item</ButtonLink>
        <PrintButton />
      </PageHead>
      <p className="text-mute mb-4 text-[15px]">
        {skill.buildsOn.length > 0 ? "Builds on " : "Builds on nothing else here. "}
        <Names entries={skill.buildsOn} base={base} />
        {skill.unlocks.length > 0 ? " Leads to " : ""}
        <Names entries={skill.unlocks} base={base} />{" "}
        <Link className="decoration-hair underline underline-offset-3" href={`${base}/library/map?skill=${skill.id}`}>
          See it on the map
        </Link>
      </p>
      <div className="grid gap-8 text-[15px] lg:grid-cols-3">
        <section>
          <h2 className="mb-2 font-serif text-[18px] font-medium">The lesson, as students read it</h2>
          <p>{skill.lesson.idea}</p>
          <p className="mt-2 font-semibold">
            <MathText text={skill.lesson.example} />
          </p>
          {skill.lesson.picture ? <Strips rows={skill.lesson.picture} /> : null}
          <ol className="mt-2 list-decimal space-y-1 pl-5">
            {skill.lesson.steps.map((step) => (
              <li key={step}>
                <MathText text={step} />
              </li>
            ))}
          </ol>
        </section>
        <section>
          <h2 className="mb-2 flex items-baseline justify-between font-serif text-[18px] font-medium">
            Items
            <Link
              className="font-sans text-[14px] underline underline-offset-3"
              href={`${base}/library/${skill.id}?draw=${draw + 1}`}
              scroll={false}
            >
              Show others
            </Link>
          </h2>
          {skill.items.map((item) => (
            <div key={item.itemId} className="border-hair mb-3 border-t pt-2">
              <p className="font-reading">
                <MathText text={item.stem} />
              </p>
              <NumberTable rows={item.table} />
              {item.options.length > 0 ? (
                <p className="text-mute mt-1">
                  <MathText text={item.options.join("   ·   ")} />
                </p>
              ) : null}
              <p className="mt-1">
                Answer:{" "}
                <b>
                  <MathText text={item.answer} />
                </b>
                . <MathText text={item.solution} />
              </p>
              <ul className="text-clay mt-1 text-[14px]">
                {item.mistakes.map(({ answer, name }) => (
                  <li key={`${answer} ${name}`}>
                    <MathText text={answer} />: {name.toLowerCase()}
                  </li>
                ))}
              </ul>
            </div>
          ))}
        </section>
        <section>
          <div className="no-print mb-6">
            <Notes key={skill.id} view={notes} />
          </div>
          <h2 className="mb-2 font-serif text-[18px] font-medium">Reteach plan</h2>
          <p className="text-mute">You need: {skill.reteach.materials}</p>
          <p className="mt-2">{skill.reteach.show}</p>
          <ul className="mt-2 list-disc space-y-0.5 pl-5">
            {skill.reteach.ask.map((question) => (
              <li key={question}>{question}</li>
            ))}
          </ul>
          <p className="mt-2">
            <b>Together:</b> <MathText text={`${skill.reteach.together.task} (${skill.reteach.together.answer})`} />
          </p>
          <p className="mt-2">
            <b>Alone:</b> <MathText text={`${skill.reteach.alone.task} (${skill.reteach.alone.answer})`} />
          </p>
          <p className="mt-2">
            <b>Exit item:</b> <MathText text={skill.reteach.exit.task} />
          </p>
          <ul className="mt-1">
            {skill.reteach.exit.answers.map(({ answer, means, next }) => (
              <li key={answer} className="border-hair border-t py-1">
                <b>
                  <MathText text={answer} />
                </b>
                : {means} <span className="text-mute">{next}</span>
              </li>
            ))}
          </ul>
        </section>
      </div>
    </div>
  );
}

function Names({ entries, base }: { readonly entries: SkillPage["buildsOn"]; readonly base: string }) {
  if (entries.length === 0) return null;
  return (
    <>
      {entries.map(({ id, name }, place) => (
        <span key={id}>
          {place > 0 ? ", " : ""}
          <Link className="text-ink decoration-hair underline underline-offset-3" href={`${base}/library/${id}`}>
            {name}
          </Link>
        </span>
      ))}
      .
    </>
  );
}
