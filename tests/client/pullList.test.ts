// @vitest-environment happy-dom
import { act, renderHook } from "@testing-library/react";
import { expect, it } from "vitest";
import { forgetPullList, usePullList } from "@/client/pull-list/pullList";

it("signing out empties the pull list of the browser, on every page that shows it", () => {
  const { result } = renderHook(() => usePullList());
  act(() => result.current.toggle({ id: "one", name: "Somebody", skillId: null }));
  expect(result.current.entries).toHaveLength(1);
  expect(JSON.stringify(localStorage)).toContain("Somebody");
  act(forgetPullList);
  expect(result.current.entries).toEqual([]);
  expect(JSON.stringify(localStorage)).not.toContain("Somebody");
});
