import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import { banksAround, banksById, type OwnedBank, rightsOfBanks } from "@/db/queries/banks";
import type { Queryable } from "@/db/queryable";
import type { Context } from "@/server/runtime/context";
import { todayOf } from "@/server/runtime/school";
import { demand } from "./demand";
import { type BankSubject, may, type StaffActor, type VerbOf } from "./policy";

/** Banks as the policy asks about them. Those that are not there are missing. */
async function subjectsOf(
  { runtime }: Pick<Context, "runtime">,
  banks: readonly OwnedBank[],
  db: Queryable,
): Promise<ReadonlyMap<string, BankSubject>> {
  const rights = groupBy(
    await rightsOfBanks(
      db,
      banks.map(({ id }) => id),
    ),
    ({ bankId }) => bankId,
  );
  const days = new Map<string, string>();
  for (const schoolId of new Set(banks.map((bank) => bank.schoolId)))
    days.set(schoolId, await todayOf(runtime, schoolId));
  return new Map(
    banks.map(({ id, schoolId, ownerId, ownerLeft, restrictedUntil, archivedAt }) => [
      id,
      {
        kind: "bank",
        bankId: id,
        schoolId: archivedAt === null ? schoolId : null,
        ownerId,
        ownerLeft,
        restricted: restrictedUntil !== null && (days.get(schoolId) ?? "") < restrictedUntil,
        rights: rights.get(id) ?? [],
      },
    ]),
  );
}

/** A bank as the policy asks about it, put away or not there included. */
export async function bankSubject(context: Context, bankId: string, db: Queryable): Promise<BankSubject> {
  const found = (await subjectsOf(context, await banksById(db, [bankId]), db)).get(bankId);
  return (
    found ?? {
      kind: "bank",
      bankId,
      schoolId: null,
      ownerId: null,
      ownerLeft: false,
      restricted: true,
      rights: [],
    }
  );
}

/** Goes on only when the policy allows it for the bank; the stock, which every school has, is used by all and changed by nobody. */
export async function demandBank(
  context: Context,
  verb: VerbOf<"bank">,
  bankId: string | null,
  db: Queryable = context.runtime.db.read,
): Promise<void> {
  if (bankId === null && verb === "use" && context.actor.kind === "staff") return;
  demand(context.actor, verb, await bankSubject(context, bankId ?? "", db));
}

/** A bank that is open to somebody, with what they may do there. */
export interface OpenBank {
  readonly bank: OwnedBank;
  readonly subject: BankSubject;
  readonly mayChange: boolean;
  readonly mayLookAfter: boolean;
}

/** Every bank that a member of staff may use. */
export async function openBanks({ runtime }: Context, staff: StaffActor): Promise<OpenBank[]> {
  const db = runtime.db.read;
  const around = await banksAround(db, staff.personId, [...new Set([staff.schoolId, ...staff.coordinates])]);
  const subjects = await subjectsOf({ runtime }, around, db);
  return around.flatMap((bank) => {
    const subject = subjects.get(bank.id);
    if (!subject || !may(staff, "use", subject)) return [];
    return [
      {
        bank,
        subject,
        mayChange: may(staff, "change", subject),
        mayLookAfter: may(staff, "look-after", subject),
      },
    ];
  });
}
