import "server-only";
import type { OpeningRule, PartSettings, ReleaseRules, RetakeRule, WorkKind } from "@/core/model/work";
import { added } from "@/db/queries/rowChanges";
import type { RowChange } from "@/db/schema/history";
import type { Actor } from "@/server/access/policy";
import type { Runtime } from "@/server/runtime/runtime";

/** An item that stands from the beginning, as one draw. */
export interface PlacedItem {
  readonly versionId: string;
  readonly skillId: string;
  readonly seed: number;
  readonly context: string;
  /** The form by its letter; A unless stated. */
  readonly form?: string;
  /** What it weighs in the mark; what its own parts weigh unless stated. */
  readonly points?: number | null;
}

export interface NewPart {
  /** Made here where nothing names it before. */
  readonly id?: string;
  readonly kind: WorkKind;
  readonly settings: PartSettings;
  readonly title?: string;
  readonly opening?: readonly OpeningRule[];
  readonly skillIds: readonly string[];
  /** In order, form by form; items are drawn for each student without them. */
  readonly items?: readonly PlacedItem[];
}

/** The design of a piece of work. */
export interface NewDesign {
  readonly id?: string;
  readonly title: string;
  readonly instructions: string;
  readonly parts: readonly NewPart[];
  readonly keptAt?: number | null;
  readonly copiedFrom?: string | null;
}

/** Giving a piece of work to students of a class or a group. */
export interface NewAssignment {
  readonly id: string;
  readonly classId: string;
  /** The group that it is for, if for one. */
  readonly groupId?: string | null;
  readonly opensAt: number;
  /** Null for work without a due time. */
  readonly dueAt: number | null;
  readonly closesAt?: number | null;
  readonly isPrepared?: boolean;
  readonly onlyAtSchool?: boolean;
  readonly unlockCode?: string | null;
  readonly goesFirst?: boolean;
  /** Chosen by the student whom it is for. */
  readonly isOwnChoice?: boolean;
  /** A trial run of whoever gives it. */
  readonly isTrial?: boolean;
  /** By which a class's review is given. */
  readonly isReview?: boolean;
  readonly release?: ReleaseRules;
  readonly cutPercent?: number | null;
  readonly category?: string;
  readonly retake?: RetakeRule;
  readonly studentIds: readonly string[];
  /** The series that gives it; none unless stated. */
  readonly series?: { readonly id: string; readonly day: string };
  /** Forms that students get by turns; A for everybody unless stated. */
  readonly forms?: readonly string[];
}

type Giver = { readonly runtime: Runtime; readonly actor: Pick<Actor, "personId" | "schoolId"> };

/** The rows of a new piece of work and of giving it in somebody's name, once or to several. */
export function workRows(giver: Giver, design: NewDesign, given: readonly NewAssignment[]): RowChange[] {
  const workId = design.id ?? giver.runtime.newId();
  return [
    ...designRows(giver, { ...design, id: workId }),
    ...given.flatMap((one) => assignmentRows(giver, workId, one)),
  ];
}

function designRows({ runtime, actor }: Giver, design: NewDesign & { readonly id: string }): RowChange[] {
  return [
    added("works", {
      id: design.id,
      schoolId: actor.schoolId,
      ownerId: actor.personId,
      title: design.title,
      instructions: design.instructions,
      createdAt: runtime.now(),
      archivedAt: null,
      keptAt: design.keptAt ?? null,
      sharedAt: null,
      copiedFrom: design.copiedFrom ?? null,
    }),
    ...design.parts.flatMap((part, place) => partRows(runtime, design.id, part, place)),
  ];
}

function partRows(runtime: Runtime, workId: string, part: NewPart, place: number): RowChange[] {
  const partId = part.id ?? runtime.newId();
  const { kind, settings, title = "", opening = [], skillIds, items = [] } = part;
  const placeInForm = new Map<string, number>();
  return [
    added("parts", { id: partId, workId, place, kind, settings, title, opening }),
    ...skillIds.map((skillId, order) => added("partSkills", { id: runtime.newId(), partId, skillId, place: order })),
    ...items.map(({ form = "A", points = null, ...item }) => {
      const order = placeInForm.get(form) ?? 0;
      placeInForm.set(form, order + 1);
      return added("partItems", { id: runtime.newId(), partId, form, place: order, points, ...item });
    }),
  ];
}

/** The rows of giving a piece of work that is there. */
export function assignmentRows({ runtime, actor }: Giver, workId: string, given: NewAssignment): RowChange[] {
  return [
    added("assignments", {
      id: given.id,
      workId,
      classId: given.classId,
      groupId: given.groupId ?? null,
      givenBy: actor.personId,
      givenAt: runtime.now(),
      opensAt: given.opensAt,
      dueAt: given.dueAt,
      closesAt: given.closesAt ?? null,
      withdrawnAt: null,
      isPrepared: given.isPrepared ?? false,
      onlyAtSchool: given.onlyAtSchool ?? false,
      unlockCode: given.unlockCode ?? null,
      goesFirst: given.goesFirst ?? false,
      release: given.release ?? {},
      cutPercent: given.cutPercent ?? null,
      category: given.category ?? "",
      retake: given.retake ?? "latest",
      isOwnChoice: given.isOwnChoice ?? false,
      isTrial: given.isTrial ?? false,
      isReview: given.isReview ?? false,
      pausedAt: null,
      seriesId: given.series?.id ?? null,
      seriesDay: given.series?.day ?? null,
    }),
    ...given.studentIds.map((personId, place) => {
      const { forms = [] } = given;
      const form = forms[place % Math.max(1, forms.length)] ?? "A";
      return added("assignmentTargets", { ...newTarget(runtime, given.id, personId), form });
    }),
  ];
}

/** A student who is given something, with nothing granted beyond it. */
export const newTarget = (runtime: Runtime, assignmentId: string, personId: string) => ({
  id: runtime.newId(),
  assignmentId,
  personId,
  extraItems: 0,
  extraMinutes: 0,
  form: "A",
  dueAt: null,
  reopenedUntil: null,
  excusedAt: null,
  excusedBecause: "",
  absentAt: null,
  unlockedDay: null,
});
