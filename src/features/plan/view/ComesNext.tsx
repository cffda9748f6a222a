import Link from "next/link";
import { ButtonLink } from "@/ui/primitives/Button";
import type { PlanView } from "../types";

/** What is due this week; what begins next and what it builds on, with who lacks it, while there is still time. */
export function ComesNext({ view: { comes, thisWeek }, base }: { readonly view: PlanView; readonly base: string }) {
  if (!comes && thisWeek.length === 0) return null;
  return (
    <section aria-label="What comes next" className="border-water mb-4 max-w-4xl border-l-4 pl-3 text-[15px]">
      {thisWeek.length > 0 ? (
        <p>
          This week:{" "}
          {thisWeek.map(({ id, name, until }, place) => (
            <span key={id}>
              {place > 0 ? ", " : ""}
              <b>{name}</b> <span className="text-mute">until {until}</span>
            </span>
          ))}
          .
        </p>
      ) : null}
      {comes ? <Beginning comes={comes} base={base} /> : null}
    </section>
  );
}

function Beginning({
  comes: { title, from, buildsOn, check },
  base,
}: {
  readonly comes: NonNullable<PlanView["comes"]>;
  readonly base: string;
}) {
  const search = new URLSearchParams({
    skill: (check?.skillIds ?? []).join("~"),
    amount: String(check?.items ?? 0),
    title: `Before ${title}`.slice(0, 80),
  });
  return (
    <>
      <p>
        <b>{title}</b> begins on {from}
        {buildsOn.length === 0 ? " and builds on nothing else." : ". It builds on:"}
      </p>
      {buildsOn.length > 0 ? (
        <ul>
          {buildsOn.map((skill) => (
            <li key={skill.id}>
              <Link
                className="decoration-hair hover:decoration-ink underline underline-offset-4"
                href={`${base}/evidence?skill=${skill.id}`}
              >
                {skill.name}
              </Link>
              <span className="text-mute">, grade {skill.grade}: </span>
              <span className={skill.lacking > 0 ? "text-clay font-semibold" : "text-mute"}>{lackWords(skill)}</span>
            </li>
          ))}
        </ul>
      ) : null}
      {check ? (
        <p className="no-print mt-1">
          <ButtonLink href={`${base}/work/new?${search}`}>Look at it now, in a few items</ButtonLink>
        </p>
      ) : null}
    </>
  );
}

function lackWords({ lacking, unknown, students }: NonNullable<PlanView["comes"]>["buildsOn"][number]): string {
  if (unknown === students) return "nobody has tried it yet";
  const parts = [
    lacking === 0 ? "nobody is seen to lack it" : `${lacking} of ${students} not Secure`,
    ...(unknown > 0 ? [`too little known of ${unknown}`] : []),
  ];
  return parts.join(", ");
}
