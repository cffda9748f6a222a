import type { Metadata } from "next";
import { evidenceFigure } from "@/features/evidence/figure";
import { masteryMap } from "@/features/evidence/reads/evidence";
import { closePointerAction } from "@/features/frame/actions";
import { pointersForMe } from "@/features/frame/reads/pointers";
import { planFigure } from "@/features/plan/figure";
import { groupList } from "@/features/regroup/reads/reteachGroups";
import { unlockStudentsAction } from "@/features/roster/actions";
import { rosterView } from "@/features/roster/reads/rosterView";
import { todayLines } from "@/features/today/lines";
import { TodayPage } from "@/features/today/view/TodayPage";
import { workList } from "@/features/work/reads/works";
import { someClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { todayInWords } from "@/server/runtime/school";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Today" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  const { chosen } = await someClasses(key);
  const ids = chosen.map(({ id }) => id);
  const found = await attempt(async (context) => ({
    name: context.actor.name.split(" ")[0] ?? "",
    day: await todayInWords(context, "EEEE d MMMM"),
    lines: todayLines(`/desk/${key}`, {
      pointers: await pointersForMe(context),
      roster: await rosterView(context, ids),
      works: await workList(context, ids),
      groups: await groupList(context, ids),
      map: await masteryMap(context, ids),
      plan: await planFigure(context, ids),
      evidence: await evidenceFigure(context, ids),
    }),
  }));
  return found.ok ? (
    <TodayPage {...found.data} letIn={unlockStudentsAction} close={closePointerAction} />
  ) : (
    <Refused message={found.message} href="/" label="Back to the start" />
  );
}
