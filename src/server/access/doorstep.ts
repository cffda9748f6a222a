import "server-only";
import { randomUUID } from "node:crypto";
import { cookies, headers } from "next/headers";
import type { Doorstep } from "./signIn";

const DEVICE_COOKIE = "oxbow_device";
const YEAR_SECONDS = 365 * 86_400;

/** Where a try to sign in comes from. The browser gets a mark of its own, so that its wrong tries stop nobody else. */
export async function doorstep(): Promise<Doorstep> {
  const [jar, head] = [await cookies(), await headers()];
  let deviceId = jar.get(DEVICE_COOKIE)?.value;
  // A mark that we did not give out may be made up anew for each guess; such tries count by address and by person.
  if (!deviceId || !/^[0-9a-f-]{36}$/.test(deviceId)) {
    deviceId = randomUUID();
    jar.set(DEVICE_COOKIE, deviceId, { httpOnly: true, sameSite: "lax", path: "/", maxAge: YEAR_SECONDS });
  }
  // Behind a proxy the last entry is the one that the proxy itself has seen.
  const address = head.get("x-forwarded-for")?.split(",").at(-1)?.trim() ?? "unknown";
  return { deviceId, address, device: deviceWords(head.get("user-agent") ?? "") };
}

/** "Chrome on Windows": enough to know one's own devices again. */
function deviceWords(agent: string): string {
  const browser = /Edg\//.test(agent)
    ? "Edge"
    : /Firefox\//.test(agent)
      ? "Firefox"
      : /Chrome\//.test(agent)
        ? "Chrome"
        : /Safari\//.test(agent)
          ? "Safari"
          : "a browser";
  const system = [/Windows/, /iPad|iPhone/, /Android/, /CrOS/, /Mac OS/, /Linux/].findIndex((pattern) =>
    pattern.test(agent),
  );
  const name = ["Windows", "an Apple tablet or phone", "Android", "ChromeOS", "a Mac", "Linux"][system];
  return name ? `${browser} on ${name}` : browser;
}
