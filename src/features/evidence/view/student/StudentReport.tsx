"use client";
import Link from "next/link";
import { useParams, useRouter, useSearchParams } from "next/navigation";
import { usePullList } from "@/client/pull-list/pullList";
import { WeekBars } from "@/ui/charts/WeekBars";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { MathText } from "@/ui/primitives/MathText";
import { TALK_WORDS } from "@/words/staff/talkWords";
import { whyWords } from "@/words/staff/whyWords";
import type { StudentReportView } from "../../studentTypes";
import { useFrame } from "../frame/useFrame";
import { Files } from "../parts/Files";
import { Course } from "./Course";
import { type GivePractice, PracticeNow } from "./PracticeNow";
import { SkillList } from "./SkillList";
import { SupportText } from "./SupportText";

const heading = "mt-5 mb-1 text-[16px] font-bold";
const VERDICTS = { learned: "learned it", closer: "came closer", "round-again": "goes round again" } as const;

/** One student: the level and what holds it down, what has been shown, what is ready, what is missing, and what is worth doing first. */
export function StudentReport({ view, give }: { readonly view: StudentReportView; readonly give: GivePractice }) {
  const { classes } = useParams<{ classes: string }>();
  const { kept } = useFrame();
  const pull = usePullList();
  const own = `/desk/${classes}/evidence/students/${view.id}`;
  const first = view.worth[0];
  return (
    <div className="px-5 py-3">
      <PageHead
        title={view.name}
        sub={
          <>
            {view.classNames.join(", ")}
            {view.grade === null ? "" : `, grade ${view.grade}`}
            {view.left ? ", left the school" : ""}; in these days {view.range.minutes} minutes, {view.range.right} of{" "}
            {view.range.answered} right at the first try.{" "}
            <Link
              className="decoration-hair underline underline-offset-3"
              href={`/desk/${classes}/evidence/students${kept()}`}
            >
              Another student
            </Link>
          </>
        }
      >
        <Button onClick={() => pull.toggle({ id: view.id, name: view.name, skillId: first?.id ?? null })}>
          {pull.has(view.id) ? "Take off the pull list" : "Pull"}
        </Button>
        <ButtonLink href={`${own}/conference${kept()}`}>For a conference</ButtonLink>
        <ButtonLink href={`${own}/family${kept()}`}>For the family</ButtonLink>
        <Files report="students" of={{ student: view.id }} />
      </PageHead>
      <div className="grid gap-x-10 lg:grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)]">
        <div>
          <Course view={view} />
          <h2 className={heading}>Missing underneath{view.current ? ` ${view.current.name}` : ""}</h2>
          <SkillList
            lines={view.missing}
            empty={
              view.current
                ? `Nothing: everything that ${view.current.name} builds on is likely there.`
                : "No plan says what is being taught now."
            }
            note={(line) => {
              const under = view.missing.find(({ id }) => id === line.id)?.under;
              return under ? `needed for ${under}` : "";
            }}
          />
          <h2 className={heading}>Ready for</h2>
          <SkillList lines={view.ready} empty="Nothing more that is known here." />
          <h2 className={heading}>Has shown ({view.shown.length})</h2>
          <SkillList lines={view.shown} empty="Nothing yet with enough evidence." most={8} />
        </div>
        <div>
          <Worth view={view} give={give} />
          <Held view={view} />
          <h2 className={heading}>Work put in, minutes a week</h2>
          <WeekBars weeks={view.weeks} />
          <h2 className={heading}>Recent work</h2>
          <ul className="text-[14px]">
            {view.works.map((work) => (
              <li key={work.id} className="border-hair flex justify-between gap-3 border-t py-0.5">
                <Link
                  className="decoration-hair min-w-0 truncate underline underline-offset-3"
                  href={`/desk/${classes}/evidence/pieces/${work.id}${kept()}`}
                >
                  {work.title}
                </Link>
                <span className="text-mute whitespace-nowrap">
                  {work.percent === null ? "" : `${work.percent} %, `}
                  {work.state}
                  {work.minutes > 0 ? `, ${work.minutes} min` : ""}, {work.day}
                </span>
              </li>
            ))}
          </ul>
          {view.works.length === 0 ? <p className="text-mute text-[14px]">No work in these days.</p> : null}
          <h2 className={heading}>What was tried, and what came of it</h2>
          <Tried view={view} />
          <p className="mt-3 text-[14px]">
            <b>Supports:</b> {view.supports}. <b>Groups:</b>{" "}
            {view.groups.length === 0
              ? "none"
              : view.groups.map(({ id, name }, place) => (
                  <span key={id}>
                    {place > 0 ? ", " : ""}
                    <Link
                      className="decoration-hair underline underline-offset-3"
                      href={`/desk/${classes}/regroup/${id}`}
                    >
                      {name}
                    </Link>
                  </span>
                ))}
            .
          </p>
          <SupportText view={view} />
        </div>
      </div>
    </div>
  );
}

