/** Work of one part for one class, in few words; the rest is what the form for giving work begins with. */
export interface OnePart {
  readonly assignmentId: string;
  readonly classId: string;
  readonly kind?: string;
  readonly title: string;
  readonly instructions?: string;
  readonly skillIds: readonly string[];
  readonly studentIds: readonly string[];
  readonly opensDay: string;
  readonly dueDay: string;
  readonly items: number;
  readonly certainty?: string;
  /** Further settings of the part. */
  readonly settings?: object;
  readonly picked?: readonly object[];
  readonly closes?: object | null;
  readonly rules?: object;
}

/** The same as `giveWork` takes it. Ids are made by `newId`. */
export function onePart(newId: () => string, work: OnePart) {
  const { assignmentId, classId, studentIds, kind = "practice", skillIds, items, certainty, settings, picked } = work;
  return {
    workId: newId(),
    title: work.title,
    instructions: work.instructions ?? "",
    parts: [
      {
        id: newId(),
        kind,
        skillIds,
        settings: { items, ...(certainty === undefined ? {} : { certainty }), ...settings },
        items: picked ?? [],
      },
    ],
    to: [{ assignmentId, classId, studentIds }],
    opens: { day: work.opensDay, time: "06:00" },
    due: { day: work.dueDay, time: "20:00" },
    closes: work.closes ?? null,
    rules: work.rules ?? {},
  };
}
