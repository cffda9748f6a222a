import "server-only";
import type { Runtime } from "@/server/runtime/runtime";

const YEAR_SECONDS = 365 * 86_400;
/** Staff come back to the same browser; a student's session ends with it, since the next child may sit there. */
const STAFF_SECONDS = 12 * 3_600;

interface Cookie {
  readonly name: string;
  readonly options: {
    readonly httpOnly: true;
    readonly sameSite: "lax";
    readonly path: "/";
    readonly secure: boolean;
    readonly maxAge?: number;
  };
}

/** Behind TLS the name itself makes browsers take the cookie from this host only, whole and over TLS (RFC 6265bis). */
function cookie({ publicAddress }: Pick<Runtime, "publicAddress">, name: string, maxAge: number | null): Cookie {
  const secure = publicAddress.startsWith("https:");
  return {
    name: secure ? `__Host-${name}` : name,
    options: { httpOnly: true, sameSite: "lax", path: "/", secure, ...(maxAge === null ? {} : { maxAge }) },
  };
}

export const sessionCookie = (runtime: Pick<Runtime, "publicAddress">, kind: "staff" | "student"): Cookie =>
  cookie(runtime, "oxbow_session", kind === "staff" ? STAFF_SECONDS : null);

/** The mark by which a browser is known again at the door; it opens nothing. */
export const deviceCookie = (runtime: Pick<Runtime, "publicAddress">): Cookie =>
  cookie(runtime, "oxbow_device", YEAR_SECONDS);