/** What is worth doing first in the minutes at hand, with a task to begin with and practice in one move. */
function Worth({ view, give }: { readonly view: StudentReportView; readonly give: GivePractice }) {
  const router = useRouter();
  const search = useSearchParams();
  const choose = (minutes: string) => {
    const next = new URLSearchParams(search);
    next.set("minutes", minutes);
    router.push(`?${next}`, { scroll: false });
  };
  return (
    <section className="border-ink border-t-2 pt-1.5" aria-labelledby="worth-title">
      <h2 id="worth-title" className="text-[16px] font-bold">
        Worth doing first, in{" "}
        <select
          aria-label="Minutes at hand"
          className="word-edit bg-transparent"
          value={view.minutesAtHand}
          onChange={(event) => choose(event.target.value)}
        >
          {[3, 5, 10, 20].map((minutes) => (
            <option key={minutes} value={minutes}>
              {minutes} minutes
            </option>
          ))}
        </select>
      </h2>
      {view.worth.length === 0 ? <p className="text-mute text-[15px]">Everything in sight is mastered.</p> : null}
      <ol>
        {view.worth.slice(0, 3).map((line, place) => (
          <li key={line.id} className="border-hair mt-1.5 border-t pt-1.5 text-[15px] first:border-0">
            <p>
              <b>{line.name}</b>
              <span className="text-mute">
                , grade {line.grade}
                {line.fits ? "" : "; needs more minutes than there are"}
              </span>
            </p>
            <p className="text-mute text-[14px]">
              {whyWords("worthDoing", line.why).replace(/^./, (letter) => letter.toUpperCase())}.
            </p>
            {place === 0 && line.task ? (
              <p className="font-reading mt-1 text-[16px]">
                <MathText text={line.task} />
              </p>
            ) : null}
            {place === 0 ? <PracticeNow view={view} skillId={line.id} give={give} /> : null}
          </li>
        ))}
      </ol>
    </section>
  );
}

/** Where more of the same is unlikely to help, and which mistakes showed. */
function Held({ view }: { readonly view: StudentReportView }) {
  return (
    <>
      <h2 className={heading}>What goes wrong</h2>
      {view.snags.length + view.mistakes.length === 0 ? (
        <p className="text-mute text-[14px]">No snag is open, and no known mistake showed in these days.</p>
      ) : null}
      <ul className="text-[14px]">
        {view.snags.map(({ id, name, why }) => (
          <li key={id} className="border-hair border-t py-0.5">
            <b className="font-semibold">Held up in {name}</b>: {whyWords("snag", why)}.
          </li>
        ))}
        {view.mistakes.slice(0, 5).map(({ name, skill, times }) => (
          <li key={`${name} ${skill}`} className="border-hair border-t py-0.5">
            {name}, {times === 1 ? "once" : `${times} times`} <span className="text-mute">in {skill}</span>
          </li>
        ))}
      </ul>
    </>
  );
}

function Tried({ view }: { readonly view: StudentReportView }) {
  const percent = (chance: number) => `${Math.round(chance * 100)} %`;
  if (view.tried.length + view.talks.length === 0)
    return <p className="text-mute text-[14px]">No reteach and no talk is noted.</p>;
  return (
    <ul className="text-[14px]">
      {view.tried.map((one) => (
        <li key={`${one.day} ${one.group}`} className="border-hair border-t py-0.5">
          {one.day}: taught again in {one.skill} by {one.by} ({one.group});{" "}
          {one.verdict === null
            ? "the check is open"
            : `${VERDICTS[one.verdict]}, chance of mastery ${percent(one.before)} to ${one.after === null ? "not known" : percent(one.after)}`}
        </li>
      ))}
      {view.talks.map((talk) => (
        <li key={`${talk.day} ${talk.skill} ${talk.reason}`} className="border-hair border-t py-0.5">
          {talk.day}: a talk with {talk.by} on {talk.skill}; {TALK_WORDS[talk.reason]}
        </li>
      ))}
    </ul>
  );
}
