import "server-only";
import { askedText } from "@/core/items/askedText";
import { percentDown } from "@/core/measurement/percentDown";
import { rational } from "@/core/numeric/rational";
import { classesById } from "@/db/queries/people";
import { itemsOfSittings } from "@/db/queries/sittings";
import { shortNames } from "@/server/classroom/names";
import { drawerWith, versionsOf } from "@/server/library/drawnItems";
import type { Context } from "@/server/runtime/context";
import type { PaperGridView } from "../types";
import { paperWorkOf } from "./paperWork";

/** What was typed in of a test on paper: students by items. */
export async function paperGrid(context: Context, assignmentId: string): Promise<PaperGridView> {
  const { runtime } = context;
  const db = runtime.db.read;
  const { work, placed, targets } = await paperWorkOf(db, context, assignmentId, "change");
  const versions = await versionsOf(
    runtime,
    placed.map(({ versionId }) => versionId),
  );
  const drawer = drawerWith(runtime, versions);
  const items = await itemsOfSittings(
    db,
    targets.flatMap(({ run }) => run?.id ?? []),
  );
  const [own] = await classesById(db, [work.classId]);
  const names = shortNames(targets.map(({ person }) => person));
  const forms = [...new Set(placed.map(({ form }) => form))].sort();
  return {
    workId: work.id,
    title: work.title,
    className: own?.name ?? "",
    forms: forms.map((form) => ({
      form,
      items: placed
        .filter((item) => item.form === form)
        .map((item) => ({ points: item.points, stem: askedText(drawer.draw({ ...item, optionOrder: null })) })),
    })),
    rows: targets.map(({ person, target, run }) => ({
      studentId: person.id,
      name: names.get(person.id) ?? "",
      form: target.form,
      absent: target.absentAt !== null,
      points: placed
        .filter(({ form }) => form === target.form)
        .map((_, place) => {
          const item = items.find((one) => one.sittingId === run?.id && one.place === place);
          return item?.earned == null || item.possible === null ? null : (item.earned / item.possible) * item.points;
        }),
      markPercent: run?.mark ? percentDown(rational(run.mark)) : null,
    })),
  };
}
