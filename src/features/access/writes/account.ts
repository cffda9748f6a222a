import "server-only";
import { object, string } from "yup";
import {
  type CredentialRow,
  credentialOf,
  openSessionsOf,
  revokeSession,
  setSecret,
  updateCredential,
} from "@/db/queries/credentials";
import { personById } from "@/db/queries/people";
import type { Queryable } from "@/db/queryable";
import { demand, demandStaff } from "@/server/access/demand";
import { personKey } from "@/server/access/doorKeys";
import { giveBack } from "@/server/access/doors";
import { demandGoodPassword } from "@/server/access/newSecrets";
import { demandTry } from "@/server/access/passDoor";
import { hashSecret, secretFits } from "@/server/access/secrets";
import { newTotpSecret, totpStep } from "@/server/access/totp";
import { recordSignIn } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";

const passwordInput = object({
  present: string().max(200).required("Type your present password."),
  next: string().max(200, "A password has at most 200 letters.").required("Type a new password."),
});

/** Changes the own password; the other devices are signed out. */
export async function changePassword(context: Context, raw: unknown, presentSession: string): Promise<void> {
  const { present, next } = validated(passwordInput, raw);
  const staff = await confirmed(context, present);
  demandGoodPassword(next, staff);
  const hash = await hashSecret(next);
  const { runtime } = context;
  await runtime.db.write(async (tx) => {
    await setSecret(tx, staff.id, hash, "password");
    for (const { tokenHash } of await openSessionsOf(tx, staff.id))
      if (tokenHash !== presentSession) await revokeSession(tx, tokenHash, runtime.now());
    await note(context, tx, "password-changed");
  });
}

/** Makes the shared secret of a second step; it counts once a code from it was typed. */
export async function beginSecondStep(context: Context, raw: unknown): Promise<{ secret: string }> {
  const { password } = validated(object({ password: string().required("Type your password.") }), raw);
  const staff = await confirmed(context, password);
  const secret = newTotpSecret();
  await context.runtime.db.write(async (tx) => {
    if ((await credentialOf(tx, staff.id))?.totpConfirmedAt != null)
      throw new Refusal("conflict", "A second step is set up already. Remove it first.");
    await updateCredential(tx, staff.id, { totpSecret: secret, totpConfirmedAt: null, totpLastStep: null });
  });
  return { secret };
}

/** Turns the second step on: the code proves that the phone has the secret. */
export async function confirmSecondStep(context: Context, raw: unknown): Promise<void> {
  const input = object({
    code: string()
      .trim()
      .matches(/^\d{6}$/, "The code has six digits.")
      .required(),
  });
  const { code } = validated(input, raw);
  const { personId } = demandStaff(context.actor);
  demand(context.actor, "change", { kind: "account", personId });
  const { runtime } = context;
  const now = runtime.now();
  await runtime.db.write(async (tx) => {
    const credential = await credentialOf(tx, personId);
    if (!credential?.totpSecret) throw new Refusal("conflict", "Begin with the code to scan.");
    const step = totpStep(credential.totpSecret, code, now, credential.totpLastStep);
    if (step === null) throw new Refusal("invalid", "That code does not fit. Is the phone's clock right?");
    await updateCredential(tx, personId, { totpConfirmedAt: now, totpLastStep: step });
    await note(context, tx, "second-step-set");
  });
}

export async function removeSecondStep(context: Context, raw: unknown): Promise<void> {
  const { password } = validated(object({ password: string().required("Type your password.") }), raw);
  const staff = await confirmed(context, password);
  await context.runtime.db.write(async (tx) => {
    const none: Partial<CredentialRow> = { totpSecret: null, totpConfirmedAt: null, totpLastStep: null };
    await updateCredential(tx, staff.id, none);
    await note(context, tx, "second-step-removed");
  });
}

/** Signs one of the own devices out. Devices are named by the start of their session's hash, which opens nothing. */
export async function endSession(context: Context, raw: unknown): Promise<void> {
  const { device } = validated(object({ device: string().required() }), raw);
  const { personId } = context.actor;
  demand(context.actor, "change", { kind: "account", personId });
  await context.runtime.db.write(async (tx) => {
    const session = (await openSessionsOf(tx, personId)).find(({ tokenHash }) => tokenHash.startsWith(device));
    if (!session || device.length < 12) throw new Refusal("not-found", "This device is signed out already.");
    await revokeSession(tx, session.tokenHash, context.runtime.now());
    await note(context, tx, "device-signed-out", session.device);
  });
}

/** The asking member of staff, once the present password was typed rightly. */
async function confirmed({ runtime, actor }: Context, password: string) {
  const { personId } = demandStaff(actor);
  demand(actor, "change", { kind: "account", personId });
  const door = { kind: "account" as const, key: personKey(personId) };
  const reserved = await demandTry(runtime, [door], (time) => `Too many wrong passwords. Try again in ${time}.`);
  const [person, credential] = await Promise.all([
    personById(runtime.db.read, personId),
    credentialOf(runtime.db.read, personId),
  ]);
  if (!person || !credential || !(await secretFits(credential.secretHash, password, { known: true })))
    throw new Refusal("invalid", "Your present password is not right.");
  await runtime.db.write((tx) => giveBack(tx, reserved));
  return person;
}

const note = (
  { runtime, actor }: Context,
  tx: Queryable,
  kind: "password-changed" | "second-step-set" | "second-step-removed" | "device-signed-out",
  device = "",
) => recordSignIn(tx, runtime, { id: actor.personId, schoolId: actor.schoolId }, { kind, device });
