import { describe, expect, it } from "vitest";
import { readability } from "@/core/reading/readability";

/** Two sentences, 12 words, 49 letters; counted by hand. */
const text = "The boats came home before the storm. Nobody had seen the light.";

describe("readability", () => {
  it("follows the published formulas on counts made by hand", () => {
    const result = readability(text);
    if ("noEstimate" in result) throw new Error("words wanted");
    const [words, sentences, letters] = [12, 2, 51];
    expect(result).toMatchObject({ words, sentences, short: true });
    // Syllables: the boats came home be-fore the storm no-bo-dy had seen the light.
    const syllables = 15;
    expect(result.grades.fleschKincaid).toBeCloseTo(0.39 * (words / sentences) + 11.8 * (syllables / words) - 15.59, 6);
    expect(result.grades.colemanLiau).toBeCloseTo(
      0.0588 * ((100 * letters) / words) - 0.296 * ((100 * sentences) / words) - 15.8,
      6,
    );
    expect(result.grades.automatedReadability).toBeCloseTo(
      4.71 * (letters / words) + 0.5 * (words / sentences) - 21.43,
      6,
    );
    expect(result.grades.daleChall).toEqual({ from: 0, to: 4 });
    expect(result.hardWords).toBe(0);
    const three = [result.grades.fleschKincaid, result.grades.colemanLiau, result.grades.automatedReadability].sort(
      (x, y) => x - y,
    );
    expect(result.grade).toBe(three[1]);
  });

  it("finds harder prose harder, and knows endings of easy words", () => {
    const hard = readability(
      "Meteorological phenomena precipitated unprecedented administrative deliberations concerning hydroelectric infrastructure.",
    );
    const easy = readability(text);
    if ("noEstimate" in hard || "noEstimate" in easy) throw new Error("words wanted");
    expect(hard.grade).toBeGreaterThan(easy.grade + 5);
    expect(hard.hardWords).toBeGreaterThan(0.8);
    const endings = readability("The boys jumped and the girls were running, carried by the biggest horses.");
    expect(endings).toMatchObject({ hardWords: 0 });
  });

  it.each([
    ["“Stop!” she said. Nobody moved.", 2],
    ["“Stop!” Maria said. “Where are you going?” asked the boy.", 2],
    ["“It is late,” said Ada. “We should go.”", 2],
    ["Dr. Reed met Mr. and Mrs. Olin at St. Anne. They talked.", 2],
    ["J. K. Marsh wrote it. It sold well.", 2],
    ["They met at 8 a.m. and left at noon. It rained.", 2],
    ["Use a tool, e.g. a rake. Then rest.", 2],
    ["He waited ... and waited. Then he left.", 2],
    ["Is it far? Yes! Very far.", 3],
    ["“Run!” The door fell shut.", 2],
    ["We saw boats, nets, etc. The sea was calm.", 2],
  ] as const)("counts the sentences of %j: %d", (passage, sentences) => {
    expect(readability(passage)).toMatchObject({ sentences });
  });

  it("needs words, and says when a passage is short", () => {
    expect(readability("")).toEqual({ noEstimate: "no-words" });
    expect(readability("12, 34! ...")).toEqual({ noEstimate: "no-words" });
    expect(readability(`${"the boat came home ".repeat(25)}.`)).toMatchObject({ words: 100, short: false });
    expect(readability(`${"the boat came home ".repeat(24)}.`)).toMatchObject({ short: true });
  });
});
