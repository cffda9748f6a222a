import { describe, expect, it } from "vitest";
import { clientAddress } from "@/server/http/address.mjs";
import { isShared, safeHeaders } from "@/server/http/headers.mjs";
import { refusalOf } from "@/server/http/refusals.mjs";
import { serverSettings } from "@/server/http/settings.mjs";

describe("the address that a request comes from", () => {
  it.each([
    ["no proxy: whatever is claimed, it is the socket's", "10.0.0.1", "1.2.3.4", 0, "10.0.0.1"],
    ["one proxy: what it has seen itself", "127.0.0.1", "6.6.6.6, 1.2.3.4", 1, "1.2.3.4"],
    ["two proxies: what the outer one has seen", "127.0.0.1", "6.6.6.6, 1.2.3.4, 10.0.0.9", 2, "1.2.3.4"],
    ["a proxy that says nothing: the socket's", "10.0.0.9", undefined, 1, "10.0.0.9"],
    ["fewer entries than proxies: the socket's", "10.0.0.9", "1.2.3.4", 2, "10.0.0.9"],
    ["what is no address: the socket's", "10.0.0.9", "<script>", 1, "10.0.0.9"],
    ["an old address in new clothes is itself", "::ffff:10.0.0.7", undefined, 0, "10.0.0.7"],
    ["no socket any more", undefined, undefined, 0, "unknown"],
  ] as const)("%s", (_, socket, forwarded, proxies, expected) => {
    expect(clientAddress(socket, forwarded, proxies)).toBe(expected);
  });
});

describe("requests that are refused before they are read", () => {
  const settings = { publicOrigin: "https://oxbow.school.example" };
  const host = "oxbow.school.example";
  const own = { host, origin: "https://oxbow.school.example", cookie: "a=b; __Host-oxbow_session=x" };
  const action = { "next-action": "0".repeat(42) };
  const refused = (method: string, url: string, headers: Record<string, string | undefined>) =>
    refusalOf({ method, url, headers }, settings)?.status ?? null;
  it.each([
    ["a page", "GET", "/sign-in", { host }, null],
    ["a write of a page of ours", "POST", "/api/answers", own, null],
    [
      "by the address of the machine, as the host says",
      "POST",
      "/api/x",
      { ...own, host: "box:3000", origin: "http://box:3000" },
      null,
    ],
    ["a write of another site", "POST", "/api/answers", { ...own, origin: "https://evil.example" }, 403],
    ["a write from nowhere", "POST", "/api/answers", { ...own, origin: undefined }, 403],
    ["a write from a sandboxed frame", "POST", "/api/answers", { ...own, origin: "null" }, 403],
    [
      "a file by another site's link",
      "GET",
      "/api/roster/export?format=csv",
      { host, "sec-fetch-site": "cross-site" },
      403,
    ],
    [
      "a file by a link of ours",
      "GET",
      "/api/roster/export?format=csv",
      { host, "sec-fetch-site": "same-origin" },
      null,
    ],
    ["a file by its typed address", "GET", "/api/roster/export?format=csv", { host, "sec-fetch-site": "none" }, null],
    ["a form that was sent before its page was loaded", "POST", "/desk/all", own, 400],
    ["a method that nobody uses", "TRACE", "/", { host }, 405],
    ["bad percent-encoding", "GET", "/desk/%E0%A4%A", { host }, 400],
    ["a null byte", "GET", "/desk/%00", { host }, 400],
    ["a backslash", "GET", "/desk/%5c..", { host }, 400],
    ["an address that is none", "GET", "http://other.example/", { host }, 400],
    ["a stranger's large body", "POST", "/sign-in", { ...own, ...action, cookie: "", "content-length": "16001" }, 413],
    [
      "a stranger's body without a length",
      "POST",
      "/sign-in",
      { ...own, ...action, cookie: "", "transfer-encoding": "chunked" },
      411,
    ],
    ["a stranger's sign-in", "POST", "/sign-in", { ...own, ...action, cookie: "", "content-length": "300" }, null],
  ] as const)("%s", (_, method, url, headers, expected) => {
    expect(refused(method, url, headers)).toBe(expected);
  });
});

it("every header is said, the one for TLS only behind TLS, and scripts run by their page's nonce alone", () => {
  const plain = safeHeaders({ nonce: "abc", secure: false, dev: false });
  expect(plain["content-security-policy"]).toContain("script-src 'self' 'nonce-abc' 'strict-dynamic';");
  expect(plain["content-security-policy"]).not.toContain("unsafe-eval");
  for (const rule of ["object-src 'none'", "base-uri 'none'", "frame-ancestors 'none'", "form-action 'self'"])
    expect(plain["content-security-policy"]).toContain(rule);
  expect(Object.keys(plain)).not.toContain("strict-transport-security");
  expect(safeHeaders({ nonce: "abc", secure: true, dev: false })["strict-transport-security"]).toMatch(
    /^max-age=\d{8}/,
  );
  expect([isShared("/_next/static/x.js"), isShared("/desk/all"), isShared("/api/names")]).toEqual([true, false, false]);
});

it("settings are read from the environment and wrong ones refused", () => {
  expect(serverSettings({}, ["-p", "4100"])).toEqual({
    port: 4100,
    secure: false,
    publicOrigin: null,
    trustedProxies: 0,
  });
  const behind = { OXBOW_PUBLIC_ADDRESS: "https://oxbow.school.example", OXBOW_TRUSTED_PROXIES: "2", PORT: "80" };
  expect(serverSettings(behind, [])).toEqual({
    port: 80,
    secure: true,
    publicOrigin: "https://oxbow.school.example",
    trustedProxies: 2,
  });
  expect(() => serverSettings({ OXBOW_TRUSTED_PROXIES: "all" }, [])).toThrow(/OXBOW_TRUSTED_PROXIES/);
});
