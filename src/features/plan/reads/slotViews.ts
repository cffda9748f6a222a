import "server-only";
import type { Library, LibrarySkill } from "@/server/library/library";
import { type ClassSlot, taughtIn } from "@/server/plan/classSlot";
import { slotTitle } from "@/server/plan/slotTitle";
import type { PlannedSkillView, PlanSlotView } from "../types";

/** What of a slot's view hangs on no class and no date. `given` is by which assignment each work of the plan was given last. */
export function slotBasics(
  slot: ClassSlot,
  library: Library,
  given: ReadonlyMap<string, string>,
): Pick<
  PlanSlotView,
  | "id"
  | "version"
  | "title"
  | "kind"
  | "unitId"
  | "test"
  | "againId"
  | "isGone"
  | "lessons"
  | "skipped"
  | "counted"
  | "whereAt"
  | "ownDay"
> {
  const known = slot.skillIds.flatMap((id) => library.skillIfKnown(id) ?? []);
  const isTest = slot.kind === "work" && slot.items !== null;
  return {
    id: slot.id,
    version: slot.version,
    title: slotTitle(slot, library),
    kind: slot.kind,
    unitId: slot.unitId,
    test: isTest
      ? { skillIds: known.map(({ id }) => id), names: known.map(({ name }) => name), items: slot.items ?? 0 }
      : null,
    againId: slot.workId === null ? null : (given.get(slot.workId) ?? null),
    isGone: slot.skillIds.length > 0 && known.length === 0,
    lessons: slot.lessons,
    skipped: slot.skipped,
    counted: slot.counted,
    whereAt: slot.whereAt,
    ownDay: slot.fromDay,
  };
}

/** A slot of a plan that is no class's own: without dates, and without anybody's evidence. */
export function undatedSlot(
  slot: ClassSlot,
  library: Library,
  skills: ReadonlyMap<string, LibrarySkill>,
  given: ReadonlyMap<string, string>,
): PlanSlotView {
  return {
    ...slotBasics(slot, library, given),
    days: null,
    span: null,
    place: "none",
    isBeyondTerms: false,
    isLongerThanTerm: false,
    skills: taughtIn(slot).flatMap((id): PlannedSkillView[] => {
      const skill = skills.get(id);
      if (!skill) return [];
      const { name, grade, standards } = skill;
      const nobody = { secure: 0, there: 0, developing: 0, beginning: 0, tooLittle: 0, students: 0, reached: false };
      return [{ id, name, grade, code: standards[0]?.code ?? "", days: "", ...nobody }];
    }),
  };
}
