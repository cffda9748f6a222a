import "server-only";
import { object, string } from "yup";
import { BANK_LEVELS, BANK_ROLES } from "@/core/model/bankLevel";
import type { NamedFacts } from "@/core/model/changeFacts";
import { type BankRow, banksById, rightsOfBanks } from "@/db/queries/banks";
import { personById, schoolById, schoolsAround } from "@/db/queries/people";
import { added, changed } from "@/db/queries/rowChanges";
import type { Queryable } from "@/db/queryable";
import type { RowChange } from "@/db/schema/history";
import { bankSubject, demandBank } from "@/server/access/bankSubject";
import { demand, demandStaff } from "@/server/access/demand";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { optionalDay, uuid, validated } from "@/server/runtime/validated";

type Done = Promise<{ changeId: string }>;

const fields = {
  name: string()
    .trim()
    .min(1, "Give the bank a name.")
    .max(60, "The name of a bank has at most 60 letters.")
    .required("Give the bank a name."),
  license: string().trim().max(120, "The license has at most 120 letters.").default(""),
  restrictedUntil: optionalDay(),
};

const makeInput = object({ id: uuid(), ofSchool: string().oneOf(["yes", "no"]).default("no"), ...fields });

/** Makes a bank: one's own, or the school's where one coordinates it, which its whole staff may use. Sent twice, it is made once. */
export async function makeBank(context: Context, raw: unknown): Promise<{ bankId: string; changeId: string | null }> {
  const staff = demandStaff(context.actor);
  const { id, ofSchool, ...values } = validated(makeInput, raw);
  const { runtime } = context;
  const { schoolId } = staff;
  if (ofSchool === "yes") demand(staff, "manage", { kind: "school", schoolId });
  return runtime.db.write(async (tx) => {
    const [known] = await banksById(tx, [id]);
    if (known) {
      await demandBank(context, "look-after", id, tx);
      return { bankId: id, changeId: null };
    }
    const ownerId = ofSchool === "yes" ? null : staff.personId;
    const rows: RowChange[] = [
      added("banks", { id, schoolId, ownerId, ...values, createdAt: runtime.now() }),
      ...(ownerId === null ? [added("bankRights", { id: runtime.newId(), bankId: id, schoolId, level: "use" })] : []),
    ];
    const told = { kind: "bank-made", facts: { name: values.name } } as const;
    return { bankId: id, changeId: await record(tx, context, id, told, rows) };
  });
}

const record = (tx: Queryable, context: Context, bankId: string, told: NamedFacts, rows: readonly RowChange[]) =>
  recordChange(tx, context, { ...told, classId: null, subjectIds: [bankId], rows });

/** The bank, for whoever looks after it. */
async function ownBank(tx: Queryable, context: Context, bankId: string): Promise<BankRow> {
  await demandBank(context, "look-after", bankId, tx);
  const [bank] = await banksById(tx, [bankId]);
  if (!bank) throw new Refusal("not-found", "This bank is not there any more.");
  const { ownerLeft: _, ...row } = bank;
  return row;
}

/** Changes a bank's name, license, or the day until which it is restricted. */
export async function changeBank(context: Context, raw: unknown): Done {
  const { bankId, ...values } = validated(object({ bankId: string().required(), ...fields }), raw);
  return context.runtime.db.write(async (tx) => {
    const bank = await ownBank(tx, context, bankId);
    const told = { kind: "bank-changed", facts: { name: values.name } } as const;
    return { changeId: await record(tx, context, bankId, told, [changed("banks", bank, values)]) };
  });
}

/** Puts a bank away with everything in it; work that was given stays. */
export async function putBankAway(context: Context, raw: unknown): Done {
  const { bankId } = validated(object({ bankId: string().required() }), raw);
  return context.runtime.db.write(async (tx) => {
    const bank = await ownBank(tx, context, bankId);
    const rows = [changed("banks", bank, { archivedAt: context.runtime.now() })];
    return {
      changeId: await record(tx, context, bankId, { kind: "bank-put-away", facts: { name: bank.name } }, rows),
    };
  });
}

