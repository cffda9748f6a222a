import "server-only";
import { object, string } from "yup";
import { insertReset, resetByToken, useResetsOf } from "@/db/queries/credentials";
import { type PersonRow, personById, staffByEmail } from "@/db/queries/people";
import { emailKey } from "@/server/access/doorKeys";
import { reserveTry } from "@/server/access/doors";
import { demandGoodPassword, replaceSecret } from "@/server/access/newSecrets";
import { hashSecret, newToken, tokenHashOf } from "@/server/access/secrets";
import { recordSignIn } from "@/server/history/recordChange";
import { log } from "@/server/runtime/log";
import { Refusal } from "@/server/runtime/refusal";
import type { Runtime } from "@/server/runtime/runtime";
import { schoolOf } from "@/server/runtime/school";
import { validated } from "@/server/runtime/validated";

const LINK_MINUTES = 30;
const MINUTE = 60_000;

const askInput = object({
  email: string().trim().lowercase().email("This is no email address.").required("Type your email address."),
});

/**
 * Mails a link with which a member of staff sets a new password. Says nothing about whether the address is known; an address
 * gets few mails an hour, however often it is asked for.
 */
export async function askReset(runtime: Runtime, raw: unknown): Promise<void> {
  const { email } = validated(askInput, raw);
  const door = { kind: "reset" as const, key: emailKey(email) };
  const reserved = await runtime.db.write((tx) => reserveTry(tx, [door], runtime.now()));
  if ("wait" in reserved) return;
  const staff = await staffByEmail(runtime.db.read, email);
  // One address may stand for somebody at two schools: each account gets its own link. Not waited for: how long it takes
  // would tell a known address from an unknown one.
  for (const person of staff)
    void sendLink(runtime, person, email, staff.length > 1).catch((error: unknown) =>
      log("error", "mail not sent", { error }),
    );
}

async function sendLink(runtime: Runtime, person: PersonRow, email: string, namesSchool: boolean): Promise<void> {
  const now = runtime.now();
  const at = namesSchool ? ` at ${(await schoolOf(runtime, person.schoolId)).name}` : "";
  const token = newToken();
  await runtime.db.write(async (tx) => {
    await insertReset(tx, {
      tokenHash: tokenHashOf(token),
      personId: person.id,
      expiresAt: now + LINK_MINUTES * MINUTE,
    });
    await recordSignIn(tx, runtime, person, { kind: "link-sent" });
  });
  const text = [
    `Hello ${person.givenName},`,
    "",
    `somebody asked for a new password for your Oxbow account${at}. If it was you, set it here within ${LINK_MINUTES} minutes:`,
    "",
    `${runtime.publicAddress}/sign-in/new-password#${token}`,
    "",
    "If it was not you, there is nothing to do: your password stays as it is.",
  ].join("\n");
  await runtime.sendMail({ to: email, subject: "A new password for Oxbow", text });
}

const setInput = object({
  token: string().max(100).required("The link is not whole. Open it from the mail once more."),
  password: string().max(200, "A password has at most 200 letters.").required("Type a new password."),
});

/** Sets a new password by a link from the mail box; the link works once, all sessions end. */
export async function setPasswordByLink(runtime: Runtime, raw: unknown): Promise<void> {
  const { token, password } = validated(setInput, raw);
  const now = runtime.now();
  const tokenHash = tokenHashOf(token);
  const reset = await resetByToken(runtime.db.read, tokenHash);
  const person = reset ? await personById(runtime.db.read, reset.personId) : null;
  const over = new Refusal("closed", "This link is used up or too old. Ask for a new one; it takes a minute.");
  if (!reset || !person || person.archivedAt !== null) throw over;
  demandGoodPassword(password, person);
  const hash = await hashSecret(password);
  await runtime.db.write(async (tx) => {
    const latest = await resetByToken(tx, tokenHash);
    if (!latest || latest.usedAt !== null || latest.expiresAt <= now) throw over;
    await useResetsOf(tx, person.id, now);
    await replaceSecret(tx, person.id, { hash, kind: "password" }, now);
    await recordSignIn(tx, runtime, person, { kind: "password-by-link" });
  });
}
