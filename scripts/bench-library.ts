import { type SQL, sql } from "drizzle-orm";
import { strFromU8, unzipSync } from "fflate";
import { SaxesParser } from "saxes";
import { ITEM_KINDS } from "@/core/items/itemKind";
import { lookOver } from "@/core/items/lookOver";
import { insertMany } from "@/db/manyRows";
import { itemSkills, items, itemVersions } from "@/db/schema/items";
import { finderQuery } from "@/features/library/finderQuery";
import { finder } from "@/features/library/reads/finder";
import { readPackage } from "@/formats/qti/readPackage";
import { writePackage } from "@/formats/qti/writePackage";
import { cardsMade } from "@/server/library/itemCards";
import { libraryOf } from "@/server/library/library";
import { bodyWith } from "~/tests/support/newItem";
import { outgoing } from "~/tests/support/packages";
import { PARTS } from "~/tests/support/partsOfEveryKind";
import { type TestSchool, testSchool } from "~/tests/support/school";

const ITEMS = 20_000;
const THINGS = ["sluice", "ferry", "barge", "lock", "weir", "oar", "pier", "gauge", "reed", "crew", "rope", "mill"];
const DOINGS = ["carries", "passes", "loads", "mends", "counts", "shares", "paints", "weighs"];

/** Twenty thousand items of every kind, with texts of a few words each, over all shipped skills. */
async function fill(school: TestSchool): Promise<void> {
  const { skills } = await libraryOf(school.runtime);
  const parts = Object.values(PARTS);
  const rows = Array.from({ length: ITEMS }, (_, n) => {
    const [thing, other] = [THINGS[n % 12], THINGS[(n * 7) % 12]];
    const stem = `The ${thing} ${DOINGS[n % 8]} {n} ${other}s on day ${n % 31}.`;
    return {
      id: `bench-${n}`,
      body: { ...bodyWith(parts[n % parts.length] as never), stem },
      skill: skills[n % skills.length],
    };
  });
  for (let at = 0; at < rows.length; at += 2_000) {
    const some = rows.slice(at, at + 2_000);
    await school.db.write(async (tx) => {
      await insertMany(
        tx,
        items,
        some.map(({ id }) => ({ id, shipped: false })),
      );
      await insertMany(
        tx,
        itemVersions,
        some.map(({ id, body }, n) => ({
          id: `${id}@1`,
          itemId: id,
          number: 1,
          body,
          depth: (n % 4) + 1,
          language: n % 5 === 0 ? "es" : "en",
          status: "ready",
          contentHash: id,
          createdAt: 0,
        })),
      );
      await insertMany(
        tx,
        itemSkills,
        some.map(({ id, skill }) => ({ id: `${id}/${skill?.id}`, itemId: id, skillId: skill?.id, place: 0 })),
      );
    });
  }
}

async function median(times: number, run: () => Promise<unknown> | unknown): Promise<number> {
  const all: number[] = [];
  for (let n = 0; n < times; n++) {
    const started = performance.now();
    await run();
    all.push(performance.now() - started);
  }
  return all.sort((x, y) => x - y)[Math.floor(times / 2)] ?? 0;
}

const PACKAGE_ITEMS = 5_000;

/** A package of items of every kind, read item by item, against an XML parser that makes nothing of what it reads. */
async function packageBench(table: [string, number, number, string][]): Promise<string> {
  const all = Array.from({ length: PACKAGE_ITEMS }, (_, n) =>
    outgoing(`item-${n}`, bodyWith(PARTS[ITEM_KINDS[n % ITEM_KINDS.length] ?? "number"])),
  );
  const begun = performance.now();
  const bytes = writePackage("Bench", all);
  const written = performance.now() - begun;
  const documents = Object.entries(unzipSync(bytes)).flatMap(([name, file]) =>
    name.endsWith(".xml") ? [strFromU8(file)] : [],
  );
  table.push([
    `importing ${PACKAGE_ITEMS.toLocaleString("en")} QTI items`,
    await median(3, () => readPackage(bytes)),
    await median(3, () => {
      for (const document of documents) new SaxesParser({ xmlns: true }).write(document).close();
    }),
    "seconds, in a thread",
  ]);
  return `writing them as a package, once: ${(written / 1000).toFixed(1)} s, ${(bytes.length / 1_000_000).toFixed(1)} MB`;
}

/** The library with many items: each figure against a bare query, or a bare loop, in the same run. */
export async function benchLibrary(): Promise<void> {
  const school = await testSchool();
  await fill(school);
  const begun = performance.now();
  await cardsMade(school.runtime);
  const cards = performance.now() - begun;
  const ana = await school.teacher();
  const bare = (query: SQL) => school.db.read.all(query);
  const table: [string, number, number, string][] = [];
  const firsts: string[] = [];
  const search = async (name: string, query: Record<string, string>, against: SQL, aim: string) => {
    const wanted = finderQuery(query);
    const first = performance.now();
    await finder(ana, wanted);
    firsts.push(`${name}: ${(performance.now() - first).toFixed(0)} ms`);
    table.push([name, await median(21, () => finder(ana, wanted)), await median(21, () => bare(against)), aim]);
  };
  const matching = (words: string) =>
    sql`select count(*) from item_cards where number in (select rowid from item_words where item_words match ${words})`;
  await search("search by two words, with facets", { find: "sluic carr" }, matching('"sluic"* "carr"*'), "100 ms");
  await search("search by one word", { find: "ferry" }, matching('"ferry"*'), "100 ms");
  await search(
    "by grade and kind",
    { grade: "6", kind: "order" },
    sql`select count(*) from item_cards where grade = 6 and kind = 'order'`,
    "100 ms",
  );
  await search("opening the library, everything", {}, sql`select count(*) from item_cards where retired = 0`, "100 ms");
  const version = { id: "model@1", itemId: "model", body: bodyWith(PARTS.number) };
  lookOver(version, 1_000, 20);
  table.push([
    "drawing 1,000 variants of a model",
    await median(9, () => lookOver(version, 1_000, 20)),
    await median(9, () =>
      JSON.parse(JSON.stringify(Array.from({ length: 1_000 }, (_, n) => ({ n, text: `About ${n}.` })))),
    ),
    "200 ms",
  ]);
  const packed = await packageBench(table);
  console.log(`\nThe library with ${ITEMS.toLocaleString("en")} items, medians of 21`);
  for (const [name, ms, against, aim] of table)
    console.log(
      `  ${name.padEnd(36)} ${ms.toFixed(1).padStart(7)} ms   bare ${against.toFixed(1).padStart(6)} ms   (aim under ${aim})`,
    );
  console.log(`  the first time after a change: ${firsts.join("; ")}`);
  console.log(`  ${packed}`);
  console.log(`  cards of all ${ITEMS.toLocaleString("en")} items, once            ${(cards / 1000).toFixed(1)} s`);
  school.close();
}
