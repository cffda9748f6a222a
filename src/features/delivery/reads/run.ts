import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import { hintLadder } from "@/core/items/hintLadder";
import type { ItemVersion } from "@/core/items/itemBody";
import type { Passage } from "@/core/items/passage";
import type { SkillState } from "@/core/mastery/skillState";
import { DIAGNOSTIC_SETTINGS } from "@/core/selection/diagnostic/diagnosticState";
import { skillsLookedAt } from "@/core/work/chooseNext";
import type { Conductor } from "@/core/work/conductors/conductor";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import type { PartSituation } from "@/core/work/partSituation";
import { type WorkWindow, windowFor } from "@/core/work/workWindow";
import { gradeAtWork } from "@/db/queries/people";
import { drawsMet } from "@/db/queries/placements";
import { itemsOfSitting, type SittingItemRow, type SittingOwner, type SittingRow } from "@/db/queries/sittings";
import { type StandingAnswerRow, standingOfSitting } from "@/db/queries/standingAnswers";
import { interestsOf, supportsOf } from "@/db/queries/students";
import { skillStatesOfPerson } from "@/db/queries/summaries";
import {
  assignmentById,
  furtherTriesOf,
  type GivenWork,
  type PartRow,
  partById,
  pickedItemsOf,
  skillIdsOfPart,
  type TargetRow,
} from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import { placementsOfStudent, statesByStudent } from "@/server/classroom/knownOf";
import { type Drawer, drawerWith, versionsOf } from "@/server/library/drawnItems";
import { type Library, libraryOf } from "@/server/library/library";
import { passagesOf } from "@/server/library/passages";
import { type Shelf, shelvesOf } from "@/server/library/shelf";
import { Refusal } from "@/server/runtime/refusal";
import type { Runtime } from "@/server/runtime/runtime";
import { dayAt, schoolOf } from "@/server/runtime/school";

/** A student's run at a part of what was given, with all that its next step is decided from. Never changed: each step is a new one. */
export interface Run {
  readonly personId: string;
  readonly schoolId: string;
  readonly work: GivenWork;
  readonly part: PartRow;
  readonly target: TargetRow;
  /** The times that hold for this student. */
  readonly window: WorkWindow;
  readonly conductor: Conductor;
  readonly sitting: SittingRow;
  /** In the order of showing; what is in reserve stands behind. */
  readonly items: readonly SittingItemRow[];
  /** What stands as the answer to an item, by its id, while nothing is handed in yet. */
  readonly standing: ReadonlyMap<string, StandingAnswerRow>;
  readonly situation: PartSituation;
  readonly library: Library;
  readonly shelves: ReadonlyMap<string, Shelf>;
  readonly versions: ReadonlyMap<string, ItemVersion>;
  /** What items hang on, as it is read now. */
  readonly passages: ReadonlyMap<string, Passage>;
  readonly drawer: Drawer;
  /** The student's supports say that items are read aloud, in tests too. */
  readonly hearsItems: boolean;
}

const DAY = 86_400_000;
/** How far back it matters what a student met. */
const MET_OF_LATE = DIAGNOSTIC_SETTINGS.unseenDays * DAY;

