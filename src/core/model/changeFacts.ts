import type { BankLevel, BankRole } from "./bankLevel";
import type { ChangeArea } from "./changeArea";
import type { DecimalMark } from "./decimalMark";
import { AREA_OF_EVIDENCE, type EvidenceFacts } from "./evidenceFacts";
import { AREA_OF_GROUPS, type GroupFacts } from "./groupFacts";
import type { Noted } from "./noted";
import { AREA_OF_PLANS, type PlanFacts } from "./planFacts";
import { AREA_OF_WORK, type WorkFacts } from "./workFacts";

/** Who was moved: one person by id, or only how many. */
interface Moved {
  readonly personId: string | null;
  readonly students: number;
  /** Names of where they left and where they came; null for neither. */
  readonly from: string | null;
  readonly to: string | null;
}
interface OfPerson {
  readonly personId: string;
}

/**
 * What the history says of a change, by its kind: facts, which are worded for whoever reads them. People are ids, so that no
 * name outlives an erasure; titles and names of things are as they were on the day. Days are school days.
 */
export interface ChangeFacts extends PlanFacts, WorkFacts, EvidenceFacts, GroupFacts {
  "roster-imported": {
    readonly file: string;
    readonly into: string | null;
    readonly entries: number;
    readonly people: Readonly<Record<"added" | "changed" | "inactive" | "restored", number>>;
    readonly places: Readonly<Record<"added" | "inactive", number>>;
  };
  "rolled-over": {
    readonly term: string;
    readonly movedUp: number;
    readonly left: number;
    readonly made: number;
    readonly putAway: number;
  };
  "class-made": { readonly name: string; readonly grade: number; readonly students: number };
  "class-changed": { readonly before: string; readonly name: string; readonly untilDay: string | null };
  "class-put-away": { readonly name: string };
  "class-brought-back": { readonly name: string };
  "class-shared": OfPerson & { readonly role: string; readonly name: string; readonly untilDay: string | null };
  "class-share-ended": OfPerson & { readonly role: string };
  "students-placed": Moved;
  "student-added": OfPerson;
  "student-corrected": OfPerson & { readonly fields: number };
  "student-left": OfPerson;
  "student-came-back": OfPerson;
  "interests-chosen": OfPerson;
  "supports-changed": OfPerson;
  "staff-added": OfPerson & { readonly role: string };
  "staff-corrected": OfPerson & { readonly field: "name" | "email" };
  "staff-left": OfPerson & { readonly classes: number };
  "staff-came-back": OfPerson;
  "role-given": OfPerson & { readonly role: string };
  "coordinator-named": OfPerson;
  "sign-ins-made": { readonly personId: string | null; readonly students: number; readonly cards: boolean };
  "waits-lifted": { readonly personIds: readonly string[] };
  "class-signed-out": { readonly devices: number };
  "roster-taken-out": {
    /** Names of the classes; empty for the whole roster. */
    readonly classes: readonly string[];
    readonly format: "package" | "csv" | "tsv" | "xlsx";
    readonly sinceDay: string | null;
  };
  "student-taken-out": OfPerson;
  "settings-changed": {
    readonly staffIdleMinutes: number;
    readonly studentIdleMinutes: number;
    readonly lateGraceHours: number;
    readonly keepYears: number;
    /** Missing in what was recorded before it could be set. */
    readonly decimalMark?: DecimalMark;
  };
  "erasure-asked": OfPerson;
  "erasure-declined": OfPerson;
  erased: OfPerson;
  "groups-made": { readonly names: readonly string[]; readonly students: number | null };
  "group-changed": { readonly name: string };
  "group-put-away": { readonly name: string };
  "members-moved": Moved;
  "group-shared": OfPerson & { readonly name: string; readonly untilDay: string | null };
  "group-share-ended": OfPerson & { readonly name: string };
  "reteach-assigned": { readonly skill: string; readonly group: string };
  "bank-made": { readonly name: string };
  "bank-changed": { readonly name: string };
  "bank-put-away": { readonly name: string };
  "bank-brought-back": { readonly name: string };
  /** To one person by id; to everybody of a school, or those with a role there, by its name. */
  "bank-opened": {
    readonly name: string;
    readonly personId: string | null;
    readonly school: string | null;
    readonly role: BankRole | null;
    readonly level: BankLevel;
  };
  "bank-closed": { readonly name: string; readonly personId: string | null; readonly school: string | null };
  /** Without its text where the bank is restricted. */
  "item-put-into-use": { readonly line: string; readonly version: number };
  "items-moved": { readonly items: number; readonly from: string; readonly to: string };
  "items-copied": { readonly items: number; readonly to: string };
  /** Without the file's name where the bank is restricted. */
  "items-imported": {
    readonly file: string;
    readonly to: string;
    readonly inUse: number;
    readonly drafts: number;
    readonly versions: number;
  };
  "items-taken-out": { readonly items: number; readonly from: string; readonly format: "package" | "csv" | "xlsx" };
  /** Not given together from now on, or let together again. */
  "items-kept-apart": { readonly items: number; readonly apart: boolean };
  "estimates-adopted": { readonly items: number };
  "items-retired": { readonly items: number };
  "items-brought-back": { readonly items: number };
  /** Without its title where the bank is restricted. */
  "passage-kept": { readonly title: string; readonly version: number };
  "passage-retired": { readonly title: string };
  "passage-brought-back": { readonly title: string };
  "framework-imported": {
    readonly title: string;
    readonly isNew: boolean;
    readonly added: number;
    readonly changed: number;
    readonly gone: number;
  };
  "framework-followed": { readonly title: string };
  "note-kept": { readonly about: Noted; readonly shared: boolean };
  "item-rescored": { readonly itemId: string; readonly version: number };
  /** What was taken back. */
  undone: { readonly of: NamedFacts };
  /** An entry of the time before facts were kept: its sentence, with people as `{person:id}`. */
  said: { readonly sentence: string };
}
export type ChangeKind = keyof ChangeFacts;
/** A kind with facts that belong to it. */
export type NamedFacts = {
  readonly [K in ChangeKind]: { readonly kind: K; readonly facts: ChangeFacts[K] };
}[ChangeKind];

