import { expect, it } from "vitest";
import { interestOf, storyFor } from "@/core/work/storyFor";
import { shippedContent } from "~/demo/shippedContent";

const last = () => 0.999;

it("follows what a student likes, and chance where nothing fits", () => {
  expect(storyFor(["art", "music", "space"], undefined, ["space", "football"], last)).toBe("space");
  expect(storyFor(["art", "music", "space"], undefined, ["football"], last)).toBe("space");
  expect(storyFor(["art", "music", "space"], undefined, ["art", "music"], last)).toBe("music");
});

it("tells another story than the last one, even one that nobody asked for, and the only one again", () => {
  expect(storyFor(["art", "music"], "art", ["art"], last)).toBe("music");
  expect(storyFor(["plain"], "plain", ["art"], last)).toBe("plain");
  expect(storyFor([], undefined, ["art"], last)).toBeUndefined();
});

it("knows the interest behind every story that ships", () => {
  const stories = shippedContent().flatMap(({ skills }) =>
    skills.flatMap(({ items }) => items.flatMap(({ body }) => Object.keys(body.contexts))),
  );
  const unknown = [...new Set(stories)].filter((story) => story !== "plain" && interestOf(story) === null);
  expect(unknown).toEqual([]);
});
