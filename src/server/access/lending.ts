import "server-only";
import { type Ground, groundsOf, hasLentPlaces, tiedTo } from "@/db/queries/grounds";
import type { Queryable } from "@/db/queryable";
import type { RowChange } from "@/db/schema/history";
import { Refusal } from "@/server/runtime/refusal";
import type { StaffActor } from "./policy";

/**
 * A class or group that somebody makes is a tie to its students. Made of a borrowed tie (as co-teacher, substitute, specialist
 * or group colleague), it ends with that one and never exceeds it: the student's place names the tie it is lent through, and
 * what is borrowed is not lent on (decisions/0020).
 */
const OWN: readonly Ground["role"][] = ["teacher", "group owner"];
/** The strongest first. Only co-teachers may do as much as a class's teacher may with the students in it. */
const BORROWED: readonly Ground["role"][] = ["co-teacher", "specialist", "substitute", "group colleague"];

interface Lending {
  readonly today: string;
  /** Students whom nobody lends, since the asker has no tie to them: a roster file may name them, nothing else may. */
  readonly fromFile?: boolean;
}

/** The rows with each new place in a class or group marked by the tie that it is lent through; a refusal where none can be. */
export async function lend(
  tx: Queryable,
  staff: StaffActor,
  rows: readonly RowChange[],
  { today, fromFile = false }: Lending,
): Promise<RowChange[]> {
  if (staff.coordinates.includes(staff.schoolId)) return [...rows];
  const fresh = new Set(rows.flatMap(({ table, id, before }) => (table === "people" && before === null ? [id] : [])));
  const places = rows.flatMap((row) => {
    const place = placeOf(row);
    return place && !fresh.has(place.personId) ? [{ row, ...place }] : [];
  });
  if (places.length === 0) return [...rows];
  const around = new Map<string, readonly Tied[]>();
  for (const { key, at } of places) if (!around.has(key)) around.set(key, await allTiedTo(tx, at, rows, today));
  const staffIds = [staff.personId, ...[...around.values()].flat().map(({ staffId }) => staffId)];
  const grounds = await groundsOf(
    tx,
    [...new Set(staffIds)],
    places.map(({ personId }) => personId),
    today,
  );
  const ending = new Set(rows.flatMap(({ id, before, after }) => (before && after?.untilDay ? [id] : [])));
  const through = new Map<RowChange, string>();
  for (const { row, personId, key } of places) {
    const of = (staffId: string) => grounds.filter((one) => one.staffId === staffId && one.personId === personId);
    const mine = of(staff.personId);
    if (isOwn(mine) || (mine.length === 0 && fromFile)) continue;
    const tied = around.get(key) ?? [];
    const others = tied.filter(({ staffId }) => staffId !== staff.personId);
    if (others.some(({ staffId }) => !isOwn(of(staffId)))) throw lentOn();
    if (!tied.some(({ staffId, makes }) => makes && staffId === staff.personId)) continue;
    const lasting = mine.filter(({ placeId }) => !ending.has(placeId));
    const best = lasting.sort((x, y) => rank(x) - rank(y))[0];
    if (!best || (row.table === "enrollments" && best.role !== "co-teacher")) throw lentOn();
    through.set(row, best.lentThrough ?? best.tieId);
  }
  return rows.map((row) => {
    const lentThrough = through.get(row);
    return lentThrough === undefined ? row : { ...row, after: { ...row.after, lentThrough } };
  });
}

/** Refuses to share a class or group that holds students whom somebody has only on loan. */
export async function demandNoneLent(
  tx: Queryable,
  place: { readonly classId: string } | { readonly groupId: string },
  today: string,
): Promise<void> {
  if (await hasLentPlaces(tx, place, today)) throw lentOn();
}

const isOwn = (grounds: readonly Ground[]): boolean =>
  grounds.some(({ role, lentThrough }) => OWN.includes(role) && lentThrough === null);

const rank = ({ role }: Ground): number => (BORROWED.includes(role) ? BORROWED.indexOf(role) : BORROWED.length);

const lentOn = () =>
  new Refusal(
    "not-allowed",
    "You have some of these students through a class or group that is shared with you, so it takes its teacher or a coordinator to do this.",
  );

type Place = { readonly classId: string } | { readonly groupId: string };
type Tied = Awaited<ReturnType<typeof tiedTo>>[number];

function placeOf({ table, before, after }: RowChange): { personId: string; key: string; at: Place } | null {
  if (before !== null || after === null) return null;
  const [personId, classId, groupId] = [String(after.personId), String(after.classId), String(after.groupId)];
  if (table === "enrollments") return { personId, key: classId, at: { classId } };
  return table === "groupMembers" ? { personId, key: groupId, at: { groupId } } : null;
}

/** Who has a tie to a place, those included whom the same change gives one. */
async function allTiedTo(tx: Queryable, at: Place, rows: readonly RowChange[], today: string): Promise<Tied[]> {
  const coming = rows.flatMap(({ table, id, before, after }): Tied[] => {
    if (before !== null || after === null) return [];
    if ("classId" in at)
      return table === "classStaff" && after.classId === at.classId
        ? [{ staffId: String(after.personId), makes: after.role === "teacher" }]
        : [];
    return table === "groups" && id === at.groupId ? [{ staffId: String(after.ownerId), makes: true }] : [];
  });
  return [...(await tiedTo(tx, at, today)), ...coming];
}
