import { createClient } from "@libsql/client";
import { afterAll, beforeAll, expect, it } from "vitest";
import { type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
beforeAll(async () => {
  school = await testSchool();
});
afterAll(() => school.close());

it("every foreign key has an index that begins with it: without one, each deletion reads the whole table", async () => {
  const client = createClient({ url: `file:${school.file}` });
  const names = async (query: string) =>
    (await client.execute(query)).rows.map((row) => row as Record<string, unknown>);
  const bare: string[] = [];
  let keys = 0;
  for (const { name: table } of await names("select name from sqlite_master where type = 'table'")) {
    const indexes = await names(`select name from pragma_index_list('${table}')`);
    const leading = await Promise.all(
      indexes.map(
        async ({ name }) => (await names(`select name from pragma_index_info('${name}') where seqno = 0`))[0]?.name,
      ),
    );
    const [primary] = await names(`select name from pragma_table_info('${table}') where pk = 1`);
    for (const { from } of await names(`select "from" from pragma_foreign_key_list('${table}')`)) {
      keys++;
      if (![...leading, primary?.name].includes(from)) bare.push(`${table}.${from}`);
    }
  }
  client.close();
  expect(keys).toBeGreaterThan(50);
  expect(bare).toEqual([]);
});

it("foreign keys hold in every transaction and outside, because the application switches them on", async () => {
  const on = async (db: typeof school.db.read) =>
    (await db.get<{ foreign_keys: number }>("pragma foreign_keys"))?.foreign_keys;
  expect(await on(school.db.read)).toBe(1);
  expect(await school.db.write((tx) => on(tx))).toBe(1);
});
