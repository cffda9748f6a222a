import "server-only";
import { figure } from "@/server/classroom/figure";
import { groupStages, groupsAround } from "./reads/stages";
import type { GroupStage } from "./stage";

const TABLES = [
  "groups",
  "group_members",
  "group_shares",
  "class_staff",
  "enrollments",
  "reteaches",
  "reteach_students",
  "sittings",
  "assignments",
];
const many = (count: number) => (count === 1 ? "1 group" : `${count} groups`);

/** Groups whose check is due, or else those that want a plan. */
export const regroupFigure = figure(TABLES, async ({ db }, { classIds, groupIds, now, today }) => {
  const groups = await groupsAround(db.read, classIds, groupIds);
  const stages = await groupStages(db.read, groups, { now, day: today, viewerId: "" });
  const count = (stage: GroupStage) => stages.filter((one) => one.stage === stage).length;
  if (count("check") > 0) return { text: `${many(count("check"))} due a check`, attention: true };
  if (count("plan") > 0) return { text: `${many(count("plan"))} to plan`, attention: true };
  if (count("result") > 0) return { text: `${many(count("result"))} checked`, attention: false };
  return { text: groups.length === 0 ? "no groups yet" : many(groups.length), attention: false };
});
