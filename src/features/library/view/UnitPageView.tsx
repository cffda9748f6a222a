import Link from "next/link";
import type { ReactNode } from "react";
import type { UnitMoment } from "@/core/model/unit";
import { PageHead } from "@/ui/layout/PageHead";
import { PrintButton } from "@/ui/layout/PrintButton";
import { ButtonLink } from "@/ui/primitives/Button";
import { MathText } from "@/ui/primitives/MathText";
import { checkTitle } from "@/words/staff/unitWords";
import type { NotesView } from "../itemTypes";
import type { UnitPage } from "../unitTypes";
import { ModelButton } from "./ModelButton";
import { Notes } from "./Notes";

/** A unit before it is taught: what it builds, its skills and models, where students trip, what to check when. */
export function UnitPageView({
  unit,
  notes,
  base,
}: {
  readonly unit: UnitPage;
  readonly notes: NotesView;
  readonly base: string;
}) {
  const { guide } = unit;
  const minutes = guide.study.reduce((sum, task) => sum + task.minutes, 0);
  return (
    <div className="px-5 py-4">
      <PageHead
        title={unit.name}
        sub={`Grade ${unit.grade}, unit ${unit.number} of ${unit.ofUnits}, about ${unit.weeks} weeks`}
      >
        <ButtonLink look="main" href={`${base}/library/units/${unit.id}/study`}>
          Study it, {String(minutes)} minutes
        </ButtonLink>
        <ButtonLink href={`${base}/library/units?grade=${unit.grade}`}>
          All units of grade {String(unit.grade)}
        </ButtonLink>
        <PrintButton />
      </PageHead>
      <p className="mb-5 max-w-4xl text-[17px] leading-relaxed">{guide.builds}</p>
      <div className="grid gap-x-10 gap-y-6 text-[15px] lg:grid-cols-[1.25fr_1fr]">
        <section>
          <h2 className={HEAD}>Skills, in this order</h2>
          <ol>
            {unit.skills.map((skill) => (
              <li key={skill.id} className="border-hair border-t py-2">
                <div className="flex items-baseline justify-between gap-4">
                  <Link
                    href={`${base}/library/${skill.id}`}
                    className="decoration-hair hover:decoration-ink text-[16px] font-semibold underline underline-offset-4"
                  >
                    {skill.name}
                  </Link>
                  <span className="text-mute text-[14px] whitespace-nowrap">{skill.code}</span>
                </div>
                <p>{skill.meaning}</p>
                {skill.model ? (
                  <span className="no-print -ml-3 inline-block">
                    <ModelButton model={skill.model} title={skill.name}>
                      {`Move the ${skill.model.kind.replaceAll("-", " ")}`}
                    </ModelButton>
                  </span>
                ) : null}
              </li>
            ))}
          </ol>
          <h2 className={`${HEAD} mt-4`}>Pictures and models</h2>
          <p>{guide.pictures}</p>
          <h2 className={`${HEAD} mt-5`}>Before and after</h2>
          <p>
            <b>Students bring:</b> {guide.before} <Names skills={unit.buildsOn} grade={unit.grade} base={base} />
          </p>
          <p className="mt-1.5">
            <b>It leads on:</b> {guide.after} <Names skills={unit.leadsTo} grade={unit.grade} base={base} />
          </p>
        </section>
        <section>
          <h2 className={HEAD}>Where students trip</h2>
          <dl>
            {guide.trips.map(({ where, help }) => (
              <div key={where} className="border-hair border-t py-2">
                <dt className="text-clay">{where}</dt>
                <dd className="mt-0.5">{help}</dd>
              </div>
            ))}
          </dl>
          <h2 className={`${HEAD} mt-4`}>Words to use</h2>
          <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-0.5">
            {unit.words.map(({ word, means }) => (
              <Word key={word} word={word} means={means} />
            ))}
          </dl>
        </section>
      </div>
      <section className="mt-7 break-inside-avoid">
        <h2 className={HEAD}>Assessments to give</h2>
        <div className="grid gap-x-8 gap-y-4 text-[15px] md:grid-cols-3">
          {unit.checks.map((check) => (
            <div key={check.moment} className="border-ink border-t-2 pt-2">
              <h3 className="font-semibold">{MOMENTS[check.moment]}</h3>
              <p className="text-mute">
                {check.items} items on {check.skills.map(({ name }) => name.toLowerCase()).join(", ")}
              </p>
              <p className="mt-1">{guide.checks[check.moment]}</p>
              <p className="no-print mt-2">
                <ButtonLink href={assignHref(base, unit.name, check)}>Assign it</ButtonLink>
              </p>
            </div>
          ))}
        </div>
      </section>
      <div className="no-print mt-7 max-w-2xl">
        <Notes key={unit.id} view={notes} />
      </div>
      <nav aria-label="Other units" className="no-print mt-6 flex justify-between text-[15px]">
        <Neighbour unit={unit.earlier} base={base}>
          Before it
        </Neighbour>
        <Neighbour unit={unit.later} base={base}>
          After it
        </Neighbour>
      </nav>
    </div>
  );
}

const HEAD = "mb-1.5 font-serif text-[18px] font-medium";

const MOMENTS: Readonly<Record<UnitMoment, string>> = {
  before: "A week before it begins",
  midway: "Halfway",
  end: "At its end",
};
function assignHref(base: string, name: string, { moment, skills, items }: UnitPage["checks"][number]): string {
  const search = new URLSearchParams({
    kind: "test",
    skill: skills.map(({ id }) => id).join("~"),
    amount: String(items),
    title: checkTitle(moment, name),
  });
  return `${base}/work/new?${search}`;
}

function Names({
  skills,
  grade,
  base,
}: {
  readonly skills: UnitPage["buildsOn"];
  readonly grade: number;
  readonly base: string;
}) {
  if (skills.length === 0) return null;
  return (
    <span className="text-mute">
      (
      {skills.map((skill, place) => (
        <span key={skill.id}>
          {place > 0 ? ", " : ""}
          <Link className="decoration-hair underline underline-offset-3" href={`${base}/library/${skill.id}`}>
            {skill.name}
          </Link>
          {skill.grade === grade ? "" : `, grade ${skill.grade}`}
        </span>
      ))}
      )
    </span>
  );
}

const Word = ({ word, means }: UnitPage["words"][number]) => (
  <>
    <dt className="italic">{word}</dt>
    <dd>
      <MathText text={means} />
    </dd>
  </>
);

const Neighbour = ({
  unit,
  base,
  children,
}: {
  readonly unit: UnitPage["earlier"];
  readonly base: string;
  readonly children: ReactNode;
}) =>
  unit ? (
    <span>
      {children}:{" "}
      <Link className="decoration-hair underline underline-offset-3" href={`${base}/library/units/${unit.id}`}>
        {unit.name}
      </Link>
    </span>
  ) : (
    <span />
  );
