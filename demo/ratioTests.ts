import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { seededRandom } from "@/core/numeric/seededRandom";
import { proposeTest } from "@/features/work/reads/testProposal";
import { giveWork } from "@/features/work/writes/giveWork";
import type { StaffActor } from "@/server/access/policy";
import type { Context } from "@/server/runtime/context";
import { instantAt } from "@/server/runtime/school";
import { type Pupil, sit } from "./pupil";
import { type Simulation, schoolDayAfter } from "./simulation";

const SKILLS = ["ratio-language", "equivalent-ratios", "ratio-tables"] as const;
const ITEMS_EACH = 4;
/** Lessons until the strand comes to ratios, and until the two classes are through with them. */
const BEFORE_LESSON = 23;
const AFTER_LESSON = 43;
const CUT_PERCENT = 70;

/** A test before the ratio unit and one after it, the same for both sections: most are there on the day, each form has its own items. */
export function ratioTests(
  simulation: Simulation,
  teacher: Context & { readonly actor: StaffActor },
  pupils: readonly Pupil[],
  { firstDay }: { readonly firstDay: number },
) {
  const { runtime, school, setNow } = simulation;
  const beforeDay = schoolDayAfter(firstDay, BEFORE_LESSON, school);
  const afterDay = schoolDayAfter(firstDay, AFTER_LESSON, school);
  const random = seededRandom("ratio tests");
  const [before, after] = [runtime.newId(), runtime.newId()];
  const given: { readonly assignmentId: string; readonly pupils: readonly Pupil[] }[] = [];
  const at = (day: number, time: string) => instantAt(school, dayOfNumber(day), time);

  async function give(): Promise<void> {
    setNow(at(beforeDay, "08:20"));
    const [classId = ""] = teacher.actor.classIds;
    const counts = SKILLS.map((skillId) => ({ skillId, items: ITEMS_EACH }));
    const { forms } = await proposeTest(teacher, { classId, counts, forms: 2, seed: 7 });
    const part = (place: number, id: string, title: string, opening: readonly object[]) => ({
      id,
      kind: "quiz",
      title,
      skillIds: [...SKILLS],
      settings: { items: SKILLS.length * ITEMS_EACH },
      opening,
      items: (forms[place] ?? []).map(({ itemId, skillId, seed }) => ({ itemId, skillId, seed, form: "A" })),
    });
    const to = teacher.actor.classIds.map((classId) => {
      const own = pupils.filter((pupil) => pupil.classId === classId);
      const assignmentId = runtime.newId();
      given.push({ assignmentId, pupils: own });
      return { assignmentId, classId, studentIds: own.map(({ id }) => id) };
    });
    await giveWork(teacher, {
      workId: runtime.newId(),
      title: "Ratios, before and after",
      instructions: "On your own, without notes. What you don't know yet, we shall learn.",
      parts: [
        part(0, before, "Before", []),
        part(1, after, "After", [
          { by: "done", partId: before },
          { by: "day", day: dayOfNumber(afterDay) },
        ]),
      ],
      to,
      opens: { day: dayOfNumber(beforeDay), time: "06:00" },
      due: { day: dayOfNumber(schoolDayAfter(afterDay, 1, school)), time: "20:00" },
      closes: null,
      rules: { cutPercent: CUT_PERCENT, category: "Tests", release: { score: "done", answers: "word" } },
    });
  }

  async function write(day: number, partId: string): Promise<void> {
    for (const { assignmentId, pupils: own } of given)
      for (const [place, pupil] of own.entries()) {
        if (random() < pupil.mind.learner.absence) continue;
        setNow(at(day, "11:10") + place * 5000);
        // Whoever was away before has nothing to compare, and nothing to open.
        await sit(simulation, assignmentId, pupil, day, 20, { partId, random }).catch(() => undefined);
      }
  }

  return {
    on: async (day: number): Promise<void> => {
      if (day === beforeDay) await give();
      if (day === beforeDay) await write(day, before);
      if (day === afterDay) await write(day, after);
    },
  };
}
