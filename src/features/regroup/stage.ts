export type GroupStage = "standing" | "plan" | "practice" | "waiting" | "check" | "result";

/** Where a group stands on its way from the plan over practice and check to the result. */
export interface GroupProgress {
  readonly stage: GroupStage;
  readonly practised: number;
  readonly checked: number;
  /** Students who count: those who are judged, and those who still are in the group and were not away. */
  readonly counted: number;
  /** Those who come round again: whom it did not help, and who were away. */
  readonly again: number;
}

export interface StageFacts {
  readonly hasSkill: boolean;
  /** Null when nothing was assigned on the group's skill. */
  readonly reteach: { readonly id: string; readonly practiceId: string } | null;
  readonly checkOpen: boolean;
  readonly presentIds: ReadonlySet<string>;
  readonly taught: readonly {
    readonly reteachId: string;
    readonly personId: string;
    readonly judgedDay: string | null;
    readonly verdict: string | null;
    readonly there: boolean | null;
  }[];
  readonly finished: readonly { readonly assignmentId: string; readonly personId: string }[];
}

export function stageOf({ hasSkill, reteach, checkOpen, presentIds, taught, finished }: StageFacts): GroupProgress {
  const own = taught.filter(({ reteachId }) => reteachId === reteach?.id);
  // Whoever left before the check will never hand it in; whoever left afterwards counts as long as the others.
  const present = own.filter(({ personId, judgedDay }) => judgedDay !== null || presentIds.has(personId));
  // Whoever was away is not waited for: they come round again.
  const counted = present.filter(({ there }) => there !== false);
  const again = present.filter(({ there, verdict }) => there === false || verdict === "round-again").length;
  const checked = counted.filter(({ judgedDay }) => judgedDay !== null).length;
  const practised = finished.filter(
    ({ assignmentId, personId }) =>
      assignmentId === reteach?.practiceId && counted.some((student) => student.personId === personId),
  ).length;
  const stage = !reteach
    ? hasSkill
      ? "plan"
      : "standing"
    : checked >= counted.length
      ? "result"
      : checkOpen
        ? "check"
        : practised < counted.length
          ? "practice"
          : "waiting";
  return { stage, practised, checked, counted: counted.length, again };
}
