import type { Placements } from "../../mastery/startingBelief";
import { chooseItem } from "../../selection/diagnostic/chooseItem";
import type { DiagnosticSettings } from "../../selection/diagnostic/diagnosticState";
import { finish } from "../../selection/diagnostic/finish";
import { type StrandStanding, strandStanding } from "../../selection/diagnostic/strandStanding";
import { type DiagnosticDraw, diagnosticOfRun, poolOfStrand, priorOfStrand, strandsOf } from "../diagnosticOfRun";
import type { PartSituation } from "../partSituation";
import type { Conductor, PartEnd } from "./conductor";
import { overAfterTries } from "./overAfterTries";
import { USUAL } from "./usual";

/**
 * Finds where a student stands, strand by strand: each item is the one that tells most for what was answered so far. Nothing is told of right or
 * wrong, and what was not learned yet may be set aside. There is no mark: what comes out is an ability with its error in each strand.
 */
export const diagnostic: Conductor = {
  ...USUAL,
  begin: (situation) => ({
    priors: Object.fromEntries(strandsOf(situation).map((id) => [id, priorOfStrand(situation, id)])),
  }),
  next: (situation, shown, random) => {
    // Nothing is chosen ahead: each item hangs on the answer before.
    if (shown.length > situation.items.length) return null;
    const { settings, strands } = standingsOf(situation);
    for (const standing of strands) {
      const draw = drawFor(situation, standing, settings, random);
      if (draw) return { skillId: draw.skillId, drawn: draw.drawn };
    }
    return null;
  },
  take: overAfterTries(1),
  end: endOfDiagnostic,
  atEnd: (situation) => {
    const { settings, strands, state } = standingsOf(situation);
    const exhausted = strands
      .filter((standing) => isExhausted(situation, standing, settings))
      .map(({ strand }) => strand.id);
    return { placed: finish({ ...state, exhausted }).report };
  },
  tells: { verdict: false, hints: false, count: false },
  goesOver: { by: "strands" },
  placements: placementsNow,
  endsWithTime: true,
  looksAhead: false,
  setsAside: true,
  mark: () => null,
};

/** The run as the state machine sees it, with where each strand stands. */
function standingsOf(situation: PartSituation) {
  const state = diagnosticOfRun(situation);
  return { state, settings: state.settings, strands: state.strands.map(({ id }) => strandStanding(state, id)) };
}

/** What the answers so far say of each strand that has some; of the others, what was known before. */
function placementsNow(situation: PartSituation): Placements {
  const placed = new Map(situation.placements);
  for (const { strand, ability, records } of standingsOf(situation).strands)
    if (records.some(({ outcome }) => outcome !== null))
      placed.set(strand.id, { theta: ability.theta, se: ability.se });
  return placed;
}

function endOfDiagnostic(situation: PartSituation): PartEnd {
  const { settings, strands } = standingsOf(situation);
  // One strand that may go on is enough to know that the whole is not done.
  let done = true;
  const shares = strands.map((standing) => {
    const over = standing.ended !== null || (done && isExhausted(situation, standing, settings));
    done &&= over;
    return over ? 1 : answeredOf(standing) / settings.mostItems;
  });
  const progress = shares.reduce((sum, share) => sum + share, 0) / Math.max(1, shares.length);
  return done ? { progress: 1, done, reason: "placed" } : { progress, done, reason: null };
}

const answeredOf = ({ records }: StrandStanding): number => records.filter(({ outcome }) => outcome !== null).length;

/** The draw that a strand asks for next; null once it has ended. */
function drawFor(
  situation: PartSituation,
  standing: StrandStanding,
  settings: DiagnosticSettings,
  random: () => number,
): DiagnosticDraw | null {
  if (standing.ended) return null;
  return chooseItem(standing, poolOfStrand(situation, standing.strand.id), settings, random) as DiagnosticDraw | null;
}

/** Whether a strand has nothing more to ask, although it is not known well enough. */
const isExhausted = (situation: PartSituation, standing: StrandStanding, settings: DiagnosticSettings): boolean =>
  standing.ended === null &&
  standing.records.every(({ outcome }) => outcome !== null) &&
  drawFor(situation, standing, settings, () => 0) === null;
