import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { sessionOf } from "@/db/queries/credentials";
import { throttles } from "@/db/schema/access";
import { beginSecondStep, confirmSecondStep } from "@/features/access/writes/account";
import { rosterView } from "@/features/roster/reads/rosterView";
import type { SignInSlip } from "@/features/roster/types";
import { newSignIns, unlockStudents } from "@/features/roster/writes/newSignIns";
import { addressBlock, doorsFor } from "@/server/access/doorKeys";
import { reserveTry } from "@/server/access/doors";
import { hashSecret, secretFits, tokenHashOf } from "@/server/access/secrets";
import { personOfToken } from "@/server/access/sessions";
import { signInByCard, signInStaff, signInStudent } from "@/server/access/signIn";
import { totpCode } from "@/server/access/totp";
import { HERE, makeClass, PASSWORD, START, type TestSchool, testSchool } from "../support/school";

const looks = vi.hoisted(() => ({ total: 0, now: 0, most: 0 }));
vi.mock("@node-rs/argon2", async (original) => {
  const real = await original<typeof import("@node-rs/argon2")>();
  const counted = async <T>(work: Promise<T>): Promise<T> => {
    looks.total++;
    looks.now++;
    looks.most = Math.max(looks.most, looks.now);
    return work.finally(() => looks.now--);
  };
  return {
    hash: (...given: Parameters<typeof real.hash>) => counted(real.hash(...given)),
    verify: (...given: Parameters<typeof real.verify>) => counted(real.verify(...given)),
  };
});

let school: TestSchool;
beforeEach(async () => {
  school = await testSchool();
});
afterEach(() => school.close());

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;

async function slipsOf(count: number): Promise<{ classId: string; slips: SignInSlip[] }> {
  const { classId, studentIds } = await makeClass(school, count);
  return { classId, slips: await newSignIns(await school.teacher(), { studentIds, cards: true }) };
}
const wrongPin = ({ pin }: SignInSlip) => (pin === "0000" ? "1111" : "0000");
const stranger = (n: number, address = `10.9.${n % 250}.${Math.floor(n / 250)}`) => ({
  ...HERE,
  deviceId: `stranger-${n}`,
  address,
});
const codeOf = (work: Promise<unknown>): Promise<string> =>
  work.then(
    () => "in",
    (error: { code?: string }) => error.code ?? String(error),
  );
const tries = () => school.db.read.select().from(throttles);

describe("a hundred at once", () => {
  it("PINs from as many devices: no more are looked at than one after another, and the right one is not let in", async () => {
    const { slips } = await slipsOf(1);
    const slip = slips[0] as SignInSlip;
    looks.total = 0;
    const all = Array.from({ length: 100 }, (_, n) =>
      codeOf(signInStudent(school.runtime, { ...slip, pin: n === 99 ? slip.pin : wrongPin(slip) }, stranger(n))),
    );
    const codes = await Promise.all(all);
    expect(looks.total).toBeLessThanOrEqual(8);
    expect(codes.filter((code) => code === "in")).toEqual([]);
  });

  it("passwords from one address: four are looked at", async () => {
    looks.total = 0;
    const tried = Array.from({ length: 100 }, (_, n) =>
      codeOf(
        signInStaff(school.runtime, { email: "ana@school.example", password: `wrong ${n}` }, stranger(n, "10.1.1.1")),
      ),
    );
    await Promise.all(tried);
    // Two for each: see the one about telling addresses apart; and one that makes the decoy.
    expect(looks.total).toBeLessThanOrEqual(2 * 4 + 1);
  });

  it("the same code of a second step opens one session", async () => {
    const context = await school.teacher();
    const { secret } = await beginSecondStep(context, { password: PASSWORD });
    await confirmSecondStep(context, { code: totpCode(secret, START) });
    const at = START + 2 * MINUTE;
    school.setNow(at);
    const input = { email: "ana@school.example", password: PASSWORD, code: totpCode(secret, at) };
    const tried = Array.from({ length: 100 }, (_, n) => codeOf(signInStaff(school.runtime, input, stranger(n))));
    const codes = await Promise.all(tried);
    expect(codes.filter((code) => code === "in")).toHaveLength(1);
    expect(await school.db.read.query.sessions.findMany()).toHaveLength(1);
  });
});