/** Reads everything about a sitting, begun or about to begin. `items` is read unless given. */
export async function loadRun(
  db: Queryable,
  runtime: Runtime,
  { sitting, personId, assignmentId, target }: SittingOwner,
  items?: readonly SittingItemRow[],
): Promise<Run> {
  const [work, part, skillIds, picked, own, library] = await Promise.all([
    assignmentById(db, assignmentId),
    partById(db, sitting.partId),
    sitting.state.skillIds ?? skillIdsOfPart(db, sitting.partId),
    formOf(db, sitting, target).then((form) => pickedItemsOf(db, sitting.partId, form)),
    items ?? itemsOfSitting(db, sitting.id),
    libraryOf(runtime),
  ]);
  if (!work || !part) throw new Refusal("not-found", "This work is not on your list.");
  const shelves = await shelvesOf(runtime, skillIds);
  const older = await versionsOf(
    runtime,
    [...own, ...picked].map(({ versionId }) => versionId),
  );
  const versions = new Map([
    ...[...shelves.values()].flatMap((shelf) => shelf.versions.map((version) => [version.id, version] as const)),
    ...older,
  ]);
  // A part of an item may tell about skills that the work itself does not name.
  const told = [...versions.values()].flatMap(({ body }) => body.parts.flatMap((one) => one.skillIds ?? []));
  const looked = skillsLookedAt([...skillIds, ...told], (id) => library.skill(id).prerequisites);
  const conductor = conductorOf(part.kind);
  const isWhole = conductor.isHandedInWhole(part.settings) && sitting.finishedAt === null && own.length > 0;
  const [states, grade, school, liked, [supports], standing, known, met] = await Promise.all([
    skillStatesOfPerson(db, personId, looked),
    gradeAtWork(db, personId, work.classId),
    schoolOf(runtime, work.schoolId),
    interestsOf(db, personId),
    supportsOf(db, [personId]),
    isWhole ? standingOfSitting(db, sitting.id) : [],
    placementsOfStudent(db, personId),
    conductor.looksAhead ? [] : drawsMet(db, personId, runtime.now() - MET_OF_LATE),
  ]);
  const passages = await passagesOf(runtime, versions.values());
  return {
    personId,
    schoolId: work.schoolId,
    passages,
    work,
    part,
    target,
    window: windowFor(work, target),
    conductor,
    sitting,
    items: own,
    standing: new Map(standing.map((row) => [row.sittingItemId, row])),
    library,
    shelves,
    versions,
    drawer: drawerWith(runtime, versions),
    hearsItems: supports?.readAloud ?? false,
    situation: {
      settings: part.settings,
      skillIds,
      skills: new Map(
        looked.map((id) => {
          const { strandId, grade: of, difficulty, prerequisites, contrasts, unlocks } = library.skill(id);
          const skill = {
            strandId,
            grade: of,
            difficulty,
            prerequisites,
            contrasts,
            unlocks: unlocks.length,
            // A getter, so that the items of a skill are drawn when one of them is to be chosen.
            get pool() {
              return shelves.get(id)?.pool ?? [];
            },
          };
          return [id, skill];
        }),
      ),
      picked: picked.map(({ skillId, versionId, seed, context, points }) => ({
        skillId,
        itemId: versions.get(versionId)?.itemId ?? "",
        versionId,
        seed,
        context,
        points: points ?? versions.get(versionId)?.body.parts.reduce((sum, one) => sum + (one.points ?? 1), 0) ?? 1,
      })),
      states: statesByStudent(states).get(personId) ?? new Map<string, SkillState>(),
      state: sitting.state,
      grade,
      day: dayNumber(dayAt(school, runtime.now())),
      interests: liked.map(({ interest }) => interest),
      items: own,
      // What stands for everybody, and what measures, is not made shorter.
      itemShare: conductor.tells.verdict && picked.length === 0 ? (supports?.itemShare ?? 1) : 1,
      extraItems: target.extraItems,
      extraMinutes: target.extraMinutes,
      timeFactor: supports?.timeFactor ?? 1,
      activeMilliseconds: sitting.activeMilliseconds,
      placements: known,
      metDaysAgo: new Map(
        met.map(({ itemId, seed, lastAt }) => [`${itemId}#${seed}`, Math.floor((runtime.now() - lastAt) / DAY)]),
      ),
      parametersOf: (item) => parametersIn({ shelves, versions }, item),
    },
  };
}

/** The form of a run: of a further try its own. */
async function formOf(db: Queryable, { attempt, partId }: SittingRow, target: TargetRow): Promise<string> {
  if (attempt === 1) return target.form;
  const tries = await furtherTriesOf(db, [target.id]);
  return tries.find((one) => one.partId === partId && one.attempt === attempt)?.form ?? target.form;
}

/** The same run with other items. */
export const withItems = (run: Run, items: readonly SittingItemRow[]): Run => ({
  ...run,
  items,
  situation: { ...run.situation, items },
});

/** The hints of an item, from a nudge on; none where the kind of work gives none. */
export function hintsOf(run: Run, item: SittingItemRow): readonly string[] {
  if (!run.conductor.tells.hints) return [];
  return hintLadder(drawnOf(run, item).hint, run.shelves.get(item.skillId)?.teaching?.hints ?? null);
}

/** The drawn item of one of the run's places. */
export const drawnOf = ({ drawer }: Run, item: SittingItemRow) => drawer.draw(item);

/** The parameters of one of the run's items. */
export function parametersIn(
  { shelves, versions }: Pick<Run, "shelves" | "versions">,
  item: { skillId: string; versionId: string; seed: number },
) {
  const [shelf, version] = [shelves.get(item.skillId), versions.get(item.versionId)];
  if (!shelf || !version) throw new Refusal("not-found", "This item is not in the library.");
  return shelf.parametersOf(version, item.seed);
}

/** A run as the policy asks about it. */
export const subjectOfRun = ({ personId, work, schoolId }: Run) => ({
  kind: "sitting" as const,
  personId,
  classId: work.classId,
  schoolId,
});
