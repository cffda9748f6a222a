import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { heldUpNow } from "@/core/work/heldUpNow";
import { itemsAtWork } from "@/db/queries/live";
import { assignmentById, partsOfWorks, type RunRow, targetsWithSittings } from "@/db/queries/work";
import { demandWork } from "@/server/access/workAccess";
import { shortNames } from "@/server/classroom/names";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, instantInWords, schoolOf } from "@/server/runtime/school";
import type { LiveItem, LiveRow, LiveView } from "../liveTypes";

/** Whoever has not answered for so long is away, and not held up at an item. */
const AWAY_MILLISECONDS = 15 * 60_000;

/** Where everybody is with a piece of work at this moment. */
export async function liveBoard(context: Context, assignmentId: string): Promise<LiveView> {
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const work = await assignmentById(db, assignmentId);
  if (!work || work.withdrawnAt !== null) throw new Refusal("not-found", "This work is not there, or was withdrawn.");
  const sees = await demandWork(context, "see", work);
  const [school, parts, all] = await Promise.all([
    schoolOf(runtime, actor.schoolId),
    partsOfWorks(db, [work.workId]),
    targetsWithSittings(db, [assignmentId]),
  ]);
  const targets = all.filter(({ person }) => sees(person.id));
  const shown = groupBy(
    await itemsAtWork(
      db,
      targets.flatMap(({ sitting }) => sitting?.id ?? []),
    ),
    ({ sittingId }) => sittingId,
  );
  const names = shortNames(targets.map(({ person }) => person));
  const now = runtime.now();
  const isToday = (instant: number) => dayAt(school, instant) === dayAt(school, now);
  const rows = targets.map(({ person, sitting, throughAt, target }): LiveRow => {
    const part = parts.find(({ id }) => id === sitting?.partId);
    const tellsVerdict = part !== undefined && conductorOf(part.kind).tells.verdict;
    const items = sitting ? (shown.get(sitting.id) ?? []) : [];
    return {
      id: person.id,
      name: names.get(person.id) ?? "",
      state: target.excusedAt !== null ? "excused" : stateOf(sitting, throughAt, items, now),
      part: parts.length > 1 ? (part?.title ?? "") : "",
      // Of a test that is not handed in nobody is told more than what was answered.
      items: items.map((item) => itemSign(item, tellsVerdict || sitting?.finishedAt != null)),
      itemsDone: sitting?.itemsDone ?? 0,
      mostItems: (part?.settings.items ?? parts[0]?.settings.items ?? 0) + target.extraItems,
      quietMinutes: sitting && sitting.finishedAt === null ? Math.floor((now - sitting.lastAt) / 60_000) : null,
      finishedAt: throughAt === null ? null : instantInWords(school, throughAt, isToday(throughAt) ? "HH:mm" : "d MMM"),
      minutesLeft:
        sitting?.endsAt == null || sitting.finishedAt !== null ? null : Math.ceil((sitting.endsAt - now) / 60_000),
    };
  });
  return {
    id: work.id,
    title: work.title,
    isPaused: work.pausedAt !== null,
    at: instantInWords(school, now, "HH:mm"),
    rows,
  };
}

type ShownItem = Awaited<ReturnType<typeof itemsAtWork>>[number];

function stateOf(
  sitting: RunRow | null,
  throughAt: number | null,
  items: readonly ShownItem[],
  now: number,
): LiveRow["state"] {
  if (throughAt !== null) return "finished";
  if (!sitting) return "not-started";
  // Between two parts.
  if (sitting.finishedAt !== null) return "between";
  const quiet = now - sitting.lastAt;
  if (quiet > AWAY_MILLISECONDS) return "away";
  const scored = items.filter(({ earned }) => earned !== null);
  const held = heldUpNow({
    right: scored.map(({ earned, possible }) => earned === possible),
    times: items.flatMap(({ milliseconds }) => milliseconds ?? []),
    quiet,
  });
  return held ?? "working";
}

function itemSign({ state, tries, earned, possible, setAside }: ShownItem, tellsVerdict: boolean): LiveItem {
  if (setAside) return "aside";
  if (earned !== null && tellsVerdict) return earned === possible ? "right" : "wrong";
  if (state === "done" || tries > 0) return "answered";
  return "open";
}
