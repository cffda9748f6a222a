import { type IncomingMessage, request } from "node:http";
import { createClient } from "@libsql/client";
import type { Browser } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { SignInSlip } from "@/features/roster/types";
import { newSignIns } from "@/features/roster/writes/newSignIns";
import { signInStaff, signInStudent } from "@/server/access/signIn";
import { type TestApp, testApp } from "../support/app";
import { openBrowser, openPage, signInPupil } from "../support/browser";
import { givePractice, HERE, makeClass, PASSWORD, START } from "../support/school";

let app: TestApp;
let browser: Browser;
let slips: SignInSlip[];
let workId: string;
let pupil: string;
let teacher: string;
beforeAll(async () => {
  app = await testApp();
  browser = await openBrowser();
  const { school } = app;
  const { classId, studentIds } = await makeClass(school, 2);
  slips = await newSignIns(await school.teacher(), { studentIds });
  workId = await givePractice(school, classId, studentIds);
  pupil = await signInStudent(school.runtime, slips[0] as SignInSlip, HERE);
  const entered = await signInStaff(school.runtime, { email: "ana@school.example", password: PASSWORD }, HERE);
  teacher = entered === "code" ? "" : entered.token;
});
afterAll(async () => {
  await browser?.close();
  await app?.close();
});

interface Answer {
  readonly status: number;
  readonly headers: IncomingMessage["headers"];
  readonly text: string;
}

/** One request as it stands, not as a browser would tidy it up. */
function send(
  path: string,
  {
    method = "GET",
    headers = {},
    body,
    token,
  }: { method?: string; headers?: Record<string, string>; body?: Buffer | string; token?: string } = {},
): Promise<Answer> {
  const { port } = new URL(app.base);
  return new Promise((resolve, reject) => {
    const sent = request(
      {
        host: "127.0.0.1",
        port,
        path,
        method,
        headers: {
          host: `localhost:${port}`,
          ...(method === "GET" ? {} : { origin: app.base }),
          ...(token ? { cookie: `oxbow_session=${token}` } : {}),
          ...(body === undefined || "transfer-encoding" in headers
            ? {}
            : { "content-length": String(Buffer.byteLength(body)) }),
          ...headers,
        },
      },
      (response) => {
        let text = "";
        response.setEncoding("utf8").on("data", (part) => (text += part));
        response.on("end", () => resolve({ status: response.statusCode ?? 0, headers: response.headers, text }));
      },
    );
    sent.on("error", reject);
    if (body !== undefined) sent.write(body);
    sent.end();
  });
}

describe("what every response says", () => {
  it("pages, data, refusals and what is not there: who may run, frame, sniff and keep it", async () => {
    const paths = ["/sign-in", "/desk/all", "/api/names", "/nowhere", "/desk/%zz"];
    for (const path of paths) {
      const { headers, status } = await send(path, { token: teacher });
      expect([path, headers["content-security-policy"]]).toEqual([
        path,
        expect.stringContaining("frame-ancestors 'none'"),
      ]);
      expect(headers).toMatchObject({
        "x-content-type-options": "nosniff",
        "x-frame-options": "DENY",
        "referrer-policy": "same-origin",
      });
      expect([path, status < 500, headers["cache-control"]]).toEqual([path, true, expect.stringContaining("no-store")]);
      expect(headers).not.toHaveProperty("x-powered-by");
    }
  });

  it("each page has a nonce of its own, which all its scripts carry, and nothing of them is refused", async () => {
    const [one, two] = [await send("/sign-in"), await send("/sign-in")];
    const nonceOf = ({ headers }: Answer) => /'nonce-([^']+)'/.exec(String(headers["content-security-policy"]))?.[1];
    expect(nonceOf(one)).toMatch(/^[\w+/]{20,}=*$/);
    expect(nonceOf(one)).not.toBe(nonceOf(two));
    const tags = one.text.match(/<script\b[^>]*>/g) ?? [];
    expect(tags.length).toBeGreaterThan(3);
    for (const tag of tags) expect(tag).toContain(`nonce="${nonceOf(one)}"`);
    const page = await openPage(await browser.createBrowserContext());
    const refused: string[] = [];
    page.on("console", (message) => {
      if (/Content Security Policy/i.test(message.text())) refused.push(message.text());
    });
    await page.goto(`${app.base}/sign-in`, { waitUntil: "networkidle0" });
    expect(refused).toEqual([]);
    // The policy is no decoration: a script that somebody smuggles in does not run.
    await page.evaluate(() => {
      const script = document.createElement("div");
      script.innerHTML = "<img src=x onerror='document.title=1'>";
      document.body.append(script);
    });
    await new Promise((resolve) => setTimeout(resolve, 300));
    expect(await page.title()).not.toBe("1");
    expect(refused.length).toBeGreaterThan(0);
  });
});

