// @vitest-environment happy-dom
import { describe, expect, it } from "vitest";
import { spokenText } from "@/client/speech/spokenText";
import { spokenSigns } from "@/words/students/spokenSigns";

const heard = (html: string) => {
  const place = document.createElement("div");
  place.innerHTML = html;
  return spokenText(place);
};

describe("what is read aloud", () => {
  it("says fractions and mixed numbers", () => {
    expect(heard("<p>Half of <math><mrow><mfrac><mn>3</mn><mn>4</mn></mfrac></mrow></math>?</p>")).toBe(
      "Half of 3 over 4 ?",
    );
    expect(heard("<p><math><mrow><mn>1</mn><mfrac><mn>1</mn><mn>2</mn></mfrac></mrow></math> cups</p>")).toContain(
      "1 and 1 over 2 cups",
    );
  });

  it("says signs, and tells minus from negative", () => {
    expect(spokenSigns("7 − 3 = 4")).toBe("7 minus 3 equals 4");
    expect(spokenSigns("−5 < 2")).toBe("negative 5 is less than 2");
    expect(spokenSigns("6 × ___ = 42")).toBe("6 times blank equals 42");
    expect(spokenSigns("35 % of 20 ≥ 7")).toBe("35 per cent of 20 is greater than or equal to 7");
  });

  it("reads choices one after the other, and pictures by what they show", () => {
    const words = heard(
      '<p>Which one?</p><svg aria-label="a bar of three parts"></svg><fieldset><legend>Your answer</legend><label><input type="radio"><span>12 km</span></label><label><input type="radio"><span>15 km</span></label></fieldset>',
    );
    expect(words).toMatch(/Which one\?.*a bar of three parts.*12 km\. 15 km/);
  });

  it("leaves out buttons and what screen readers do not get", () => {
    expect(heard('<p>Seven<button>Hint</button><span aria-hidden="true">7</span></p>')).toBe("Seven.");
  });

  it("says what a set formula shows once", () => {
    const set =
      '<span class="katex"><span class="katex-mathml"><math><semantics><mrow><mi>x</mi><mo>+</mo><mn>2</mn></mrow><annotation>x+2</annotation></semantics></math></span><span class="katex-html" aria-hidden="true">x+2</span></span>';
    expect(heard(`<p>What is ${set}</p>`)).toBe("What is x plus 2.");
  });
});
