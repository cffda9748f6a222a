import type { ReactNode } from "react";
import { signOutAction } from "@/features/access/actions";
import { evidenceFigure } from "@/features/evidence/figure";
import { StudentSheet } from "@/features/evidence/view/StudentSheet";
import { termWords } from "@/features/frame/reads/desk";
import { DeskHeader } from "@/features/frame/view/DeskHeader";
import { skillCards } from "@/features/library/reads/skills";
import { BundleBar } from "@/features/library/view/BundleBar";
import { planFigure } from "@/features/plan/figure";
import { regroupFigure } from "@/features/regroup/figure";
import { PullListBar } from "@/features/regroup/view/PullListBar";
import { rosterFigure } from "@/features/roster/figure";
import { workFigure } from "@/features/work/figure";
import { ownClasses } from "@/server/access/ownClasses";
import { requireStaffPage } from "@/server/access/pages";
import { theRuntime } from "@/server/runtime/runtime";
import { todayInWords } from "@/server/runtime/school";
import { Bend } from "@/ui/layout/Bend";

const PATHS = ["roster", "plan", "work", "evidence", "regroup"] as const;

/** The frame of the desk: header, the bend with its live figures, the pull list, the student sheet. */
export default async function DeskLayout({
  children,
  params,
}: {
  children: ReactNode;
  params: Promise<{ classes: string }>;
}) {
  const { classes: key } = await params;
  const actor = await requireStaffPage();
  const { all, chosen, own, wholeSchool } = await ownClasses(key);
  const context = { runtime: await theRuntime(), actor };
  const ids = chosen.map(({ id }) => id);
  const later = { text: "choose a class", attention: false };
  const whole = key === "school";
  const [roster, plan, work, evidence, regroup, skills, term] = await Promise.all([
    rosterFigure(context, ids),
    whole ? later : planFigure(context, ids),
    whole ? later : workFigure(context, ids),
    whole ? later : evidenceFigure(context, ids),
    whole ? later : regroupFigure(context, ids),
    skillCards(context),
    termWords(context),
  ]);
  const names = ["Roster", "Plan", "Work", "Evidence", "Regroup"];
  const stations = [roster, plan, work, evidence, regroup].map((figure, place) => ({
    name: names[place] ?? "",
    path: PATHS[place] ?? "",
    figure: figure.text,
    attention: figure.attention,
  }));
  return (
    <>
      <div className="bg-paper sticky top-0 z-20">
        <DeskHeader
          classes={all}
          chosenKey={key}
          chosenIds={ids}
          own={own}
          wholeSchool={wholeSchool}
          term={term}
          personName={actor.name}
          stations={PATHS}
          signOut={signOutAction}
        />
        <Bend stations={stations} base={`/desk/${key}`} />
      </div>
      <main id="desk">{children}</main>
      <PullListBar
        classKey={key}
        classIds={ids}
        skills={skills.map(({ id, name }) => ({ id, name }))}
        today={await todayInWords(context, "d MMM")}
      />
      <BundleBar classKey={key} />
      <StudentSheet />
    </>
  );
}