describe("requests that no page of ours sends", () => {
  const WRITING = ["/api/answers", "/api/hints", "/api/lessons", "/api/roster/drafts"];
  it("writes of other sites, and files by their links", async () => {
    for (const path of WRITING)
      for (const origin of ["https://evil.example", "null", ""])
        expect([
          path,
          (await send(path, { method: "POST", token: pupil, headers: { origin }, body: "{}" })).status,
        ]).toEqual([path, 403]);
    const cross = { "sec-fetch-site": "cross-site" };
    expect((await send("/api/roster/export?format=csv&class=x", { token: teacher, headers: cross })).status).toBe(403);
  });

  it("bodies without end, told or not, of strangers and of students, and methods and addresses that are none", async () => {
    const nested = Buffer.from("[".repeat(200_000));
    const statuses = [
      await send("/api/answers", { method: "POST", body: nested }),
      await send("/api/answers", { method: "POST", body: nested, token: pupil }),
      await send("/api/answers", {
        method: "POST",
        body: nested,
        token: pupil,
        headers: { "transfer-encoding": "chunked" },
      }),
      await send("/sign-in", { method: "POST", body: nested, headers: { "next-action": "x".repeat(42) } }),
      await send("/sign-in", {
        method: "POST",
        body: "x",
        headers: { "transfer-encoding": "chunked", "next-action": "x" },
      }),
      await send("/api/answers", { method: "DELETE", token: pupil }),
      await send("/desk/%E0%A4%A", { token: teacher }),
      await send("/api/students/%ff", { token: teacher }),
    ].map(({ status }) => status);
    expect(statuses).toEqual([413, 413, 413, 413, 411, 405, 400, 400]);
    expect((await send("/api/students/%ff")).text).toContain("can't be read");
  });

  it("four hundred mutated requests to actions, routes and pages: none fails", async () => {
    const bodies = [
      "",
      "{",
      "[]",
      '["$F1"]',
      '[{"toString":1}]',
      '["$undefined"]',
      '{"0":1}',
      "\u0000",
      "[[[[",
      '["$Q1"]',
      "--x\r\n\r\n",
    ];
    const types = [
      "text/plain;charset=UTF-8",
      "application/json",
      "multipart/form-data; boundary=x",
      "multipart/form-data",
      "nonsense",
    ];
    const actions = ["x", "0".repeat(42), "f".repeat(200), "%00"];
    const paths = [
      "/sign-in",
      "/",
      "/river",
      "/desk/all",
      "/desk/all/roster",
      "/api/answers",
      "/api/cell?student=%00",
      "/card",
    ];
    const failed: string[] = [];
    for (let n = 0; n < 400; n++) {
      const [path = "", body = ""] = [paths[n % paths.length], bodies[n % bodies.length]];
      const headers: Record<string, string> = { "content-type": types[n % types.length] ?? "" };
      if (n % 3 !== 0) headers["next-action"] = actions[n % actions.length] ?? "";
      if (n % 7 === 0) headers["next-router-state-tree"] = "%5B";
      if (n % 5 === 0) headers.rsc = "1";
      const method = n % 4 === 0 ? "GET" : "POST";
      const token = [pupil, teacher, "", "nobody's"][n % 4] ?? "";
      const { status } = await send(path, { method, headers, token, ...(method === "POST" ? { body } : {}) });
      if (status >= 500) failed.push(`${status} ${method} ${path} ${JSON.stringify(headers)} ${body}`);
    }
    expect(failed).toEqual([]);
  });
});

