import "server-only";
import { BANK_ROLES, type BankLevel } from "@/core/model/bankLevel";
import { banksAround, itemsInBanks, namedRightsOf } from "@/db/queries/banks";
import { itemsInStock } from "@/db/queries/itemSearch";
import { allSchools, schoolsAround, staffOfSchools } from "@/db/queries/people";
import { bankSubject, demandBank, type OpenBank, openBanks } from "@/server/access/bankSubject";
import { demandStaff } from "@/server/access/demand";
import { may } from "@/server/access/policy";
import { cardsMade } from "@/server/library/itemCards";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { schoolOf } from "@/server/runtime/school";
import { bankRoleWords } from "@/words/staff/bankWords";
import type { BankLine, BanksView, BankView } from "../bankTypes";
import { namesOf } from "./finder";

/** Every bank that the asking person may use, with what they may do there. */
export async function banksPage(context: Context): Promise<BanksView> {
  const staff = demandStaff(context.actor);
  const { runtime } = context;
  const db = runtime.db.read;
  await cardsMade(runtime);
  const [open, stock, school] = await Promise.all([
    openBanks(context, staff),
    itemsInStock(db),
    schoolOf(runtime, staff.schoolId),
  ]);
  const around = await banksAround(db, staff.personId, [...new Set([staff.schoolId, ...staff.coordinates])]);
  const putAway: { id: string; name: string }[] = [];
  for (const { id, name, schoolId, archivedAt } of around)
    if (archivedAt !== null && may(staff, "look-after", { ...(await bankSubject(context, id, db)), schoolId }))
      putAway.push({ id, name });
  const all = await allSchools(db);
  return {
    stock,
    mayCalibrate: all.every(({ id }) => may(staff, "calibrate", { kind: "school", schoolId: id })),
    banks: await linesOf(context, open),
    putAway,
    coordinates: staff.coordinates.includes(staff.schoolId),
    school: school.name,
  };
}

async function linesOf(context: Context, open: readonly OpenBank[]): Promise<BankLine[]> {
  const ids = open.map(({ bank }) => bank.id);
  const counts = await itemsInBanks(context.runtime.db.read, ids);
  const owners = await namesOf(context, new Set(open.flatMap(({ bank }) => bank.ownerId ?? [])));
  const countOf = (id: string, status: "ready" | "draft") =>
    counts.find((one) => one.bankId === id && one.status === status)?.items ?? 0;
  const lines: BankLine[] = [];
  for (const { bank, subject, mayChange, mayLookAfter } of open) {
    const school = await schoolOf(context.runtime, bank.schoolId);
    lines.push({
      id: bank.id,
      name: bank.name,
      owner: bank.ownerId === null ? school.name : (owners.get(bank.ownerId) ?? ""),
      ready: countOf(bank.id, "ready"),
      drafts: mayChange ? countOf(bank.id, "draft") : 0,
      restrictedUntil: bank.restrictedUntil,
      isRestricted: subject.restricted,
      level: levelOf(mayChange, mayLookAfter),
    });
  }
  return lines;
}

const levelOf = (mayChange: boolean, mayLookAfter: boolean): BankLevel =>
  mayLookAfter ? "look-after" : mayChange ? "change" : "use";

/** A bank with who may do what, for those who look after it; to others only what they may do themselves. */
export async function bankPage(context: Context, bankId: string): Promise<BankView> {
  const staff = demandStaff(context.actor);
  const { runtime } = context;
  const db = runtime.db.read;
  await demandBank(context, "use", bankId, db);
  await cardsMade(runtime);
  const open = (await openBanks(context, staff)).find(({ bank }) => bank.id === bankId);
  const [line] = open ? await linesOf(context, [open]) : [];
  if (!open || !line) throw new Refusal("not-found", "This bank is not there any more.");
  const shared = { ...line, license: open.bank.license, roles: BANK_ROLES };
  if (!open.mayLookAfter) return { ...shared, rights: [], colleagues: [], schools: [] };
  const [rights, colleagues, schools] = await Promise.all([
    namedRightsOf(db, bankId),
    staffOfSchools(db, [open.bank.schoolId]),
    schoolsAround(db, open.bank.schoolId),
  ]);
  return {
    ...shared,
    rights: rights.map(({ right, givenName, familyName, hasLeft, school }) => ({
      id: right.id,
      who: right.personId === null ? bankRoleWords(right.role, school ?? "a school") : `${givenName} ${familyName}`,
      level: right.level,
      hasLeft: hasLeft === 1,
    })),
    colleagues: colleagues
      .filter(({ id }) => id !== open.bank.ownerId)
      .map(({ id, givenName, familyName }) => ({ id, name: `${givenName} ${familyName}` })),
    schools: schools.map(({ id, name }) => ({ id, name })),
  };
}
