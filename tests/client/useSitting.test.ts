// @vitest-environment happy-dom
import "fake-indexeddb/auto";
import { act, renderHook, waitFor } from "@testing-library/react";
import { IDBFactory } from "fake-indexeddb";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { AnswerOutcome, AnswerReply, ItemView, SittingView } from "@/features/delivery/types";

/** A server of one sitting: items a, b, c… are open one after another; each reply is what the test says. */
interface Sent {
  readonly presentationId: string;
  readonly response: { readonly a: { readonly text: string } };
  readonly offline: boolean;
  readonly agoMilliseconds: number;
  readonly deviceClock: number;
  readonly tryNumber: number;
  readonly hintsUsed: number;
  readonly milliseconds: number;
}
const SERVER_NOW = Date.parse("2026-11-23T08:30:00Z");
const item = (presentationId: string, hintsGiven: readonly string[] = []): ItemView => ({
  presentationId,
  skillId: "s",
  passage: null,
  images: [],
  stem: "?",
  table: [],
  parts: [{ id: "a", kind: "number", prompt: null, shown: { unit: null } }],
  hints: 2,
  hintsGiven,
  tries: 0,
  lastFeedback: null,
});
const sitting = (open: string | null): Omit<SittingView, "lessons"> => ({
  serverNow: SERVER_NOW,
  sittingId: "sitting",
  workId: "work",
  partId: "part",
  partTitle: "",
  hasParts: false,
  whole: null,
  calculator: false,
  readsAloud: true,
  asked: null,
  ownSkillId: null,
  read: null,
  setsAside: false,
  hasResults: false,
  endsAt: null,
  kind: "practice",
  title: "Practice",
  instructions: "",
  progress: 0,
  itemsDone: 0,
  itemsRight: 0,
  planClassId: null,
  mostItems: 9,
  finished: open === null ? "budget" : null,
  current: open === null ? null : item(open),
  reserve: open === null ? [] : [item("r1", ["Look at r1.", "Look again."]), item("r2", ["Look at r2."])],
  reserveIds: open === null ? [] : ["r1", "r2"],
});
const scored = (presentationId: string, verdict: "right" | "wrong" = "right"): AnswerOutcome => ({
  status: "scored",
  presentationId,
  feedback: { verdict, text: "", picture: [], solution: null, answer: null },
  itemOver: true,
});

let sent: Sent[];
/** What the server does with a message: a reply, a status, or no connection. */
let serve: (message: Sent) => AnswerReply | number | "away";
let useSitting: typeof import("@/features/delivery/view/useSitting").useSitting;

beforeEach(async () => {
  sent = [];
  serve = ({ presentationId }) => ({ outcome: scored(presentationId), sitting: sitting("b") });
  vi.stubGlobal("indexedDB", new IDBFactory());
  vi.stubGlobal("fetch", async (address: string, { body }: { body: string }) => {
    if (address === "/api/hints") return Response.json({ hint: "Look closely." });
    const message = JSON.parse(body) as Sent;
    const reply = serve(message);
    if (reply === "away") throw new TypeError("Failed to fetch");
    sent.push(message);
    return typeof reply === "number"
      ? Response.json({ message: `Refused with ${reply}.` }, { status: reply })
      : Response.json(reply);
  });
  // The outbox and the clock keep what they know in their modules: each test is a page of its own.
  vi.resetModules();
  ({ useSitting } = await import("@/features/delivery/view/useSitting"));
});
afterEach(() => vi.unstubAllGlobals());

const start = (open = "a") => renderHook(() => useSitting({ ...sitting(open), lessons: {} }, "pupil")).result;
type Page = ReturnType<typeof start>;
const give = (page: Page, answer: string, milliseconds = 5000) =>
  act(() => page.current.submit({ response: { a: { text: answer } }, words: answer, milliseconds }));
const next = (page: Page) => act(() => page.current.next());
const comeBack = () => act(async () => void window.dispatchEvent(new Event("online")));

describe("an answer with a connection", () => {
  it("is sent at once and its feedback shown", async () => {
    const page = start();
    await give(page, "12");
    expect(sent).toMatchObject([
      { presentationId: "a", response: { a: { text: "12" } }, offline: false, tryNumber: 1, hintsUsed: 0 },
    ]);
    expect(page.current.said).toMatchObject({ kind: "feedback", feedback: { verdict: "right" } });
    expect(page.current.waiting).toBe(0);
    next(page);
    expect(page.current.item?.presentationId).toBe("b");
  });

  it.each([
    ["too-late", "message"],
    ["withdrawn", "message"],
    ["unreadable", "message"],
    ["elsewhere", "report"],
    ["over", "report"],
  ] as const)("that does not count (%s) is said on the page", async (reason, where) => {
    serve = ({ presentationId }) => ({
      outcome: { status: "not-counted", presentationId, reason, message: `Because ${reason}.` },
      sitting: sitting("b"),
    });
    const page = start();
    await give(page, "12");
    if (where === "message") expect(page.current.said).toEqual({ kind: "message", text: `Because ${reason}.` });
    else expect(page.current.report).toBe(`Because ${reason}.`);
    expect(page.current.waiting).toBe(0);
  });

  it("that is refused is said in the server's words", async () => {
    serve = () => 422;
    const page = start();
    await give(page, "12");
    expect(page.current.said).toEqual({ kind: "message", text: "Refused with 422." });
    expect(page.current.item?.presentationId).toBe("a");
  });
});

