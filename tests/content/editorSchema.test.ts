import { readdirSync, readFileSync } from "node:fs";
import Ajv from "ajv/dist/2020";
import { expect, it } from "vitest";
import { parse } from "yaml";

const all = readdirSync("content", { recursive: true, encoding: "utf8" });
const read = (name: string) => parse(readFileSync(`content/${name}`, "utf8"));

it.each([
  { what: "skill", files: /skills\/grade-\d\/[^/]+\.yaml$/, least: 140, wrong: { hints: ["only one"] } },
  { what: "unit", files: /units\/grade-\d\/[^/]+\.yaml$/, least: 45, wrong: { weeks: 9 } },
])(
  "the schema that editors use fits every $what that ships, and refuses what is none",
  ({ what, files, least, wrong }) => {
    const schema = JSON.parse(readFileSync(`content/${what}.schema.json`, "utf8"));
    const validate = new Ajv({ strict: false }).compile(schema);
    const names = all.filter((name) => files.test(name));
    expect(names.length).toBeGreaterThan(least);
    const faults = names.flatMap((name) => (validate(read(name)) ? [] : [[name, validate.errors]]));
    expect(faults).toEqual([]);
    const [first = ""] = names;
    expect(validate({ ...read(first), colour: "blue" })).toBe(false);
    expect(validate({ ...read(first), ...wrong })).toBe(false);
  },
);