it("counts tries by the socket's address, whatever a stranger claims to come from", async () => {
  const before = await app.school.db.read.query.throttles.findMany();
  const page = await openPage(await browser.createBrowserContext());
  await page.setExtraHTTPHeaders({ "x-forwarded-for": "6.6.6.6", "x-oxbow-address": "7.7.7.7" });
  await page.goto(`${app.base}/sign-in?as=teacher`);
  await page.locator("#email").fill("nobody@school.example");
  await page.locator("#password").fill("not it");
  await page.locator("button[type=submit]").click();
  await page.waitForSelector("[role=alert] ::-p-text(not right)");
  const keys = (await app.school.db.read.query.throttles.findMany()).map(({ key }) => key);
  const fresh = keys.filter((key) => !before.some((row) => row.key === key));
  expect(fresh.some((key) => /\|(127\.0\.0\.1|::)$/.test(key))).toBe(true);
  expect(fresh.join()).not.toMatch(/6\.6\.6\.6|7\.7\.7\.7/);
});

it("behind TLS cookies are this host's alone and secure; a student's session ends with the browser", async () => {
  await app.kill();
  await app.start(START, { OXBOW_PUBLIC_ADDRESS: "https://oxbow.school.example" });
  expect((await send("/sign-in")).headers["strict-transport-security"]).toContain("max-age");
  const context = await browser.createBrowserContext();
  const page = await openPage(context, 820, 1180);
  const [, slip] = slips as [SignInSlip, SignInSlip];
  await signInPupil(page, app.base, slip);
  const cookies = await context.cookies();
  expect(cookies.map(({ name }) => name).sort()).toEqual(["__Host-oxbow_device", "__Host-oxbow_session"]);
  for (const cookie of cookies)
    expect(cookie).toMatchObject({ secure: true, httpOnly: true, path: "/", sameSite: "Lax" });
  expect(cookies.find(({ name }) => name.endsWith("session"))?.session).toBe(true);
  await app.kill();
  await app.start();
});

it("the log of a run in which every write fails holds causes, and nobody's name, number, PIN or secret", async () => {
  const { school } = app;
  const other = createClient({ url: `file:${school.file}` });
  const tables = [
    "sessions",
    "throttles",
    "answers",
    "sittings",
    "changes",
    "people",
    "credentials",
    "known_devices",
    "uncounted_answers",
    "ratings",
  ];
  for (const table of tables)
    for (const verb of ["insert", "update"])
      await other.execute(
        `create trigger fail_${verb}_${table} before ${verb} on ${table} begin select raise(abort, 'refused'); end`,
      );
  const page = await openPage(await browser.createBrowserContext(), 820, 1180);
  const [, slip] = slips as [SignInSlip, SignInSlip];
  await page.goto(`${app.base}/sign-in`);
  await page.locator("#code").fill(slip.code);
  await page.locator("button[type=submit]").click();
  await page.locator(`li button ::-p-text(${slip.name.split(" ")[0]})`).click();
  await page.locator("#pin").fill(slip.pin);
  await page.waitForSelector("[role=alert] ::-p-text(did not work)");
  const failures = [
    await send(`/river/${workId}`, { token: pupil }),
    await send("/desk/all", { token: teacher }),
    await send("/api/roster/export?format=csv&class=none", { token: teacher }),
    await send(`/api/roster/students/${slip.studentId}/export`, { token: teacher }),
  ];
  expect(failures.every(({ status }) => status < 500 || status === 500)).toBe(true);
  for (const table of tables)
    for (const verb of ["insert", "update"]) await other.execute(`drop trigger fail_${verb}_${table}`);
  other.close();
  const log = app.log();
  expect(log).toMatch(/"level":"error"/);
  expect(log).toMatch(/SQLITE_CONSTRAINT_TRIGGER/);
  const rows = {
    people: await school.db.read.query.people.findMany(),
    credentials: await school.db.read.query.credentials.findMany(),
    sessions: await school.db.read.query.sessions.findMany(),
  };
  const secrets = [
    ...rows.people.flatMap(({ givenName, familyName, studentNumber, email }) => [
      givenName,
      familyName,
      studentNumber,
      email,
    ]),
    ...rows.credentials.flatMap(({ secretHash, cardHash, totpSecret }) => [secretHash, cardHash, totpSecret]),
    ...rows.sessions.map(({ tokenHash }) => tokenHash),
    ...slips.map(({ code }) => code),
    PASSWORD,
    pupil,
    teacher,
    "argon2",
  ].filter((text): text is string => typeof text === "string" && text.length > 3);
  expect(secrets.length).toBeGreaterThan(20);
  expect(secrets.filter((secret) => log.includes(secret))).toEqual([]);
});
