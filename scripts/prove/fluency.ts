import { answerDrill } from "@/core/fluency/answerDrill";
import type { Drill } from "@/core/fluency/drill";
import type { FactAttempt } from "@/core/fluency/fact";
import { factAnswer } from "@/core/fluency/factAnswer";
import { factFamilies } from "@/core/fluency/factFamilies";
import { factFluency } from "@/core/fluency/factFluency";
import { factId } from "@/core/fluency/factId";
import { factOfId } from "@/core/fluency/factOfId";
import { factsToDrill } from "@/core/fluency/factsToDrill";
import { familiesToPlace } from "@/core/fluency/familiesToPlace";
import { limitSeconds } from "@/core/fluency/limitSeconds";
import { nextDrillFact } from "@/core/fluency/nextDrillFact";
import { nextPlacementFact } from "@/core/fluency/nextPlacementFact";
import { type PlacementAnswer, placeFacts } from "@/core/fluency/placeFacts";
import { startDrill } from "@/core/fluency/startDrill";
import { mean } from "@/core/numeric/mean";
import { median } from "@/core/numeric/median";
import { seededRandom } from "@/core/numeric/seededRandom";
import { decimals, type Figure, percent, withError } from "./table";
import { type Rememberer, rememberer } from "./worlds/remembering";

const FAMILIES = factFamilies("multiply", 10);
const FACTS = FAMILIES.flatMap(({ facts }) => facts);
const STUDENTS = 60;
const SESSIONS = 25;
const MINUTES = 5;
const THINKING = 3;
/** A fact is truly known by heart when it comes in time in so many of ten. */
const TRULY_KNOWN = 0.8;

interface Learner {
  readonly mind: Rememberer;
  readonly perDigit: number;
  /** Share of the families, from the easiest, that was met often before. */
  readonly share: number;
}

/** One who types at their own speed and met the first families often before. */
function learner(random: () => number): Learner {
  const share = random();
  const known = new Map<string, number>();
  for (const [place, { facts }] of FAMILIES.entries())
    for (const fact of facts)
      if (random() < Math.max(0, 1.3 * share - place / FAMILIES.length))
        known.set(factId(fact), 150 + Math.floor(250 * random()));
  return { mind: rememberer(random, known), perDigit: 0.3 + 0.6 * random(), share };
}

const digits = (id: string) => String(factAnswer(factOfId(id) ?? { operation: "add", left: 0, right: 0 })).length;

/** How the next fact is chosen: by the drill, or at random among the same facts or all of them. */
type Way = "drill" | "same-facts" | "all-facts";

/** Three weeks and more of daily sessions; what was called known against what is, and what came to be known. */
export function practise(random: () => number, way: Way, sessions: number = SESSIONS) {
  const { mind, perDigit } = learner(random);
  const attempts = new Map<string, FactAttempt[]>();
  const limitOf = (fact: Parameters<typeof limitSeconds>[0]) => limitSeconds(fact, perDigit, THINKING);
  const trulyKnown = (id: string) => mind.chanceWithin(id, THINKING) >= TRULY_KNOWN;
  const atFirst = FACTS.map(factId).filter(trulyKnown).length;
  let called = 0;
  let wrongly = 0;
  let half: number | null = null;
  for (let day = 0; day < sessions; day++) {
    const fluencyOf = (fact: (typeof FACTS)[number]) => factFluency(fact, attempts, limitOf);
    const sets = factsToDrill(FAMILIES, fluencyOf, random);
    let drill: Drill = startDrill(sets.unknown, sets.known);
    for (let used = 0; used < MINUTES * 60; ) {
      const pool = way === "all-facts" ? FACTS.map(factId) : [...sets.unknown, ...sets.known];
      const id = way === "drill" ? nextDrillFact(drill) : (pool[Math.floor(random() * pool.length)] ?? null);
      const fact = id === null ? null : factOfId(id);
      if (id === null || !fact) break;
      const { seconds, right } = mind.meet(id);
      const whole = seconds + perDigit * digits(id);
      used += whole + 1;
      attempts.set(id, [...(attempts.get(id) ?? []), { fact, right, seconds: whole, day }]);
      drill = answerDrill(drill, id, right && whole <= limitOf(fact));
    }
    mind.sleep(1);
    for (const fact of FACTS) {
      if (!fluencyOf(fact).fluent) continue;
      called++;
      if (!trulyKnown(factId(fact))) wrongly++;
    }
    const now = FACTS.map(factId).filter(trulyKnown).length;
    if (half === null && now >= atFirst + (FACTS.length - atFirst) / 2) half = day + 1;
  }
  return {
    called,
    wrongly,
    learned: FACTS.map(factId).filter(trulyKnown).length - atFirst,
    left: FACTS.length - atFirst,
    half,
  };
}

