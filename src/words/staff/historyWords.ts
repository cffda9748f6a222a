import type { ChangeFacts, ChangeKind, NamedFacts } from "@/core/model/changeFacts";
import type { SignInKind } from "@/core/model/signInKind";
import { bareWords, listOf, type MessageValues, message, valuesOf } from "../message";
import { dayWords } from "./dayWords";
import { CHANGE_MESSAGES, IMPORT_COUNTS, SIGN_IN_MESSAGES, UNDONE_MESSAGE } from "./historyMessages";

/** The name of a person by id, as it is today. */
export type NameOf = (personId: string) => string;

/** What an entry of the history says, as one sentence. */
export function changeWords(change: NamedFacts, nameOf: NameOf): string {
  if (change.kind === "said")
    return change.facts.sentence.replace(/\{person:([^}]+)\}/g, (_, id: string) => nameOf(id));
  if (change.kind === "undone") return message(UNDONE_MESSAGE, { sentence: changeWords(change.facts.of, nameOf) });
  return message(CHANGE_MESSAGES[change.kind], { ...namedValues(change.facts, nameOf), ...ownValues(change) });
}

/** Facts as values of a message, people by name and days in words. */
function namedValues(facts: object, nameOf: NameOf): MessageValues {
  const values = valuesOf(facts);
  for (const [name, value] of Object.entries(facts) as [string, unknown][]) {
    if (name.endsWith("Day") && typeof value === "string") values[name] = dayWords(value);
    if (name === "personIds" && Array.isArray(value)) values.people = listOf(value.map(nameOf));
    if (name !== "personId") continue;
    values.person = typeof value === "string" ? nameOf(value) : "";
    values.personGiven = value === null ? "no" : "yes";
  }
  return values;
}

/** Values that only one kind's message has. */
function ownValues({ kind, facts }: NamedFacts): MessageValues {
  switch (kind) {
    case "roster-imported":
      return { counts: countsOf(facts) };
    case "roster-taken-out":
      return { whole: facts.classes.length === 0 ? "yes" : "no" };
    case "settings-changed":
      return { decimalMark: facts.decimalMark ?? "" };
    case "groups-made":
      return { count: facts.names.length, quoted: listOf(facts.names.map((name) => `“${name}”`)) };
    case "students-placed":
    case "members-moved":
      return { move: facts.to === null ? "out" : facts.from === null ? "in" : "across" };
    default:
      return {};
  }
}

function countsOf({ people, places, entries }: ChangeFacts["roster-imported"]): string {
  const counts = {
    peopleAdded: people.added,
    peopleChanged: people.changed,
    peopleInactive: people.inactive,
    peopleRestored: people.restored,
    placesAdded: places.added,
    placesInactive: places.inactive,
  };
  const said = (Object.keys(counts) as (keyof typeof counts)[]).filter((name) => counts[name] > 0);
  return said.length === 0
    ? message(IMPORT_COUNTS.entries, { n: entries })
    : listOf(said.map((name) => message(IMPORT_COUNTS[name], { n: counts[name] })));
}

/** Kinds of changes in whose sentence a word may stand, whatever the facts are. */
export const kindsThatSay = (word: string): ChangeKind[] =>
  (Object.keys(CHANGE_MESSAGES) as (keyof typeof CHANGE_MESSAGES)[]).filter((kind) =>
    bareWords(CHANGE_MESSAGES[kind]).includes(word.toLowerCase()),
  );

export interface SignInFacts {
  readonly kind: SignInKind;
  readonly personId: string;
  readonly by: string | null;
  readonly device: string;
}

/** What is said of somebody's coming, or of a try to come in. */
export const signInWords = ({ kind, ...facts }: SignInFacts, nameOf: NameOf): string =>
  message(SIGN_IN_MESSAGES[kind], namedValues(facts, nameOf));

/** Kinds of sign-ins in whose sentence a word may stand. */
export const signInKindsThatSay = (word: string): SignInKind[] =>
  (Object.keys(SIGN_IN_MESSAGES) as SignInKind[]).filter((kind) =>
    bareWords(SIGN_IN_MESSAGES[kind]).includes(word.toLowerCase()),
  );
