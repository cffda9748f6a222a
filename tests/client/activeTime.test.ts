// @vitest-environment happy-dom
import { act, renderHook } from "@testing-library/react";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { useActiveTime } from "@/client/activeTime";

let visible: "visible" | "hidden" = "visible";
beforeEach(() => {
  vi.useFakeTimers({ toFake: ["performance"] });
  visible = "visible";
  Object.defineProperty(document, "visibilityState", { configurable: true, get: () => visible });
});
afterEach(() => {
  vi.useRealTimers();
  Reflect.deleteProperty(document, "visibilityState");
});

const show = (state: typeof visible) =>
  act(() => {
    visible = state;
    document.dispatchEvent(new Event("visibilitychange"));
  });

it("counts while the page is seen, and not while it is hidden", () => {
  const { result } = renderHook(() => useActiveTime());
  vi.advanceTimersByTime(2000);
  show("hidden");
  vi.advanceTimersByTime(60_000);
  expect(result.current.read()).toBe(2000);
  show("visible");
  vi.advanceTimersByTime(3000);
  expect(result.current.read()).toBe(5000);
});

it("begins anew with each try", () => {
  const { result } = renderHook(() => useActiveTime());
  vi.advanceTimersByTime(9000);
  act(() => result.current.restart());
  vi.advanceTimersByTime(1500);
  expect(result.current.read()).toBe(1500);
});
