import { createClient } from "@libsql/client";
import { afterAll, beforeAll, expect, it } from "vitest";
import { type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
beforeAll(async () => {
  school = await testSchool();
});
afterAll(() => school.close());

/** The reads that every answer or every report runs; a full scan here is what makes a large school slow. */
it.each([
  [
    "the sitting of an answer",
    "select * from sittings join works on works.id = sittings.work_id left join answers on answers.key = ? where sittings.id = ?",
  ],
  ["an answer by its key", "select * from answers where key = ?"],
  ["a student's states", "select * from skill_states where person_id = ?"],
  ["the states of a class", "select * from skill_states where person_id in (?, ?)"],
  [
    "the answers behind a cell",
    "select * from answers where person_id = ? and skill_id = ? order by serial desc limit 40",
  ],
  ["the misconceptions of a class", "select * from misconception_signs where person_id in (?, ?)"],
  ["a student's work", "select * from work_targets join works on works.id = work_id where person_id = ?"],
  [
    "everybody at a piece of work",
    "select * from work_targets left join sittings on sittings.work_id = work_targets.work_id and sittings.person_id = work_targets.person_id where work_targets.work_id in (?, ?)",
  ],
  [
    "the students of a class",
    "select * from enrollments join people on people.id = person_id where class_id in (?, ?) and until_day is null",
  ],
  ["a session", "select * from sessions join people on people.id = person_id where token_hash = ?"],
  ["a class's history", "select * from changes where class_id = ? order by at desc limit 100"],
])("%s is found by an index", async (_, query) => {
  const client = createClient({ url: `file:${school.file}` });
  const marks = (query.match(/\?/g) ?? []).map(() => "x");
  const plan = await client.execute({ sql: `explain query plan ${query}`, args: marks });
  client.close();
  const steps = plan.rows.map((row) => String(row.detail));
  expect(steps.length).toBeGreaterThan(0);
  for (const step of steps) expect(step).not.toMatch(/^SCAN (?!CONSTANT)/);
});
