import type { Metadata } from "next";
import { masteryMap } from "@/features/evidence/reads/evidence";
import { daySigns } from "@/features/evidence/reads/signs/daySigns";
import { factSigns } from "@/features/facts/reads/factSigns";
import { closePointerAction } from "@/features/frame/actions";
import { pointersForMe } from "@/features/frame/reads/pointers";
import { planFigure } from "@/features/plan/figure";
import { comingGaps } from "@/features/plan/reads/comesNext";
import { groupList } from "@/features/regroup/reads/groupList";
import { reviewSigns } from "@/features/review/reads/reviewSigns";
import { unlockStudentsAction } from "@/features/roster/actions";
import { rosterView } from "@/features/roster/reads/rosterView";
import { todayLines } from "@/features/today/lines/todayLines";
import { todayView } from "@/features/today/reads/todayView";
import { TodayPage } from "@/features/today/view/TodayPage";
import { workList } from "@/features/work/reads/works";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import type { Context } from "@/server/runtime/context";
import { todayInWords } from "@/server/runtime/school";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Today" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  const { chosen } = await ownClasses(key);
  const ids = chosen.map(({ id }) => id);
  const found = await attempt(async (context) => ({
    name: context.actor.name.split(" ")[0] ?? "",
    day: await todayInWords(context, "EEEE d MMMM"),
    view: await todayView(context, todayLines(`/desk/${key}`, await factsOf(context, ids))),
  }));
  return found.ok ? (
    <TodayPage {...found.data} letIn={unlockStudentsAction} close={closePointerAction} />
  ) : (
    <Refused message={found.message} href="/" label="Back to the start" />
  );
}

/** What the stations know; of a whole school only what is not read class by class. */
async function factsOf(context: Context, ids: readonly string[]) {
  const [pointers, roster] = await Promise.all([pointersForMe(context), rosterView(context, ids)]);
  if (ids.length === 0)
    return {
      pointers,
      roster,
      works: [],
      groups: [],
      map: null,
      plan: null,
      gaps: [],
      signs: null,
      numberFacts: null,
      reviews: [],
    };
  const [works, groups, map, plan, gaps, signs, numberFacts, reviews] = await Promise.all([
    workList(context, ids),
    groupList(context, ids),
    masteryMap(context, ids),
    planFigure(context, ids),
    comingGaps(context, ids),
    daySigns(context, ids),
    factSigns(context, ids),
    reviewSigns(context, ids),
  ]);
  return { pointers, roster, works, groups, map, plan, gaps, signs, numberFacts, reviews };
}
