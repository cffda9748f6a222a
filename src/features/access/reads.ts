import "server-only";
import { formatDistance } from "date-fns";
import { toDataURL } from "qrcode";
import { credentialOf, openSessionsOf } from "@/db/queries/credentials";
import { anySchool, personById } from "@/db/queries/people";
import { demand, demandStaff } from "@/server/access/demand";
import { sessionHolds } from "@/server/access/sessions";
import { totpAddress } from "@/server/access/totp";
import type { Context } from "@/server/runtime/context";
import { theRuntime } from "@/server/runtime/runtime";
import { schoolOf } from "@/server/runtime/school";
import type { AccountView } from "./types";

/** The school's name for the sign-in page; an installation serves one school, or the schools below one district. */
export async function schoolNameForDoor(): Promise<string | null> {
  const runtime = await theRuntime();
  return (await anySchool(runtime.db.read))?.name ?? null;
}

/** The own account: devices that are signed in, and whether a second step is set up. */
export async function accountView(context: Context, presentSession: string): Promise<AccountView> {
  const { runtime, actor } = context;
  const staff = demandStaff(actor);
  demand(actor, "change", { kind: "account", personId: staff.personId });
  const now = runtime.now();
  const db = runtime.db.read;
  const [person, credential, sessions, school] = await Promise.all([
    personById(db, staff.personId),
    credentialOf(db, staff.personId),
    openSessionsOf(db, staff.personId),
    schoolOf(runtime, staff.schoolId),
  ]);
  const pending = credential?.totpSecret != null && credential.totpConfirmedAt === null;
  return {
    name: staff.name,
    email: person?.email ?? "",
    secondStep: credential?.totpConfirmedAt != null,
    pending:
      pending && credential.totpSecret
        ? {
            secret: credential.totpSecret,
            picture: await toDataURL(totpAddress(credential.totpSecret, person?.email ?? staff.name), { margin: 1 }),
          }
        : null,
    idleMinutes: school.staffIdleMinutes,
    devices: sessions
      .filter((session) => sessionHolds(session, "staff", school, now))
      .map(({ tokenHash, device, lastSeenAt }) => ({
        id: tokenHash.slice(0, 16),
        device: device || "a browser",
        lastSeen: formatDistance(lastSeenAt, now, { addSuffix: true }),
        isThis: tokenHash === presentSession,
      })),
  };
}
