import { afterEach, beforeEach, expect, it } from "vitest";
import { composeView } from "@/features/work/reads/compose";
import { firstComposition } from "@/features/work/view/compose/firstComposition";
import { presetOf, withPreset } from "@/features/work/view/compose/ownPresets";
import { keepPreset, putPresetAway } from "@/features/work/writes/presets";
import { makeClass, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let classId: string;
beforeEach(async () => {
  school = await testSchool();
  ({ classId } = await makeClass(school, 2));
});
afterEach(() => school.close());

const NOTHING = { skillIds: [], items: null, title: "", made: "quiz" as const };
const page = async (key = "ana") => composeView(await school.teacher(key), [classId]);

it("settings kept under a name fill the page in again, for their owner alone", async () => {
  const ana = await school.teacher();
  const before = firstComposition(await page(), NOTHING, null);
  const friday = {
    ...before,
    opensDay: "2026-11-23",
    dueDay: "2026-11-27",
    test: { ...before.test, minutes: 25, calculator: true, goBack: false },
    rules: {
      ...before.rules,
      cutPercent: 75,
      score: "done" as const,
      category: "Friday tests",
      retake: "best" as const,
    },
  };
  const { presetId } = await keepPreset(ana, { name: "Friday test", settings: presetOf(friday) });
  const [preset] = (await page()).presets;
  expect(preset).toMatchObject({ id: presetId, name: "Friday test" });
  const other = { ...before, made: "practice" as const, opensDay: "2026-11-30", dueDay: "2026-11-30" };
  const filled = withPreset(other, preset?.settings ?? presetOf(other));
  expect(filled).toMatchObject({
    made: "quiz",
    opensDay: "2026-11-30",
    dueDay: "2026-12-04",
    test: { minutes: 25, calculator: true, goBack: false, skills: before.test.skills },
    rules: { cutPercent: 75, score: "done", answers: "word", category: "Friday tests", retake: "best" },
  });
  expect(filled.to).toEqual(before.to);
  expect((await composeView(await school.teacher("cora"), [classId])).presets).toEqual([]);
});

it("the same name replaces, away and back, and what can't be is refused", async () => {
  const ana = await school.teacher();
  const settings = presetOf(firstComposition(await page(), NOTHING, null));
  const { presetId } = await keepPreset(ana, { name: "Weekly", settings });
  expect(await keepPreset(ana, { name: "weekly", settings: { ...settings, items: 7 } })).toEqual({ presetId });
  expect((await page()).presets).toMatchObject([{ name: "Weekly", settings: { items: 7 } }]);
  await putPresetAway(ana, { presetId, away: true });
  expect((await page()).presets).toEqual([]);
  await putPresetAway(ana, { presetId, away: false });
  expect((await page()).presets).toHaveLength(1);
  await expect(putPresetAway(await school.teacher("cora"), { presetId, away: true })).rejects.toThrow("not there");
  await expect(keepPreset(ana, { name: " ", settings })).rejects.toThrow("a name");
  await expect(keepPreset(ana, { name: "X", settings: { ...settings, items: 0 } })).rejects.toMatchObject({
    code: "invalid",
  });
  // What a later version does not make any more leaves the kind as it stands.
  const now = firstComposition(await page(), NOTHING, null);
  expect(withPreset(now, { ...settings, made: "something else" }).made).toBe(now.made);
});
