import { type Drill, GAPS } from "./drill";

/**
 * The drill after an answer to a fact. In time: its next meeting lies further off, and past the last gap it is known. Not in
 * time: it comes back after one other fact; a known one is learned again. A fact from the waiting ones is now being learned.
 * @example nextDrillFact(answerDrill(startDrill(["6x7"], ["2x2"]), "6x7", true)) // "2x2"
 */
export function answerDrill(drill: Drill, factId: string, inTime: boolean): Drill {
  const place = drill.place + 1;
  const before = drill.learning.find((fact) => fact.factId === factId);
  const rest = {
    place,
    learning: drill.learning.filter((fact) => fact.factId !== factId),
    waiting: drill.waiting.filter((id) => id !== factId),
    known: drill.known.filter((id) => id !== factId),
  };
  const wasKnown = !before && drill.known.includes(factId);
  if (inTime && wasKnown) return { ...rest, known: [...rest.known, factId] };
  const gap = inTime && before ? before.gap + 1 : 0;
  const between = GAPS[gap];
  if (between === undefined) return { ...rest, known: [...rest.known, factId] };
  return { ...rest, learning: [...rest.learning, { factId, gap, dueAt: place + between }] };
}
