import { readFileSync } from "node:fs";
import { expect, it } from "vitest";
import type { AlgebraForm } from "@/core/answers/algebra/writtenForm";
import { checkAlgebra } from "@/core/answers/checkAlgebra";

/** What was typed, the key, the form asked for, and what should come of it; "asked": a sentence asks for it again. */
type Typed = readonly [typed: string, key: string, form: AlgebraForm, verdict: "right" | "wrong" | "asked"];
const CORPUS = JSON.parse(readFileSync("tests/reference/typedAlgebra.json", "utf8")) as readonly Typed[];

it.each(CORPUS)("%j where the key is %j (%s): %s", (typed, key, form, verdict) => {
  const check = checkAlgebra(typed, key, form);
  expect(check.verdict === "unreadable" ? "asked" : check.verdict).toBe(verdict);
});