/** Placement against what is truly known, family by family. */
function place(random: () => number) {
  const { mind, perDigit } = learner(random);
  // Being asked teaches, so what is true is looked at before.
  const truth = new Map(
    FAMILIES.map(({ id, facts }) => [id, mean(facts.map((fact) => mind.chanceWithin(factId(fact), THINKING)))]),
  );
  const answers: PlacementAnswer[] = [];
  for (;;) {
    const next = nextPlacementFact(familiesToPlace([FAMILIES], answers), answers, random);
    if (!next) break;
    const id = factId(next.fact);
    const truly = mind.meet(id);
    const limit = limitSeconds(next.fact, perDigit, THINKING);
    answers.push({
      familyId: next.familyId,
      factId: id,
      known: truly.right && truly.seconds + perDigit * digits(id) <= limit,
    });
  }
  const held = placeFacts(FAMILIES, answers).flatMap(({ familyId, known }) => {
    if (known.share === null) return [];
    const truly = truth.get(familyId) ?? 0;
    return [known.low <= truly && truly <= known.high];
  });
  return { asked: answers.length, held };
}

/** Number facts: what is called known by heart, how soon the drill brings it against any order, how much placement asks. */
export function proveFluency(): Figure[] {
  const run = (way: Way) => {
    const random = seededRandom("facts");
    return Array.from({ length: STUDENTS }, () => practise(random, way));
  };
  const [drilled, same, any] = [run("drill"), run("same-facts"), run("all-facts")];
  const sum = (runs: typeof drilled, of: (one: (typeof drilled)[number]) => number) =>
    runs.reduce((all, one) => all + of(one), 0);
  const share = (runs: typeof drilled) => sum(runs, ({ learned }) => learned) / sum(runs, ({ left }) => left);
  const called = sum(drilled, (one) => one.called);
  const halves = (runs: typeof drilled) => median(runs.map(({ half }) => half ?? SESSIONS + 1));
  const random = seededRandom("placement of facts");
  const placed = Array.from({ length: STUDENTS }, () => place(random));
  const held = placed.flatMap((one) => one.held);
  const sessions = (count: number) => (count > SESSIONS ? `more than ${SESSIONS}` : decimals(count, 0));
  return [
    {
      what: "Called known by heart, and not (in time in 8 of 10)",
      value: withError({ rate: sum(drilled, (one) => one.wrongly) / called, of: called }),
      note: `aim under 5 %; of ${called} looked at after each of ${SESSIONS} sessions, the next morning`,
    },
    {
      what: "Of what was not known, known after 25 sessions",
      value: percent(share(drilled)),
      note: `the same facts in any order ${percent(share(same))}, all facts ${percent(share(any))}; ${STUDENTS} students, ${MINUTES} min a day`,
    },
    {
      what: "Sessions until half of it is known, in the median",
      value: decimals(halves(drilled), 0),
      note: `the same facts in any order ${sessions(halves(same))}, all facts ${sessions(halves(any))}`,
    },
    {
      what: "Facts asked in placement, in the median",
      value: decimals(median(placed.map(({ asked }) => asked)), 0),
      note: `of ${FACTS.length}; the interval of a family holds what is truly known in ${percent(held.filter(Boolean).length / held.length)}`,
    },
  ];
}
