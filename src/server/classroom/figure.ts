import "server-only";
import { demandClasses } from "@/server/access/subjects";
import type { Context } from "@/server/runtime/context";
import { kept } from "@/server/runtime/kept";
import type { Runtime } from "@/server/runtime/runtime";
import { dayAt, schoolOf } from "@/server/runtime/school";

/** What a station of the bend says. */
export interface Figure {
  readonly text: string;
  readonly attention: boolean;
}

/** What a figure is counted for. */
export interface FigureOf {
  readonly classIds: readonly string[];
  /** Schools as a whole, when no class is named. */
  readonly schoolIds: readonly string[];
  readonly groupIds: readonly string[];
  readonly schoolId: string;
  readonly today: string;
  readonly now: number;
}

const MINUTE = 60_000;

/**
 * The figure of a station: counted once and shown until a commit touches one of its tables, or the minute is over, since
 * work opens, closes and locks end by the clock. Asks first whether the actor may see the classes.
 */
export function figure(
  tables: readonly string[],
  count: (runtime: Runtime, of: FigureOf) => Promise<Figure>,
): (context: Context, classIds: readonly string[]) => Promise<Figure> {
  const keep = kept(tables, (runtime, key) => count(runtime, JSON.parse(key) as FigureOf));
  return async ({ runtime, actor }, classIds) => {
    await demandClasses({ runtime, actor }, "see", classIds);
    const school = await schoolOf(runtime, actor.schoolId);
    const now = Math.floor(runtime.now() / MINUTE) * MINUTE;
    const of: FigureOf = {
      classIds,
      schoolIds: actor.kind === "staff" && classIds.length === 0 ? actor.coordinates : [],
      groupIds: actor.kind === "staff" ? [...actor.groupTies.keys()] : [],
      schoolId: actor.schoolId,
      today: dayAt(school, now),
      now,
    };
    return keep(runtime, JSON.stringify(of));
  };
}
