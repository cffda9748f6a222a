import { readdirSync } from "node:fs";
import { afterAll, beforeAll, describe, expect, it, vi } from "vitest";
import { type Actor, may } from "@/server/access/policy";
import { asking } from "../support/asking";
import {
  ACTORS,
  type Around,
  actors,
  around,
  callable,
  closeEntries,
  ENTRIES,
  type Entry,
  PLACES,
  prepareEntries,
} from "../support/entries";
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

/** "allowed" also when something else than rights was wrong with the call. */
async function outcome(entry: Entry, at: Around): Promise<"allowed" | "denied"> {
  try {
    const result = (await entry.call(at)) as { ok?: boolean; code?: string } | Response | null | undefined;
    if (result instanceof Response) return result.status === 401 || result.status === 403 ? "denied" : "allowed";
    return result?.ok === false && (result.code === "not-allowed" || result.code === "signed-out")
      ? "denied"
      : "allowed";
  } catch (error) {
    if ((error as { redirected?: boolean }).redirected) return "denied";
    throw error;
  }
}

function expected(entry: Entry, at: Around, actor: Actor | null): "allowed" | "denied" {
  if (entry.needs === "open") return "allowed";
  if (!actor) return "denied";
  const all = entry.needs(at, actor).every((need) => {
    if (need === "staff" || need === "student") return actor.kind === need;
    if (need === "school") return false;
    return may(actor, need[0] as never, need[1]);
  });
  return all ? "allowed" : "denied";
}

describe("authorisation of everything that can be called from outside", () => {
  it("every server action and route handler has its entry, and no entry is left over", () => {
    expect(Object.keys(ENTRIES).sort()).toEqual(callable().sort());
  });

  it("the policy tells the actors apart: each is allowed something on the own class and nothing on another school", () => {
    const at = around.get("other school") as Around;
    for (const name of ["ana", "ben", "sue", "sam", "kim", "cora", "dan"] as const)
      expect(may(actors.get(name) as Actor, "see", { kind: "class", classId: at.classId, schoolId: at.schoolId })).toBe(
        false,
      );
  });

  it.each(Object.keys(ENTRIES))("%s", async (key) => {
    const entry = ENTRIES[key] as Entry;
    const wrong: string[] = [];
    for (const place of PLACES)
      for (const name of ACTORS) {
        const at = around.get(place) as Around;
        asking.token = name === "nobody" ? "" : name;
        const found = await outcome(entry, at);
        const wanted = expected(entry, at, actors.get(name) ?? null);
        if (found !== wanted) wrong.push(`${name} on ${place}: ${found}, policy says ${wanted}`);
      }
    expect(wrong).toEqual([]);
  });
});

/** Pages as the sources have them. */
function pages(): string[] {
  const files = readdirSync("src/app", { recursive: true, encoding: "utf8" });
  return files.filter((file) => /(^|\/)page\.tsx$/.test(file)).map((file) => file.replace(/\/?page\.tsx$/, ""));
}

describe("authorisation of every page", () => {
  it("every page has its entry, and no entry is left over", () => {
    expect(Object.keys(PAGES).sort()).toEqual(pages().sort());
  });

  it.each(Object.keys(PAGES))("/%s", async (path) => {
    const { needs } = PAGES[path] as (typeof PAGES)[string];
    const wrong: string[] = [];
    for (const place of PLACES)
      for (const name of ACTORS) {
        const at = around.get(place) as Around;
        const actor = actors.get(name) ?? null;
        asking.token = name === "nobody" ? "" : name;
        const { shown, text } = await openPage(path, place);
        if (needs === "open") continue;
        const wanted =
          actor !== null &&
          needs(at, actor).every((need) =>
            typeof need === "string" ? actor.kind === need : may(actor, need[0] as never, need[1]),
          );
        if (shown !== wanted)
          wrong.push(`${name} on ${place}: ${shown ? "shown" : "not shown"}, policy says otherwise`);
        // What is not shown does not reach the browser either.
        if (!wanted && text.includes(at.studentId)) wrong.push(`${name} on ${place}: a student's id was sent`);
      }
    expect(wrong).toEqual([]);
  });
});