it("a guesser gets fewer than 100 tries at one PIN in any 24 hours, whatever devices and addresses they have", async () => {
  const sources = [
    ...Array.from({ length: 8 }, (_, n) => ({ deviceHash: `known-${n}`, address: "10.0.0.1", known: true })),
    ...Array.from({ length: 12 }, (_, n) => ({ deviceHash: `new-${n}`, address: `10.7.0.${n}`, known: false })),
  ].map((from) => doorsFor("victim", from));
  const taken: number[] = [];
  const end = START + 2 * DAY;
  for (let now = START; now < end; ) {
    let next = end;
    for (const doors of sources) {
      const answer = await school.db.write((tx) => reserveTry(tx, doors, now));
      if ("wait" in answer) next = Math.min(next, now + answer.wait);
      else {
        taken.push(now);
        next = now;
      }
    }
    now = next === now ? now : Math.max(next, now + 1);
  }
  const inADay = taken.map((from, n) => taken.slice(n).filter((at) => at < from + DAY).length);
  expect(Math.max(...inADay)).toBeLessThan(100);
  // The pace shuts no door for good: on the second day, too, who waits may try again.
  expect(taken.filter((at) => at >= START + DAY).length).toBeGreaterThan(40);
  expect(inADay[0]).toBe(92);
}, 60_000);

describe("an attack on a class from its own network", () => {
  it("makes nobody wait who signed in on the device before, or has a card; the teacher sees it and lifts it in one move", async () => {
    const { classId, slips } = await slipsOf(24);
    const own = (n: number) => ({ ...HERE, deviceId: `own-${n}` });
    for (const [n, slip] of slips.entries()) await signInStudent(school.runtime, slip, own(n));
    for (let n = 0; n < 600; n++) {
      const slip = slips[n % 24] as SignInSlip;
      await codeOf(signInStudent(school.runtime, { ...slip, pin: wrongPin(slip) }, { ...HERE, deviceId: `bad-${n}` }));
    }
    for (const [n, slip] of slips.entries())
      expect(await codeOf(signInStudent(school.runtime, slip, own(n)))).toBe("in");
    const [first] = slips as [SignInSlip];
    const fresh = { ...HERE, deviceId: "a new tablet" };
    expect(await codeOf(signInStudent(school.runtime, first, fresh))).toBe("locked");
    const token = /#(.+)$/.exec(first.cardAddress ?? "")?.[1] ?? "";
    expect(await codeOf(signInByCard(school.runtime, token, { ...fresh, deviceId: "another tablet" }))).toBe("in");
    const teacher = await school.teacher();
    expect((await rosterView(teacher, [classId])).students.map(({ signIn }) => signIn)).toEqual(
      slips.map(() => "locked"),
    );
    await unlockStudents(teacher, { studentIds: slips.map(({ studentId }) => studentId) });
    expect(await codeOf(signInStudent(school.runtime, first, fresh))).toBe("in");
  }, 60_000);

  it("a thousand class codes that do not exist, and as many cards, shut no door; right ones go in", async () => {
    const { slips } = await slipsOf(1);
    const slip = slips[0] as SignInSlip;
    for (let n = 0; n < 1000; n++) {
      await codeOf(signInStudent(school.runtime, { ...slip, code: `ZZZZZ${n}` }, HERE));
      await codeOf(signInByCard(school.runtime, String(n).padStart(22, "x"), HERE));
    }
    expect(await tries()).toEqual([]);
    expect(slip.code).toMatch(/^[ACDEFHJKLMNPRTUWXY3479]{10}$/);
    const typed = ` ${slip.code.slice(0, 5).toLowerCase()} - ${slip.code.slice(5)}`;
    expect(await codeOf(signInStudent(school.runtime, { ...slip, code: typed }, HERE))).toBe("in");
  });

  it("wrong passwords from elsewhere do not shut a teacher out of the own browser", async () => {
    const ana = { email: "ana@school.example", password: PASSWORD };
    await signInStaff(school.runtime, ana, HERE);
    for (let n = 0; n < 60; n++)
      await codeOf(signInStaff(school.runtime, { ...ana, password: `wrong ${n}` }, stranger(n)));
    expect(await codeOf(signInStaff(school.runtime, ana, stranger(99)))).toBe("locked");
    expect(await codeOf(signInStaff(school.runtime, ana, HERE))).toBe("in");
  });
});

it("a right secret counts against nobody: what was reserved for it is given back", async () => {
  const { slips } = await slipsOf(1);
  const slip = slips[0] as SignInSlip;
  for (let n = 0; n < 3; n++) await codeOf(signInStudent(school.runtime, { ...slip, pin: wrongPin(slip) }, HERE));
  const counts = async () => (await tries()).map(({ kind, count }) => [kind, count]).sort();
  const before = await counts();
  expect(before).toEqual([
    ["address", 3],
    ["strangers", 3],
  ]);
  expect(await codeOf(signInStudent(school.runtime, slip, HERE))).toBe("in");
  expect(await counts()).toEqual(before);
  expect(await codeOf(signInStudent(school.runtime, { ...slip, pin: wrongPin(slip) }, HERE))).toBe("invalid");
  expect(await codeOf(signInStudent(school.runtime, slip, HERE))).toBe("in");
  expect(await counts()).toEqual([...before, ["devices", 1]].sort());
});

