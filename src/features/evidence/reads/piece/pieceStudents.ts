import "server-only";
import { formatDistance } from "date-fns";
import { groupBy } from "@/core/collections/groupBy";
import { effort } from "@/core/measurement/effort";
import { missedSkills } from "@/core/measurement/missedSkills";
import { rushedTest } from "@/core/measurement/rushedTest";
import { median } from "@/core/numeric/median";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { isOver } from "@/core/work/isOver";
import { stateOfRun } from "@/core/work/stateOfRun";
import { windowFor } from "@/core/work/workWindow";
import type { Classroom } from "@/server/classroom/classroom";
import type { Library } from "@/server/library/library";
import type { PieceStudent } from "../../pieceTypes";
import type { FirstTry, PieceData, PieceTarget } from "./pieceData";

interface Around {
  readonly now: number;
  readonly library: Library;
  readonly classroom: Classroom;
}

/** Each student of a piece of work: what came of it, how long it took, and what was missed. */
export function studentsOfPiece(data: PieceData, around: Around): PieceStudent[] {
  const byStudent = groupBy(data.tries, ({ personId }) => personId);
  const medians = new Map(
    [...groupBy(data.tries, ({ key }) => key)].map(([key, own]) => {
      const seconds = own.flatMap(({ milliseconds }) => (milliseconds === null ? [] : [milliseconds / 1000]));
      return [key, seconds.length === 0 ? 0 : median(seconds)] as const;
    }),
  );
  const chancesOf = new Map(around.classroom.students.map(({ id, gauges }) => [id, gauges]));
  const totals = [...byStudent].flatMap(([id, own]) =>
    isFinished(data.targets.find(({ personId }) => personId === id)) ? [[id, secondsOf(own)] as const] : [],
  );
  return data.targets.map((target) => {
    const own = byStudent.get(target.personId) ?? [];
    const answered = own.filter(({ counts, given }) => counts && given !== "");
    const timed = answered.flatMap(({ key, milliseconds, expectedSeconds }) =>
      milliseconds === null
        ? []
        : [
            {
              seconds: milliseconds / 1000,
              itemMedianSeconds: medians.get(key) ?? 0,
              itemExpectedSeconds: expectedSeconds,
            },
          ],
    );
    const rapid = effort(timed);
    const seconds = secondsOf(own);
    const finished = isFinished(target);
    return {
      id: target.personId,
      classId: data.work.classId,
      name: target.name,
      state: stateOf(target, data, around.now),
      mark: target.own?.mark?.toFraction() ?? null,
      tries: target.own?.marks.map((mark) => mark.toFraction()) ?? [],
      right: own.filter(({ counts, right }) => counts && right).length,
      answered: own.filter(({ counts }) => counts).length,
      minutes: Math.round((target.own?.run?.activeMilliseconds ?? 0) / 60_000),
      secondsAnItem: answered.length === 0 ? null : Math.round(seconds / answered.length),
      rapid: "noEstimate" in rapid ? 0 : rapid.rapid.filter(Boolean).length,
      rushed:
        finished && answered.length > 0 && conductorOf(data.part.kind).standsWhole
          ? rushedTest(
              seconds,
              data.isPlaced ? totals.map(([, one]) => one) : [],
              answered.reduce((sum, { expectedSeconds }) => sum + expectedSeconds, 0),
            )
          : null,
      late: isLate(target, data),
      lastWorked: target.own?.run ? formatDistance(target.own.run.lastAt, around.now, { addSuffix: true }) : null,
      missed: missedOf(own, chancesOf.get(target.personId), around.library),
    };
  });
}

const isFinished = (target: PieceTarget | undefined): boolean => (target?.own?.run?.finishedAt ?? null) !== null;

const secondsOf = (own: readonly FirstTry[]): number =>
  own.reduce((sum, { milliseconds }) => sum + (milliseconds ?? 0) / 1000, 0);

/** How they stand with this part: of another part of the same work nothing is said here. */
function stateOf({ target, own }: PieceTarget, { work }: PieceData, now: number): PieceStudent["state"] {
  const run = own?.run ?? null;
  if (target.excusedAt !== null) return "excused";
  if (target.absentAt !== null && run === null) return "absent";
  return stateOfRun(run, { isOver: isOver(windowFor(work, target).dueAt, now) });
}

function isLate({ target, own }: PieceTarget, { work }: PieceData): boolean {
  const { dueAt } = windowFor(work, target);
  const run = own?.run ?? null;
  return dueAt !== null && run !== null && run.itemsDone > 0 && run.lastAt > dueAt;
}

/** Skills that were missed, by what the items and the chance of mastery say. */
function missedOf(
  own: readonly FirstTry[],
  gauges: Classroom["students"][number]["gauges"] | undefined,
  library: Library,
): PieceStudent["missed"] {
  const results = [
    ...groupBy(
      own.filter(({ counts }) => counts),
      ({ skillId }) => skillId,
    ),
  ].map(([skillId, tries]) => ({
    skillId,
    chance: gauges?.get(skillId)?.chance ?? 0,
    right: tries.filter(({ right }) => right).length,
    given: tries.length,
  }));
  return missedSkills(results).map(({ skillId }) => ({
    id: skillId,
    name: library.skillIfKnown(skillId)?.name ?? "",
  }));
}