/** The area under which a kind is found; what was undone or only said stands under that of its entry. */
export const AREA_OF_CHANGE: Readonly<Record<Exclude<ChangeKind, "undone" | "said">, ChangeArea>> = {
  "roster-imported": "roster",
  "rolled-over": "roster",
  "class-made": "roster",
  "class-changed": "roster",
  "class-put-away": "roster",
  "class-brought-back": "roster",
  "class-shared": "rights",
  "class-share-ended": "rights",
  "students-placed": "roster",
  "student-added": "roster",
  "student-corrected": "roster",
  "student-left": "roster",
  "student-came-back": "roster",
  "interests-chosen": "roster",
  "supports-changed": "supports",
  "staff-added": "rights",
  "staff-corrected": "rights",
  "staff-left": "rights",
  "staff-came-back": "rights",
  "role-given": "rights",
  "coordinator-named": "rights",
  "sign-ins-made": "rights",
  "waits-lifted": "rights",
  "class-signed-out": "rights",
  "roster-taken-out": "export",
  "student-taken-out": "export",
  "settings-changed": "privacy",
  "erasure-asked": "privacy",
  "erasure-declined": "privacy",
  erased: "privacy",
  "groups-made": "groups",
  "group-changed": "groups",
  "group-put-away": "groups",
  "members-moved": "groups",
  "group-shared": "rights",
  "group-share-ended": "rights",
  "reteach-assigned": "groups",
  "bank-made": "library",
  "bank-changed": "library",
  "bank-put-away": "library",
  "bank-brought-back": "library",
  "bank-opened": "library",
  "bank-closed": "library",
  "item-put-into-use": "library",
  "items-moved": "library",
  "items-copied": "library",
  "items-imported": "library",
  "items-taken-out": "export",
  "items-kept-apart": "library",
  "estimates-adopted": "library",
  "items-retired": "library",
  "items-brought-back": "library",
  "passage-kept": "library",
  "passage-retired": "library",
  "passage-brought-back": "library",
  "framework-imported": "library",
  "framework-followed": "library",
  ...AREA_OF_PLANS,
  ...AREA_OF_WORK,
  ...AREA_OF_EVIDENCE,
  ...AREA_OF_GROUPS,
  "note-kept": "library",
  "item-rescored": "scores",
};

/**
 * Ids of the people whom facts name.
 * @example peopleInFacts({ kind: "waits-lifted", facts: { personIds: ["a", "b"] } }) // ["a", "b"]
 */
export function peopleInFacts({ kind, facts }: NamedFacts): string[] {
  if (kind === "undone") return peopleInFacts(facts.of);
  if (kind === "said") return [...facts.sentence.matchAll(/\{person:([^}]+)\}/g)].map((match) => match[1] ?? "");
  if ("personIds" in facts) return [...facts.personIds];
  return "personId" in facts && facts.personId !== null ? [facts.personId] : [];
}

/**
 * Facts of students who were moved: one by id, several by their number.
 * @example movedFacts(["a", "b"], { name: "6 Alder" }, null) // { personId: null, students: 2, from: "6 Alder", to: null }
 */
export function movedFacts(
  studentIds: readonly string[],
  from: { readonly name: string } | null,
  to: { readonly name: string } | null,
): Moved {
  const [personId = null, ...others] = studentIds;
  return {
    personId: others.length === 0 ? personId : null,
    students: studentIds.length,
    from: from?.name ?? null,
    to: to?.name ?? null,
  };
}