describe("answers without a connection", () => {
  it("are kept, go through the reserve, and are sent in order with the time that has passed", async () => {
    serve = () => "away";
    const page = start();
    for (const answer of ["1", "2"]) {
      await give(page, answer);
      expect(page.current.said).toEqual({ kind: "kept", where: "device" });
      next(page);
    }
    expect(page.current).toMatchObject({ waiting: 2, connection: "away", keeps: "device" });
    expect(page.current.item?.presentationId).toBe("r2");
    serve = ({ presentationId, response }) => ({
      outcome: scored(presentationId, response.a.text === "1" ? "right" : "wrong"),
      sitting: sitting("r2"),
    });
    await comeBack();
    await waitFor(() => expect(page.current.report).toContain("2 answers have been sent, 1 of 2 right"));
    expect(sent).toMatchObject([
      { presentationId: "a", response: { a: { text: "1" } }, offline: true },
      { presentationId: "r1", response: { a: { text: "2" } }, offline: true },
    ]);
    expect(page.current.waiting).toBe(0);
  });

  it("each have their fate said: counted, too late, unreadable, refused", async () => {
    serve = () => "away";
    const page = start();
    for (const answer of ["1", "2", "3"]) {
      await give(page, answer);
      next(page);
    }
    const fate = (reason: "too-late" | "unreadable", presentationId: string) => ({
      outcome: { status: "not-counted" as const, presentationId, reason, message: "" },
      sitting: sitting("b"),
    });
    serve = ({ presentationId, response: { a } }) =>
      a.text === "1" ? fate("too-late", presentationId) : a.text === "2" ? fate("unreadable", presentationId) : 403;
    await comeBack();
    await waitFor(() => expect(page.current.report).toContain("1 answer came too late and does not count"));
    expect(page.current.report).toContain("1 answer could not be read");
    expect(page.current.report).toContain("Your answer “3” was not taken: Refused with 403.");
    expect(page.current.report).not.toContain("been sent");
  });

  it("say how long ago they were given, whatever the device's clock is set to meanwhile", async () => {
    serve = () => "away";
    vi.useFakeTimers({ toFake: ["Date", "performance"], now: SERVER_NOW + 2 * 86_400_000 });
    try {
      const page = start();
      await give(page, "1");
      // Half an hour passes with the lid open; then somebody puts the clock right.
      vi.advanceTimersByTime(30 * 60_000);
      vi.setSystemTime(SERVER_NOW + 30 * 60_000);
      serve = ({ presentationId }) => ({ outcome: scored(presentationId), sitting: sitting("b") });
      await comeBack();
      await vi.waitFor(() => expect(sent).toHaveLength(1));
      expect(sent[0]?.agoMilliseconds).toBeCloseTo(30 * 60_000, -3);
      expect(sent[0]?.deviceClock).toBe(SERVER_NOW + 2 * 86_400_000);
    } finally {
      vi.useRealTimers();
    }
  });

  it("that an earlier page left are sent first", async () => {
    serve = () => "away";
    await give(start(), "1");
    serve = ({ presentationId }) => ({ outcome: scored(presentationId), sitting: sitting("b") });
    const page = start();
    await waitFor(() => expect(page.current.report).toContain("1 answer has been sent"));
    expect(page.current.item?.presentationId).toBe("b");
  });
});

describe("a browser that can't keep anything", () => {
  beforeEach(() => {
    const refuses = () => {
      throw new DOMException("The operation is insecure.", "SecurityError");
    };
    vi.stubGlobal("indexedDB", { open: refuses, deleteDatabase: refuses });
  });

  it("works with a connection, and says that it can't do without", async () => {
    const page = start();
    await waitFor(() => expect(page.current.keeps).toBe("page"));
    await give(page, "12");
    expect(page.current.said).toMatchObject({ kind: "feedback" });
  });

  it("holds an answer in the page while the connection is gone", async () => {
    serve = () => "away";
    const page = start();
    await give(page, "12");
    expect(page.current.said).toEqual({ kind: "kept", where: "page" });
    expect(page.current.waiting).toBe(1);
    serve = ({ presentationId }) => ({ outcome: scored(presentationId), sitting: sitting("b") });
    await comeBack();
    await waitFor(() => expect(page.current.report).toContain("1 answer has been sent"));
  });
});

describe("a hint", () => {
  it("comes from the server and is told with the answer", async () => {
    const page = start();
    expect(page.current.hint.texts).toEqual([]);
    await act(() => page.current.hint.ask());
    expect(page.current.hint).toMatchObject({ texts: ["Look closely."], more: true });
    await give(page, "12");
    expect(sent[0]?.hintsUsed).toBe(1);
    next(page);
    expect(page.current.hint.texts).toEqual([]);
  });

  it("is there without a connection for items of the reserve, and is said to be missing for others", async () => {
    serve = () => "away";
    const page = start();
    vi.stubGlobal("fetch", async () => {
      throw new TypeError("Failed to fetch");
    });
    await act(() => page.current.hint.ask());
    expect(page.current.hint).toMatchObject({ texts: [], problem: expect.stringContaining("connection") });
    await give(page, "1");
    next(page);
    expect(page.current.hint).toMatchObject({ texts: [], problem: null });
    await act(() => page.current.hint.ask());
    await act(() => page.current.hint.ask());
    expect(page.current.hint).toMatchObject({ texts: ["Look at r1.", "Look again."], more: false });
  });
});
