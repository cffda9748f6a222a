import { insertLibrary } from "@/db/queries/library";
import type { Runtime } from "@/server/runtime/runtime";
import { misconceptions } from "~/content/misconceptions";
import { framework, ratioStrand, strand } from "~/content/ratioStrand";

/** Puts the shipped teaching content into an empty database. */
export async function installContent(runtime: Runtime): Promise<void> {
  await runtime.db.write((tx) =>
    insertLibrary(tx, {
      framework: { ...framework },
      standards: ratioStrand.map(({ standard, grade }) => ({
        id: standard.code,
        frameworkId: framework.id,
        strand: strand.name,
        grade,
        code: standard.code,
        statement: standard.statement,
      })),
      skills: ratioStrand.map(({ id, name, studentName, grade, standard, difficulty, lesson, reteach }, place) => ({
        id,
        name,
        studentName,
        grade,
        standardId: standard.code,
        difficulty,
        lesson,
        reteach,
        place,
      })),
      links: ratioStrand.flatMap(({ id, prerequisites, contrasts }) => [
        ...prerequisites.map((fromId) => ({ fromId, toId: id, kind: "precedes" as const })),
        ...contrasts.map((toId) => ({ fromId: id, toId, kind: "contrasts" as const })),
      ]),
      misconceptions: [...misconceptions],
      itemModels: ratioStrand.flatMap(({ id, models }) =>
        models.map((model) => ({ id: model.id, version: 1, skillId: id, model })),
      ),
    }),
  );
}
