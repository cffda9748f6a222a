import type { Conductor } from "./conductor";
import { overAfterTries } from "./overAfterTries";
import { USUAL } from "./usual";

/** Lessons to read, with their models to move: nothing is asked, and it is done once the student has said of each that it was read. */
export const lesson: Conductor = {
  ...USUAL,
  isRead: true,
  next: () => null,
  take: overAfterTries(1),
  end: ({ skillIds, state }) => {
    const read = skillIds.filter((id) => state.read?.includes(id)).length;
    return read >= skillIds.length
      ? { progress: 1, done: true, reason: "read" }
      : { progress: read / skillIds.length, done: false, reason: null };
  },
  tells: { verdict: false, hints: false, count: false },
  goesOver: { by: "skills", least: 1, most: 6 },
  looksAhead: false,
  mark: () => null,
};
