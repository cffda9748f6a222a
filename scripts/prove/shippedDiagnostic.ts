import { gradePrior } from "@/core/measurement/gradePrior";
import { mean } from "@/core/numeric/mean";
import { seededRandom } from "@/core/numeric/seededRandom";
import { answer } from "@/core/selection/diagnostic/answer";
import type { DiagnosticItem } from "@/core/selection/diagnostic/diagnosticState";
import { finish } from "@/core/selection/diagnostic/finish";
import { gradesAround } from "@/core/selection/diagnostic/gradesAround";
import { next } from "@/core/selection/diagnostic/next";
import { start } from "@/core/selection/diagnostic/start";
import { shippedContent } from "~/demo/shippedContent";
import { shippedDraws } from "./shippedDraws";
import { decimals, type Figure, percent } from "./table";
import { around, curve } from "./worlds/world";

const GRADES = [3, 4, 5, 6, 7, 8] as const;
const STUDENTS = 200;
const DRAWS = 10;
/** How far a student's ability in one skill lies from ability in the subject, in logits, where skills are apart. */
const APART = 0.5;

interface SkillItem extends DiagnosticItem {
  readonly skillId: string;
}

/** Draws of a subject's items; the areas of its one strand are the strands of its framework. */
function bankOf(subjectId: string): SkillItem[] {
  const skills = shippedContent().find(({ subject }) => subject.id === subjectId)?.skills ?? [];
  const drawn = new Map(shippedDraws(DRAWS).map((skill) => [skill.id, skill.draws]));
  return skills.flatMap(({ id, grade, strand, items }) => {
    const passages = new Map(items.map((item) => [item.id, item.passageId]));
    return (drawn.get(id) ?? []).map(({ itemId, seed, parameters }) => ({
      id: `${itemId}#${seed}`,
      skillId: id,
      strandId: subjectId,
      area: strand,
      grade,
      passageId: passages.get(itemId),
      ...parameters,
      seenDaysAgo: null,
      exposure: 0,
    }));
  });
}

/** Students of a grade sit the diagnostic one after the other, each with an ability in the subject and in each skill. */
function sitGrade(all: readonly SkillItem[], subjectId: string, grade: number, apart: number) {
  const grades = gradesAround(grade);
  const bank = all.filter((item) => !grades || (item.grade >= grades.lowest && item.grade <= grades.highest));
  const blueprint = Object.fromEntries([...new Set(bank.map(({ area }) => area))].map((area) => [area, 1]));
  const prior = gradePrior(grade);
  const random = seededRandom(`prove ${subjectId} grade ${grade} ${apart}`);
  const byId = new Map(bank.map((item) => [item.id, item]));
  const met = new Map<string, number>();
  return Array.from({ length: STUDENTS }, (_, n) => {
    const truth = around(random, prior.mean, prior.sd);
    const own = new Map<string, number>();
    const pool = bank.map((item) => ({ ...item, exposure: n === 0 ? 0 : (met.get(item.id) ?? 0) / n }));
    let state = start([{ id: subjectId, prior, blueprint }], { grades });
    for (;;) {
      const step = next(state, pool, random);
      state = step.state;
      const item = byId.get(step.itemId ?? "");
      if (!item) break;
      met.set(item.id, (met.get(item.id) ?? 0) + 1);
      const ability = own.get(item.skillId) ?? around(random, truth, apart);
      own.set(item.skillId, ability);
      state = answer(state, item.id, random() < curve(ability, item));
    }
    const [report] = finish(state).report;
    if (!report) throw new Error("The strand has no report.");
    const { theta, se } = report.ability;
    return { error: theta - truth, se, length: report.length };
  });
}

function figure(subjectId: string, grade: number, sat: ReturnType<typeof sitGrade>, note: string): Figure {
  const rmse = Math.sqrt(mean(sat.map(({ error }) => error ** 2)));
  const covered = sat.filter(({ error, se }) => Math.abs(error) <= 1.959964 * se).length;
  return {
    what: `${subjectId}, grade ${grade}${note}: root mean squared error, logits`,
    value: decimals(rmse),
    note: `${decimals(mean(sat.map(({ length }) => length)), 1)} items; coverage of the 95 % interval ${percent(covered / sat.length)}`,
  };
}

/** A diagnostic in the shipped content, grade by grade: how far it is out, how many items it takes, whether its interval holds. */
export function proveShippedDiagnostic(): Figure[] {
  return ["mathematics", "language"].flatMap((subjectId) => {
    const bank = bankOf(subjectId);
    return GRADES.flatMap((grade) => [
      figure(subjectId, grade, sitGrade(bank, subjectId, grade, 0), ""),
      figure(subjectId, grade, sitGrade(bank, subjectId, grade, APART), `, skills ${APART} apart`),
    ]);
  });
}
