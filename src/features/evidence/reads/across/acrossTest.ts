import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import { askedText } from "@/core/items/askedText";
import { distribution } from "@/core/numeric/distribution";
import { mean } from "@/core/numeric/mean";
import { sampleVariance } from "@/core/numeric/sampleVariance";
import { shownInPart } from "@/db/queries/pieces";
import { drawerOf } from "@/server/library/drawnItems";
import { libraryOf } from "@/server/library/library";
import type { Runtime } from "@/server/runtime/runtime";
import type { AcrossView } from "../../acrossTypes";
import type { ReportFrame } from "../frame";
import type { FrameTest } from "../testsOfFrame";
import { setAgainst } from "./setAgainst";

const LEVEL = 0.95;

/** A common test by class and item. */
export async function testAcross(
  runtime: Runtime,
  frame: ReportFrame,
  test: FrameTest,
): Promise<NonNullable<AcrossView["test"]>> {
  const rows = (
    await shownInPart(
      runtime.db.read,
      test.part.id,
      [...test.targets.values()].map(({ targetId }) => targetId),
    )
  ).filter(({ earned, setAside }) => earned !== null && !setAside);
  const [drawer, library] = await Promise.all([
    drawerOf(
      runtime,
      rows.map(({ versionId }) => versionId),
    ),
    libraryOf(runtime),
  ]);
  const nameOf = new Map(frame.students.map(({ id, name }) => [id, name]));
  const classIds = frame.classes.map(({ id }) => id);
  const items = [...groupBy(rows, ({ versionId, seed }) => `${versionId}~${seed}`)]
    .map(([key, own]) => ({ key, own, place: mean(own.map(({ place }) => place)) }))
    .sort((x, y) => x.place - y.place);
  return {
    partId: test.part.id,
    words: test.words,
    means: classIds.map((classId) => ({ classId, ...meanOf(test, classId) })),
    items: items.map(({ key, own }, place) => {
      const [first] = own as [(typeof own)[number]];
      const item = drawer.drawIfKnown(first);
      return {
        key,
        place: place + 1,
        stem: item ? askedText(item) : "This item is not in the library any more.",
        skillId: first.skillId,
        skill: library.skillIfKnown(first.skillId)?.name ?? "",
        workIds: Object.fromEntries(test.works.map(({ id, classId }) => [classId, id])),
        classes: setAgainst(
          classIds,
          own.map(({ personId, earned, possible }) => ({
            id: personId,
            name: nameOf.get(personId) ?? "",
            classId: test.targets.get(personId)?.classId ?? "",
            has: earned === possible,
          })),
        ),
      };
    }),
  };
}

/** A class's mean mark with the interval of Student's t. */
function meanOf({ marks, targets }: FrameTest, classId: string) {
  const own = [...marks].filter(([id]) => targets.get(id)?.classId === classId).map(([, mark]) => mark.valueOf());
  if (own.length === 0) return { mean: null, low: 0, high: 1, n: 0 };
  const middle = mean(own);
  const half =
    own.length < 2
      ? 1
      : distribution.studentQuantile(1 - (1 - LEVEL) / 2, own.length - 1) * Math.sqrt(sampleVariance(own) / own.length);
  return { mean: middle, low: Math.max(0, middle - half), high: Math.min(1, middle + half), n: own.length };
}
