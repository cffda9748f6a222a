import "server-only";
import { randomUUID } from "node:crypto";
import { cookies, headers } from "next/headers";
import { theRuntime } from "@/server/runtime/runtime";
import { deviceCookie, sessionCookie } from "./cookies";
import type { Doorstep } from "./passDoor";
import { requestAddress } from "./requestAddress";

/** Where a try to sign in comes from. The browser gets a mark of its own, so that its wrong tries stop nobody else. */
export async function doorstep(): Promise<Doorstep> {
  const [jar, head, runtime] = await Promise.all([cookies(), headers(), theRuntime()]);
  const device = deviceCookie(runtime);
  let deviceId = jar.get(device.name)?.value;
  // A mark may be made up anew for each guess: then it is none on which the person signed in before.
  if (!deviceId || !/^[0-9a-f-]{36}$/.test(deviceId)) {
    deviceId = randomUUID();
    jar.set(device.name, deviceId, device.options);
  }
  return {
    deviceId,
    address: await requestAddress(),
    device: deviceWords(head.get("user-agent") ?? ""),
    formerToken: jar.get(sessionCookie(runtime, "staff").name)?.value ?? "",
  };
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
