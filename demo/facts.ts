import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { isSchoolDay } from "@/core/calendar/isSchoolDay";
import { answerDrill } from "@/core/fluency/answerDrill";
import { factAnswer } from "@/core/fluency/factAnswer";
import { factId } from "@/core/fluency/factId";
import { factOfId } from "@/core/fluency/factOfId";
import { familiesOf } from "@/core/fluency/factSettings";
import { familiesToPlace } from "@/core/fluency/familiesToPlace";
import { limitSeconds } from "@/core/fluency/limitSeconds";
import { nextDrillFact } from "@/core/fluency/nextDrillFact";
import { nextPlacementFact } from "@/core/fluency/nextPlacementFact";
import { startDrill } from "@/core/fluency/startDrill";
import { seededRandom } from "@/core/numeric/seededRandom";
import { fullName } from "@/core/roster/fullName";
import { studentsOfClasses } from "@/db/queries/people";
import { factSession } from "@/features/facts/reads/ownFacts";
import type { FactMessage } from "@/features/facts/types";
import { changeFactSettings } from "@/features/facts/writes/factSettings";
import { keepFacts } from "@/features/facts/writes/keepFacts";
import type { Context } from "@/server/runtime/context";
import { instantAt } from "@/server/runtime/school";
import { type Simulation, staffContext } from "./simulation";

const DAYS = 18;
const MOST_AT_ONCE = 80;
const SECONDS_PER_MINUTE = 60;

/** What one made-up student knows by heart, and how fast they type. */
class FactMind {
  private readonly strengths = new Map<string, number>();
  readonly perDigit: number;
  /** How much an answer adds: one of them learns nothing for a while. */
  private readonly learns: number;

  constructor(
    private readonly random: () => number,
    private readonly level: number,
  ) {
    this.perDigit = 0.4 + 0.4 * random();
    this.learns = random() < 0.15 ? 0.02 : 0.16 + 0.1 * random();
  }

  /** Seconds and the answer for a fact; every answer makes it a little stronger. */
  answer(id: string, hardness: number): { readonly given: number; readonly seconds: number } {
    const fact = factOfId(id);
    const right = fact ? factAnswer(fact) : Number(id);
    const typing = String(right).length * this.perDigit * (0.9 + 0.2 * this.random());
    if (!fact) return { given: right, seconds: typing };
    const strength = this.strengths.get(id) ?? this.level - hardness + 0.5 * this.random();
    this.strengths.set(id, Math.min(1.2, strength + this.learns));
    const known = this.random() < 0.08 + 0.9 * Math.min(1, Math.max(0, strength));
    const thinking = known ? 0.6 + 1.2 * this.random() : 3 + 6 * this.random();
    const isRight = known || this.random() < 0.55;
    return { given: isRight ? right : right + (this.random() < 0.5 ? 1 : fact.right || 2), seconds: typing + thinking };
  }
}

/** 6 Alder practises multiplication facts daily since three weeks; most come most days, some get no further. */
export async function practiseFacts(simulation: Simulation, lastDay: number): Promise<void> {
  const { runtime, school, setNow } = simulation;
  const noor = await staffContext(simulation, "noor");
  const [classId = ""] = noor.actor.classIds;
  const days = Array.from({ length: DAYS * 2 }, (_, back) => lastDay - back)
    .filter((day) => isSchoolDay(day, school.calendar))
    .slice(0, DAYS)
    .reverse();
  const [first = lastDay] = days;
  setNow(instantAt(school, dayOfNumber(first), "08:05"));
  await changeFactSettings(noor, { classId, on: true, minutesADay: 4, goal: 25 });
  const students = await studentsOfClasses(runtime.db.read, [classId], dayOfNumber(lastDay));
  const random = seededRandom("facts of kestrel weir");
  const minds = new Map(
    students.map(({ person }) => [
      person.id,
      {
        mind: new FactMind(random, 0.35 + 0.7 * random()),
        context: {
          runtime,
          actor: { kind: "student" as const, personId: person.id, schoolId: school.id, name: fullName(person) },
        },
      },
    ]),
  );
  const third = students[3]?.person.id;
  if (third) await changeFactSettings(noor, { classId, studentId: third, thinkingSeconds: 5, goal: 15 });
  for (const day of days)
    for (const [order, { mind, context }] of [...minds.values()].entries()) {
      if (random() < 0.2) continue;
      setNow(instantAt(school, dayOfNumber(day), "08:20") + order * 500);
      await oneSession(context, mind, random);
    }
}

async function oneSession(context: Context, mind: FactMind, random: () => number): Promise<void> {
  const { runtime } = context;
  const session = await factSession(context);
  const families = familiesOf(session.settings);
  const all = families.flat();
  const hardness = (id: string) =>
    all.findIndex(({ facts }) => facts.some((fact) => factId(fact) === id)) / Math.max(1, all.length);
  const given: Omit<FactMessage, "at">[] = [];
  const answer = (kind: FactMessage["kind"], fact: string) => {
    const { given: value, seconds } = mind.answer(fact, hardness(fact));
    given.push({ key: runtime.newId(), kind, fact, given: value, milliseconds: Math.round(seconds * 1000) });
    const asked = factOfId(fact);
    const limit = asked ? limitSeconds(asked, mind.perDigit, session.settings.thinkingSeconds) : 0;
    return { seconds, quick: asked !== null && value === factAnswer(asked) && seconds <= limit };
  };
  for (const number of session.copies) answer("copy", String(number));
  const placed = [...session.placement];
  let drill = startDrill(session.drill.unknown, session.drill.known);
  let used = 0;
  while (used < session.settings.minutesADay * SECONDS_PER_MINUTE) {
    const place = nextPlacementFact(familiesToPlace(families, placed), placed, random);
    if (place) {
      const id = factId(place.fact);
      const { seconds, quick } = answer("place", id);
      placed.push({ familyId: place.familyId, factId: id, known: quick });
      used += seconds;
      continue;
    }
    // What to drill follows from placement, which ends a session.
    if (placed.length > session.placement.length) break;
    const id = nextDrillFact(drill);
    if (id === null) break;
    const { seconds, quick } = answer("drill", id);
    drill = answerDrill(drill, id, quick);
    used += seconds + 1;
  }
  for (let from = 0; from < given.length; from += MOST_AT_ONCE)
    await keepFacts(context, {
      attempts: given.slice(from, from + MOST_AT_ONCE).map((message) => ({ ...message, agoMilliseconds: 0 })),
    });
}