/** Brings back a bank that was put away, for whoever looked after it. */
export async function bringBankBack(context: Context, raw: unknown): Done {
  const { bankId } = validated(object({ bankId: string().required() }), raw);
  return context.runtime.db.write(async (tx) => {
    const [bank] = await banksById(tx, [bankId]);
    const subject = await bankSubject(context, bankId, tx);
    demand(context.actor, "look-after", { ...subject, schoolId: bank?.schoolId ?? null });
    if (!bank || bank.archivedAt === null) throw new Refusal("conflict", "This bank is in use already.");
    const { ownerLeft: _, ...row } = bank;
    const rows = [changed("banks", row, { archivedAt: null })];
    return {
      changeId: await record(tx, context, bankId, { kind: "bank-brought-back", facts: { name: bank.name } }, rows),
    };
  });
}

const openInput = object({
  bankId: string().required(),
  /** A colleague, or null for everybody of the school or those with the role. */
  personId: string().nullable().default(null),
  schoolId: string().nullable().default(null),
  role: string()
    .oneOf([...BANK_ROLES])
    .nullable()
    .default(null),
  level: string()
    .oneOf([...BANK_LEVELS], "Choose what may be done with the bank.")
    .required("Choose what may be done with the bank."),
});

/** Opens a bank to a colleague or to a school's staff, or changes what they may do. */
export async function openBank(context: Context, raw: unknown): Done {
  const { bankId, personId, schoolId, role, level } = validated(openInput, raw);
  const { runtime } = context;
  if ((personId === null) === (schoolId === null)) throw new Refusal("invalid", "Choose a colleague or a school.");
  return runtime.db.write(async (tx) => {
    const bank = await ownBank(tx, context, bankId);
    const school = (await schoolsAround(tx, bank.schoolId)).find(({ id }) => id === schoolId) ?? null;
    if (schoolId !== null && !school) throw new Refusal("not-found", "This school is not there any more.");
    if (personId !== null) await demandColleague(tx, bank, personId);
    const known = (await rightsOfBanks(tx, [bankId])).find(
      (one) => one.personId === personId && one.schoolId === schoolId && (personId !== null || one.role === role),
    );
    if (known?.level === level) throw new Refusal("conflict", "They may do that already; nothing was changed.");
    const row = known
      ? changed("bankRights", known, { level })
      : added("bankRights", { id: runtime.newId(), bankId, personId, schoolId, role: personId ? null : role, level });
    const facts = { name: bank.name, personId, school: school?.name ?? null, role: personId ? null : role, level };
    return { changeId: await record(tx, context, bankId, { kind: "bank-opened", facts }, [row]) };
  });
}

async function demandColleague(tx: Queryable, bank: BankRow, personId: string): Promise<void> {
  const colleague = await personById(tx, personId);
  if (colleague?.kind !== "staff" || colleague.archivedAt !== null || colleague.schoolId !== bank.schoolId)
    throw new Refusal("not-found", "This colleague is not at the school any more. Choose somebody else.");
  if (bank.ownerId === personId) throw new Refusal("conflict", "The bank is theirs already.");
}

/** Takes a right to a bank away. */
export async function closeBank(context: Context, raw: unknown): Done {
  const { bankId, rightId } = validated(object({ bankId: string().required(), rightId: string().required() }), raw);
  return context.runtime.db.write(async (tx) => {
    const bank = await ownBank(tx, context, bankId);
    const known = (await rightsOfBanks(tx, [bankId])).find(({ id }) => id === rightId);
    if (!known) throw new Refusal("not-found", "This right is gone already.");
    const school = known.schoolId === null ? null : await schoolById(tx, known.schoolId);
    const facts = { name: bank.name, personId: known.personId, school: school?.name ?? null };
    const rows: RowChange[] = [{ table: "bankRights", id: rightId, before: { ...known }, after: null }];
    return { changeId: await record(tx, context, bankId, { kind: "bank-closed", facts }, rows) };
  });
}
