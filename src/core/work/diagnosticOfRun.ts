import type { AbilityPrior } from "../measurement/eap";
import { gradePrior } from "../measurement/gradePrior";
import {
  DIAGNOSTIC_SETTINGS,
  type DiagnosticItem,
  type DiagnosticRecord,
  type DiagnosticState,
} from "../selection/diagnostic/diagnosticState";
import { gradesAround } from "../selection/diagnostic/gradesAround";
import { mostItems, type PartSituation, type PoolItem, type SkillOfWork } from "./partSituation";
import { isRightFirst, type SittingItem } from "./sittingItem";

/** Where nobody knows the grade, the middle of all grades that content is made for, with their spread. */
const UNKNOWN_GRADE: AbilityPrior = { mean: -1, sd: 1.5 };

/** A draw that a diagnostic may ask, with where it comes from. */
export interface DiagnosticDraw extends DiagnosticItem {
  readonly skillId: string;
  readonly drawn: PoolItem;
}

/**
 * What is believed of a strand before a diagnostic: where an earlier one placed the student, else the grade.
 * @example priorOfStrand({ grade: 6, placements: new Map() }, "s").mean // -0.25
 */
export function priorOfStrand(
  { grade, placements }: Pick<PartSituation, "grade" | "placements">,
  strandId: string,
): AbilityPrior {
  const placed = placements.get(strandId);
  if (placed) return { mean: placed.theta, sd: Math.max(placed.se, gradePrior(grade ?? 6).sd / 2) };
  return grade === null ? UNKNOWN_GRADE : gradePrior(grade);
}

/** The state machine's view of a run: everything in it follows from the items that were shown, so that it goes on anywhere. */
export function diagnosticOfRun(situation: PartSituation): DiagnosticState {
  const strandIds = strandsOf(situation);
  const { above, below } = situation.settings.scope ?? {};
  return {
    settings: {
      ...DIAGNOSTIC_SETTINGS,
      mostItems: Math.ceil(mostItems(situation) / Math.max(1, strandIds.length)),
      grades: gradesAround(situation.grade, { above, below }),
    },
    strands: strandIds.map((id) => ({
      id,
      prior: situation.state.priors?.[id] ?? priorOfStrand(situation, id),
      blueprint: { [id]: 1 },
    })),
    records: situation.items.filter(({ state }) => state !== "reserve").map((item) => recordOf(situation, item)),
    exhausted: [],
    finished: false,
  };
}

/**
 * The strands of a diagnostic, in the order in which they are asked: those that were chosen, else those of its skills.
 * @example strandsOf({ settings: { items: 20, scope: { strandIds: ["s"], above: 1, below: 4 } }, skillIds: [], skills: new Map() }) // ["s"]
 */
export const strandsOf = ({
  settings,
  skillIds,
  skills,
}: Pick<PartSituation, "settings" | "skillIds" | "skills">): readonly string[] =>
  settings.scope?.strandIds ?? [...new Set(skillIds.map((id) => (skills.get(id) as SkillOfWork).strandId))];

/** The draws of a strand that may be asked; those of items that were asked already only where there are no others. */
export function poolOfStrand(situation: PartSituation, strandId: string): DiagnosticDraw[] {
  const asked = new Set(situation.items.map(({ itemId }) => itemId));
  const all = situation.skillIds.flatMap((skillId): readonly DiagnosticDraw[] => {
    const skill = situation.skills.get(skillId) as SkillOfWork;
    return skill.strandId === strandId ? drawsOf(skillId, skill).map((draw) => asMet(draw, situation.metDaysAgo)) : [];
  });
  const fresh = all.filter(({ drawn }) => !asked.has(drawn.itemId));
  return fresh.length > 0 ? fresh : all;
}

const drawsOfPool = new WeakMap<object, readonly DiagnosticDraw[]>();

/** The draws of a skill as a diagnostic looks at them; made once for each pool, which is looked at with every answer. */
function drawsOf(skillId: string, { pool, strandId, grade }: SkillOfWork): readonly DiagnosticDraw[] {
  const known = drawsOfPool.get(pool);
  if (known) return known;
  const draws = pool.map(
    (drawn): DiagnosticDraw => ({
      ...drawn.parameters,
      id: `${drawn.itemId}#${drawn.seed}`,
      skillId,
      strandId,
      area: strandId,
      grade,
      passageId: drawn.passageId,
      seenDaysAgo: null,
      // Draws differ from student to student: none of them is met by many.
      exposure: 0,
      drawn,
    }),
  );
  drawsOfPool.set(pool, draws);
  return draws;
}

function asMet(draw: DiagnosticDraw, metDaysAgo: PartSituation["metDaysAgo"]): DiagnosticDraw {
  const days = metDaysAgo.get(draw.id);
  return days === undefined ? draw : { ...draw, seenDaysAgo: days };
}

function recordOf(situation: PartSituation, item: SittingItem): DiagnosticRecord {
  const { strandId, grade, pool } = situation.skills.get(item.skillId) as SkillOfWork;
  const passageId = pool.find(({ versionId }) => versionId === item.versionId)?.passageId;
  const { a, b, c } = situation.parametersOf(item);
  return {
    itemId: `${item.itemId}#${item.seed}`,
    strandId,
    area: strandId,
    grade,
    passageId,
    a,
    b,
    c,
    outcome: item.state === "open" ? null : item.setAside ? "not-learned" : isRightFirst(item) ? "right" : "wrong",
  };
}
