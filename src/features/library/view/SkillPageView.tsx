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
import { FirstTeachingView } from "./FirstTeachingView";
import { ModelSection } from "./ModelSection";
import { Notes } from "./Notes";
import { NotesToComplete } from "./NotesToComplete";
import { ReteachPlanView } from "./ReteachPlanView";

/** A skill to prepare it: the standard, how to teach it the first time, the lesson as students see it, the reteach plan, items with their mistakes. */
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
        {skill.unit ? (
          <>
            Taught in{" "}
            <Link
              className="text-ink decoration-hair underline underline-offset-3"
              href={`${base}/library/units/${skill.unit.id}`}
            >
              {skill.unit.name}
            </Link>
            .{" "}
          </>
        ) : null}
        {skill.buildsOn.length > 0 ? "Builds on " : "Builds on nothing else here. "}
        <Names entries={skill.buildsOn} base={base} />
        {skill.unlocks.length > 0 ? " Leads to " : ""}
        <Names entries={skill.unlocks} base={base} />{" "}
        <Link className="decoration-hair underline underline-offset-3" href={`${base}/library/map?skill=${skill.id}`}>
          See it on the map
        </Link>
      </p>
      {skill.teaching ? <p className="mb-4 max-w-3xl text-[16px]">{skill.teaching.meaning}</p> : null}
      <div className="grid gap-8 text-[15px] lg:grid-cols-3">
        {skill.teaching ? (
          <section>
            <h2 className={HEAD}>Teaching it the first time</h2>
            <FirstTeachingView teaching={skill.teaching} />
          </section>
        ) : null}
        <section>
          <h2 className={HEAD}>The lesson, as students read it</h2>
          <p>
            <MathText text={skill.lesson.idea} />
          </p>
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
          {skill.teaching ? (
            <>
              <h2 className={`${HEAD} mt-6`}>Hints, from a nudge on</h2>
              <ol className="list-decimal space-y-1 pl-5">
                {skill.teaching.hints.map((hint) => (
                  <li key={hint}>{hint}</li>
                ))}
              </ol>
              <h2 className={`${HEAD} mt-6`}>Notes for students to complete</h2>
              <NotesToComplete notes={skill.teaching.notes} />
              <p className="no-print mt-1.5">
                <Link className="underline underline-offset-3" href={`${base}/library/${skill.id}/notes`}>
                  A sheet to print
                </Link>
              </p>
            </>
          ) : null}
          <div className="no-print mt-6">
            <Notes key={skill.id} view={notes} />
          </div>
        </section>
        <section>
          <h2 className={HEAD}>Reteach plan</h2>
          <ReteachPlanView plan={skill.reteach} mistakes={skill.lookedAt} />
        </section>
      </div>
      <ModelSection key={`model ${skill.id}`} model={skill.teaching?.model ?? null} title={skill.name} />
      <section className="mt-8 text-[15px]">
        <h2 className={`${HEAD} flex items-baseline gap-4`}>
          Items
          <Link
            className="no-print font-sans text-[14px] underline underline-offset-3"
            href={`${base}/library/${skill.id}?draw=${draw + 1}`}
            scroll={false}
          >
            Show others
          </Link>
        </h2>
        <div className="grid gap-x-8 lg:grid-cols-3">
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
                {/[.?!]$/.test(item.answer) ? "" : "."} <MathText text={item.solution} />
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
        </div>
      </section>
    </div>
  );
}

const HEAD = "mb-2 font-serif text-[18px] font-medium";

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
