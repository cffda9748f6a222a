import Link from "next/link";
import type { ReactNode } from "react";
import { ButtonLink } from "@/ui/primitives/Button";
import type { StudentHome, StudentNext, StudentReviewToday, StudentWork } from "../types";
import { HomeLines } from "./HomeLines";
import { OwnDays } from "./own/OwnDays";
import { OwnRiver } from "./River";
import { SendWaiting } from "./SendWaiting";
import { SignOut } from "./SignOut";
import { TakeNext, TakeReview } from "./TakeNext";
import { WORK_WORDS } from "./workWords";

/** A student's own page: what to do now, and the river that has grown so far. */
export function StudentHomePage({
  home,
  personId,
  signOut,
  daily,
  interests,
}: {
  readonly home: StudentHome;
  readonly personId: string;
  readonly signOut: () => Promise<void>;
  /** What is practised every day beside the work, as list items; null for nothing. */
  readonly daily: ReactNode;
  /** The choice of interests, which is the roster's. */
  readonly interests: ReactNode;
}) {
  return (
    <main className="font-reading mx-auto max-w-[820px] px-5 py-6 text-[20px] sm:px-12">
      <header className="flex items-baseline justify-between gap-4">
        <h1 className="font-serif text-[30px]">Hello, {home.name}</h1>
        <SignOut signOut={signOut} />
      </header>
      <SendWaiting personId={personId} serverNow={home.serverNow} />
      <HomeLines lines={home.lines} />
      <OwnRiver skills={home.river} />
      <p className="text-mute mb-6 text-[17px]">
        {home.river.filter(({ mark }) => mark === "now").length === 0
          ? "Your river grows with everything you master."
          : `${home.river.filter(({ mark }) => mark === "now").length} mastered so far.`}{" "}
      </p>
      <h2 className="mb-2 font-serif text-[24px]">Now</h2>
      {home.now.length === 0 &&
      home.next.every(({ open }) => open === null) &&
      home.reviews.length === 0 &&
      daily === null ? (
        <p className="text-mute">{nothingWords(home)}</p>
      ) : null}
      <ul>
        {home.now.map((work, place) => (
          <WorkItem key={work.workId} work={work} isFirst={place === 0} />
        ))}
        {home.next.map((next) => (
          <NextItem key={next.classId} next={next} isFirst={home.now.length === 0} />
        ))}
        {home.reviews.map((review) => (
          <ReviewItem
            key={review.classId}
            review={review}
            isFirst={home.now.length === 0 && home.next.every(({ open }) => open === null)}
          />
        ))}
        {daily}
      </ul>
      <p className="border-hair flex flex-wrap items-center justify-between gap-4 border-t py-4">
        <Link className="underline underline-offset-4" href="/river/own">
          Choose something of my own
        </Link>
        {home.own.length > 0 ? (
          <span className="text-mute text-[17px]">
            left open:{" "}
            {home.own.slice(0, 3).map(({ workId, title }, place) => (
              <span key={workId}>
                {place > 0 ? ", " : ""}
                <Link className="text-ink underline underline-offset-4" href={`/river/${workId}`}>
                  {title}
                </Link>
              </span>
            ))}
          </span>
        ) : null}
      </p>
      {home.later.length > 0 ? (
        <>
          <h2 className="mt-8 mb-2 font-serif text-[24px]">Later</h2>
          <ul className="text-mute">
            {home.later.map((work) => (
              <li key={work.workId} className="border-hair border-t py-3">
                {work.title}, opens {work.opens}
              </li>
            ))}
          </ul>
        </>
      ) : null}
      {home.over.length > 0 ? (
        <>
          <h2 className="mt-8 mb-2 font-serif text-[24px]">The time is over</h2>
          <ul className="text-mute text-[18px]">
            {home.over.map((work) => (
              <li key={work.workId} className="border-hair flex justify-between gap-4 border-t py-2.5">
                <span>{work.title}</span>
                <span>was open until {work.due}; your teacher can open it again</span>
              </li>
            ))}
          </ul>
        </>
      ) : null}
      {home.done.length > 0 ? (
        <>
          <h2 className="mt-8 mb-2 font-serif text-[24px]">Done</h2>
          <ul className="text-mute text-[18px]">
            {home.done.map((work) => (
              <li key={work.workId} className="border-hair flex justify-between gap-4 border-t py-2.5">
                <span>
                  {work.title}
                  {work.comments.map((text) => (
                    <span key={text} className="text-ink block text-[17px]">
                      “{text}”
                    </span>
                  ))}
                </span>
                {work.hasResults ? (
                  <Link className="text-ink underline underline-offset-4" href={`/river/${work.workId}/results`}>
                    see how it went
                  </Link>
                ) : (
                  <span>
                    {work.excused
                      ? "you need not do this"
                      : work.partCount > 1
                        ? "done"
                        : WORK_WORDS[work.kind].finished(work)}
                  </span>
                )}
              </li>
            ))}
          </ul>
        </>
      ) : null}
      <OwnDays days={home.days} />
      {interests}
    </main>
  );
}

