import { readdirSync, readFileSync } from "node:fs";
import Ajv from "ajv/dist/2020";
import { expect, it } from "vitest";
import { parse } from "yaml";

const validate = new Ajv({ strict: false }).compile(JSON.parse(readFileSync("content/skill.schema.json", "utf8")));
const files = readdirSync("content", { recursive: true, encoding: "utf8" }).filter((name) =>
  /skills\/grade-\d\/[^/]+\.yaml$/.test(name),
);

it("the schema that editors use fits every skill that ships", () => {
  expect(files.length).toBeGreaterThan(140);
  const faults = files.flatMap((name) =>
    validate(parse(readFileSync(`content/${name}`, "utf8"))) ? [] : [[name, validate.errors]],
  );
  expect(faults).toEqual([]);
});

it("and refuses what is no field of one", () => {
  const skill = parse(readFileSync(`content/${files[0]}`, "utf8"));
  expect(validate({ ...skill, colour: "blue" })).toBe(false);
  expect(validate({ ...skill, hints: ["only one"] })).toBe(false);
});
