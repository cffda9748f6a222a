import { afterAll, beforeAll, expect, it, vi } from "vitest";
import { seededRandom } from "@/core/numeric/seededRandom";
import { asking } from "../support/asking";
import { type Around, around, closeEntries, ENTRIES, type Entry, prepareEntries, tamper } from "../support/entries";
import { openPage, PAGES } from "../support/pageEntries";

// Files of a worker share their modules: what another one has loaded with the real request of Next.js is loaded anew.
vi.hoisted(() => vi.resetModules());
vi.mock("next/headers", async () => (await import("../support/asking")).nextHeaders);
vi.mock("next/cache", () => ({ revalidatePath: () => {} }));
vi.mock("next/navigation", async () => (await import("../support/asking")).nextNavigation);

beforeAll(async () => {
  await prepareEntries();
}, 120_000);
afterAll(closeEntries);

const random = seededRandom("mutated requests");
const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
const deep = (levels: number): unknown => (levels === 0 ? [] : [deep(levels - 1)]);

/** What nobody's page sends, made anew each time: some of it breaks on being read. */
const BAD: readonly (() => unknown)[] = [
  () => null,
  () => undefined,
  () => "",
  () => "\u0000",
  () => "\ud800",
  () => "x".repeat(100_000),
  () => "%E0%A4%A",
  () => "' or 1=1 --",
  () => "../../etc/passwd",
  () => "{person:1}",
  () => "9".repeat(400),
  () => "2026-13-45",
  () => -1,
  () => 0.5,
  () => 1e308,
  () => Number.NaN,
  () => Number.POSITIVE_INFINITY,
  () => 2n ** 70n,
  () => true,
  () => [],
  () => [null],
  () => Array.from({ length: 5_000 }, () => "x"),
  () => deep(2_000),
  () => ({}),
  () => ({ toString: 1 }),
  () => ({ valueOf: null, toString: null }),
  () => ({ length: -1 }),
  () => JSON.parse('{"__proto__":{"admin":true},"constructor":{"prototype":1}}'),
  () => Object.create(null),
  () => new Date(Number.NaN),
  () => new Map([["a", 1]]),
  () => new Set([1]),
  () => new FormData(),
  () => new Uint8Array(3),
  () => Symbol.iterator,
  () => () => "a function",
];

/** The same with one thing in it replaced, left out or put in. */
function mutated(value: unknown): unknown {
  if (Array.isArray(value) && value.length > 0 && random() < 0.8) {
    const at = Math.floor(random() * value.length);
    return value.map((part, place) => (place === at ? mutated(part) : part));
  }
  if (typeof value === "object" && value !== null && Object.keys(value).length > 0 && random() < 0.9) {
    const key = pick(Object.keys(value));
    const rest = Object.entries(value).filter(([name]) => name !== key);
    if (random() < 0.1) return Object.fromEntries(rest);
    if (random() < 0.1) return { ...value, [pick(["id", "schoolId", "__proto__", "role"])]: pick(BAD)() };
    return { ...value, [key]: mutated((value as Record<string, unknown>)[key]) };
  }
  return pick(BAD)();
}

/** JSON holds less than a call of an action does. */
const asJson = (value: unknown): unknown => {
  try {
    return JSON.parse(JSON.stringify(value, (_, part) => (typeof part === "bigint" ? String(part) : part)) ?? "null");
  } catch {
    return null;
  }
};

const ASKERS = ["ana", "cora", "pupil", "nobody"] as const;
const PER_ENTRY = 78;

it("5,000 mutated requests over all routes and actions are answered or refused in words, and none fails", async () => {
  const failures: string[] = [];
  let calls = 0;
  const at = around.get("own class") as Around;
  for (const [key, entry] of Object.entries(ENTRIES) as [string, Entry][]) {
    for (let n = 0; n < PER_ENTRY; n++) {
      asking.token = pick(ASKERS).replace("nobody", "");
      const sent: unknown[] = [];
      tamper.value = (value) => {
        const bad = mutated(value);
        sent.push(bad);
        return key.includes(" api/") ? asJson(bad) : bad;
      };
      tamper.text = (text) => {
        const bad = pick([text, `${text}%00`, `${text}&x=\ud800`, text.replace(/[\da-f]{4}/, "zzzz"), `${text}/../..`]);
        sent.push(bad);
        return bad;
      };
      calls++;
      try {
        const result = (await entry.call(at)) as
          | { ok?: boolean; code?: string; message?: string }
          | Response
          | undefined;
        const failed = result instanceof Response ? result.status >= 500 : result?.code === "failed";
        if (failed) failures.push(`${key}: ${describe(sent)}`);
        if (!(result instanceof Response) && result?.ok === false) expect(result.message).toMatch(/\w/);
      } catch (error) {
        if (!(error as { redirected?: boolean }).redirected) failures.push(`${key} threw ${error}: ${describe(sent)}`);
      }
    }
  }
  tamper.value = (value) => value;
  tamper.text = (text) => text;
  expect(calls).toBeGreaterThanOrEqual(5_000);
  expect(failures).toEqual([]);
}, 300_000);

it("pages with mutated addresses are shown, refused in words or lead elsewhere", async () => {
  const broken: string[] = [];
  for (const [path, entry] of Object.entries(PAGES))
    for (let n = 0; n < 12; n++) {
      asking.token = pick(ASKERS).replace("nobody", "");
      const bad = () => pick(["", "\u0000", "x".repeat(5_000), "zzz", "__proto__", "-1", "%00", "all"]);
      const twist = (own: Readonly<Record<string, string>>) =>
        Object.fromEntries(Object.entries(own).map(([name, value]) => [name, random() < 0.5 ? bad() : value]));
      const search = {
        skill: bad(),
        draw: pick(["NaN", "-1", "1e99", "9".repeat(40)]),
        before: bad(),
        find: bad(),
        as: bad(),
      };
      const twisted = {
        ...entry,
        params: (...given: Parameters<NonNullable<typeof entry.params>>) => twist(entry.params?.(...given) ?? {}),
        search: () => search,
      };
      await openPage(path, "own class", twisted).catch((error) => broken.push(`${path}: ${error}`));
    }
  expect(broken).toEqual([]);
}, 120_000);

const describe = (sent: readonly unknown[]) => sent.map((one) => String(inspect(one)).slice(0, 300)).join(" | ");
const inspect = (value: unknown): string => {
  try {
    return typeof value === "string" ? value : (JSON.stringify(value) ?? String(value));
  } catch {
    return Object.prototype.toString.call(value);
  }
};