function nothingWords({ over, next }: StudentHome): string {
  if (next.some(({ onlyElsewhere }) => onlyElsewhere)) return "What is left of your plan is for another place.";
  if (next.length > 0) return "You have mastered everything in your plan. Well done.";
  return over.length === 0 ? "Nothing is waiting for you. Well done." : "Nothing is open for you at the moment.";
}

/** What a class's plan gives next: there without anybody having given it, and without a due day. */
function NextItem({
  next: { classId, subject, open },
  isFirst,
}: {
  readonly next: StudentNext;
  readonly isFirst: boolean;
}) {
  if (!open) return null;
  return (
    <li className="border-hair flex flex-wrap items-center justify-between gap-4 border-t py-4">
      <div>
        <p className="font-semibold">{open.title}</p>
        <p className="text-mute text-[17px]">
          {open.neededFor === null ? `next in ${subject.toLowerCase()}` : `you need it for “${open.neededFor}”`}
        </p>
      </div>
      <TakeNext classId={classId} isFirst={isFirst}>
        {open.begun ? "Go on" : "Begin"}
      </TakeNext>
    </li>
  );
}

/** What was learned and comes back today. */
function ReviewItem({ review, isFirst }: { readonly review: StudentReviewToday; readonly isFirst: boolean }) {
  const { classId, subject, skills, minutes, state } = review;
  const what = skills === 1 ? "one thing you learned comes back" : `${skills} things you learned come back`;
  return (
    <li className="border-hair flex flex-wrap items-center justify-between gap-4 border-t py-4">
      <div>
        <p className="font-semibold">{subject === "" ? "Review" : `Review, ${subject.toLowerCase()}`}</p>
        <p className="text-mute text-[17px]">
          {state === "done" ? "done for today" : `${what}, about ${minutes} ${minutes === 1 ? "minute" : "minutes"}`}
        </p>
      </div>
      {state === "done" ? (
        <ButtonLink look="plain" size="big" href="/river/kept">
          See what I keep
        </ButtonLink>
      ) : (
        <TakeReview classId={classId} isFirst={isFirst}>
          {state === "begun" ? "Go on" : "Begin"}
        </TakeReview>
      )}
    </li>
  );
}

function WorkItem({ work, isFirst }: { readonly work: StudentWork; readonly isFirst: boolean }) {
  return (
    <li className="border-hair flex flex-wrap items-center justify-between gap-4 border-t py-4">
      <div>
        <p className="font-semibold">{work.title}</p>
        <p className="text-mute text-[17px]">
          {work.partCount > 1 ? `${work.partCount} parts, ` : WORK_WORDS[work.kind].what}
          {work.due === null
            ? "whenever you like"
            : work.late
              ? `was due ${work.due}; late work is taken until ${work.until}`
              : `until ${work.due}`}
        </p>
        {work.waitsFor ? (
          <p className="text-mute text-[17px]">First finish “{work.waitsFor}”. Then this opens.</p>
        ) : null}
      </div>
      {work.waitsFor || work.onPaper ? null : (
        <ButtonLink look={isFirst ? "main" : "plain"} size="big" href={`/river/${work.workId}`}>
          {work.again ? "Try again" : work.begun ? "Go on" : "Begin"}
        </ButtonLink>
      )}
    </li>
  );
}
