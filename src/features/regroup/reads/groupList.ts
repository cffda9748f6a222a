import "server-only";
import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import { classesById } from "@/db/queries/people";
import { demandClasses } from "@/server/access/subjects";
import { shortNames } from "@/server/classroom/names";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { schoolOf, todayOf } from "@/server/runtime/school";
import { dayWords } from "@/words/staff/dayWords";
import type { GroupListEntry } from "../types";
import { groupStages, groupsAround } from "./stages";

export async function groupList(context: Context, classIds: readonly string[]): Promise<GroupListEntry[]> {
  await demandClasses(context, "see", classIds);
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const shared = actor.kind === "staff" ? [...actor.groupTies.keys()] : [];
  const groups = await groupsAround(db, classIds, shared);
  const [stages, classes, library, school] = await Promise.all([
    groupStages(db, groups, {
      now: runtime.now(),
      day: await todayOf(runtime, actor.schoolId),
      viewerId: actor.personId,
    }),
    classesById(
      db,
      groups.map(({ classId }) => classId),
    ),
    libraryOf(runtime),
    schoolOf(runtime, actor.schoolId),
  ]);
  const names = shortNames(stages.flatMap(({ members }) => members));
  return groups.flatMap((group): GroupListEntry[] => {
    const progress = stages.find(({ groupId }) => groupId === group.id);
    if (!progress) return [];
    const { stage, members, practised, checked, counted, again, checkOpensAt } = progress;
    const opens = checkOpensAt === null ? "later" : format(new TZDate(checkOpensAt, school.timeZone), "EEE d MMM");
    return [
      {
        id: group.id,
        name: group.name,
        label: group.label,
        skillName: group.skillId === null ? group.purpose || "no skill chosen" : library.skill(group.skillId).name,
        className: classes.find(({ id }) => id === group.classId)?.name ?? "",
        members: members.map(({ id }) => names.get(id) ?? ""),
        stage,
        goesOn: stage === "result" && again > 0,
        stageText: {
          standing: group.untilDay === null ? "no end set" : `until ${dayWords(group.untilDay)}`,
          plan: "nothing assigned yet",
          practice: `practice: ${practised} of ${counted} finished`,
          waiting: `practised; the check opens ${opens}`,
          check: `check: ${checked} of ${counted} handed in`,
          result:
            counted === 0
              ? "nobody was there: give it again"
              : again === 0
                ? "checked: see the result"
                : `checked: ${again === 1 ? "1 goes" : `${again} go`} round again`,
        }[stage],
      },
    ];
  });
}
