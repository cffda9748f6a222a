import { describe, expect, it } from "vitest";
import { object, string } from "yup";
import { jsonBody, MESSAGE_BYTES, readCapped } from "@/server/runtime/body";
import { uploaded } from "@/server/runtime/uploaded";
import { validated } from "@/server/runtime/validated";

/** A body that comes in pieces without telling its length; counts what is taken of it. */
function pieces(count: number, bytes: number) {
  let taken = 0;
  const body = new ReadableStream<Uint8Array>({
    pull: (controller) => {
      if (taken === count) return controller.close();
      taken++;
      controller.enqueue(new Uint8Array(bytes).fill(32));
    },
  });
  return {
    request: new Request("http://x/", { method: "POST", body, duplex: "half" } as RequestInit),
    taken: () => taken,
  };
}

describe("a message", () => {
  const post = (body: string) => new Request("http://x/", { method: "POST", body });

  it("is read as JSON, and what is none is nothing", async () => {
    expect(await jsonBody(post('{"a": 1}'))).toEqual({ a: 1 });
    expect(await jsonBody(post("{"))).toBeNull();
    expect(await jsonBody(new Request("http://x/", { method: "POST" }))).toBeNull();
  });

  it("is refused when it is larger than messages are, by its length or without one", async () => {
    await expect(jsonBody(post(" ".repeat(MESSAGE_BYTES + 1)))).rejects.toMatchObject({ code: "too-large" });
    const { request, taken } = pieces(10_000, 1000);
    await expect(jsonBody(request)).rejects.toMatchObject({
      code: "too-large",
      message: expect.stringMatching(/\w{4}/),
    });
    expect(taken()).toBeLessThan(30);
  });

  it("of the right size is read whole whatever its pieces", async () => {
    const { request } = pieces(7, 1000);
    expect(await readCapped(request, 8000, "", async (body) => (await body.text()).length)).toBe(7000);
  });
});

it("a file that never ends is refused before it is held", async () => {
  const { request, taken } = pieces(100_000, 1_000_000);
  request.headers.set("content-type", "multipart/form-data; boundary=x");
  await expect(uploaded(request)).rejects.toMatchObject({ code: "too-large" });
  expect(taken()).toBeLessThan(90);
});

it.each([[{ toString: 1 }], [{ valueOf: 1, toString: null }], [["x"]], [{}], [7n]])(
  "a text that is %o is refused in words",
  (answer) => {
    const schema = object({ answer: string().max(5).required() });
    try {
      const { answer: read } = validated(schema, { answer });
      expect(typeof read).toBe("string");
    } catch (error) {
      expect(error).toMatchObject({ code: "invalid", message: expect.stringMatching(/\w{4}/) });
    }
  },
);