it("addresses of staff can't be told apart: the same words, waits and work for a known and an unknown one", async () => {
  const story = async (email: string, from: number) => {
    const told: unknown[] = [];
    for (let n = 0; n < 14; n++) {
      school.setNow(START + n * 7_000);
      looks.total = 0;
      const said = await signInStaff(school.runtime, { email, password: "not it" }, stranger(from, "10.3.3.3")).catch(
        ({ code, message, waitSeconds }) => ({ code, message, waitSeconds }),
      );
      told.push([said, looks.total]);
    }
    return told;
  };
  await signInStaff(school.runtime, { email: "first@school.example", password: "makes the decoy" }, HERE).catch(
    () => {},
  );
  const known = await story("ana@school.example", 1);
  expect(known).toEqual(await story("nobody@school.example", 1));
  expect(new Set(known.map((one) => JSON.stringify(one))).size).toBeGreaterThan(2);
});

it("a clock that is set back a day makes nobody wait longer than the pace says, and old rows are swept", async () => {
  const { slips } = await slipsOf(1);
  const slip = slips[0] as SignInSlip;
  const bad = { ...slip, pin: wrongPin(slip) };
  for (let n = 0; n < 6; n++) await codeOf(signInStudent(school.runtime, bad, HERE));
  school.setNow(START - DAY);
  const refused = await signInStudent(school.runtime, slip, HERE).catch((error) => error);
  expect(refused).toMatchObject({ code: "locked" });
  expect(refused.waitSeconds).toBeLessThanOrEqual(60);
  school.setNow(START - DAY + 61_000);
  expect(await codeOf(signInStudent(school.runtime, slip, HERE))).toBe("in");
  for (let n = 0; n < 30; n++)
    await codeOf(signInStaff(school.runtime, { email: `x${n}@y.example`, password: "no" }, stranger(n)));
  expect((await tries()).length).toBeGreaterThan(50);
  school.setNow(START + 30 * DAY);
  await codeOf(signInStaff(school.runtime, { email: "z@y.example", password: "no" }, HERE));
  await codeOf(signInStaff(school.runtime, { email: "z@y.example", password: "no" }, HERE));
  expect(await tries()).toHaveLength(2);
});

it("who signs in where somebody was signed in ends that session; a new secret makes every device a stranger", async () => {
  const { slips } = await slipsOf(2);
  const [one, two] = slips as [SignInSlip, SignInSlip];
  const first = await signInStudent(school.runtime, one, HERE);
  await signInStudent(school.runtime, two, { ...HERE, formerToken: first });
  expect((await sessionOf(school.db.read, tokenHashOf(first)))?.session.revokedAt).toBe(START);
  expect(await personOfToken(school.runtime, first)).toBeNull();
  const [fresh] = await newSignIns(await school.teacher(), { studentIds: [one.studentId] });
  await codeOf(signInStudent(school.runtime, { ...one, pin: wrongPin(fresh as SignInSlip) }, HERE));
  expect((await tries()).map(({ kind }) => kind).sort()).toEqual(["address", "strangers"]);
});

it("hashes few secrets at a time, turns strangers away in words when very many wait, and lets known devices pass", async () => {
  const hash = await hashSecret("right");
  looks.most = 0;
  const crowd = Array.from({ length: 200 }, () => codeOf(secretFits(hash, "wrong")));
  const known = secretFits(hash, "right", { known: true });
  expect(await known).toBe(true);
  const codes = await Promise.all(crowd);
  expect(codes.filter((code) => code === "unavailable").length).toBeGreaterThan(50);
  const { availableParallelism } = await import("node:os");
  expect(looks.most).toBeLessThanOrEqual(Math.max(1, availableParallelism() - 1));
}, 60_000);

it("one household of the newer network protocol is one block, and an old address in new clothes is itself", () => {
  expect(addressBlock("2001:db8:1:2:aaaa::1")).toBe(addressBlock("2001:db8:1:2:bbbb::9"));
  expect(addressBlock("2001:db8:1:3::1")).not.toBe(addressBlock("2001:db8:1:2::1"));
  expect(addressBlock("::ffff:10.0.0.7")).toBe("10.0.0.7");
  expect(addressBlock("unknown")).toBe("unknown");
});

it("the history says once that tries have to wait, and names nobody's secret", async () => {
  const { slips } = await slipsOf(1);
  const slip = slips[0] as SignInSlip;
  for (let n = 0; n < 9; n++)
    await codeOf(signInStudent(school.runtime, { ...slip, pin: wrongPin(slip) }, stranger(n)));
  const said = (await school.db.read.query.signIns.findMany()).filter(({ kind }) => kind === "must-wait");
  expect(said).toMatchObject([{ personId: slip.studentId, by: "pin", device: "" }]);
});
