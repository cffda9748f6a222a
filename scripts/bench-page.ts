import { gzipSync } from "node:zlib";
import { libraryOf } from "@/server/library/library";
import { installShippedContent } from "~/demo/shippedContent";
import { type TestSchool, testSchool } from "~/tests/support/school";
import { startBare } from "./bench-bare";
import { benchStudents } from "./bench-students";
import { freePort, startApp } from "./steps.mjs";

const LARGEST = 6;
const PARTS_NAMED: readonly (readonly [string, RegExp])[] = [
  ["the framework's own", /react-dom|__next_f|next-router/],
  ["exact numbers", /Fraction/],
  ["dialogs and parts", /radix|data-state/],
  ["keeping answers", /indexedDB/],
];

interface Script {
  readonly name: string;
  readonly bytes: number;
}

/** The scripts that a page asks for at once, by what they weigh on the way. */
async function scriptsOf(base: string, path: string, cookie = ""): Promise<Script[]> {
  const html = await fetch(`${base}${path}`, { headers: { cookie }, redirect: "error" }).then((reply) => reply.text());
  const addresses = [...new Set([...html.matchAll(/<script[^>]+src="([^"]+)"/g)].map(([, address = ""]) => address))];
  return Promise.all(
    addresses.map(async (address) => {
      const code = await fetch(`${base}${address}`).then((reply) => reply.text());
      const known = PARTS_NAMED.filter(([, sign]) => sign.test(code)).map(([name]) => name);
      return { name: `${address.split("/").at(-1)} (${known.join(", ") || "ours"})`, bytes: gzipSync(code).length };
    }),
  );
}

const sum = (scripts: readonly Script[]) => scripts.reduce((total, { bytes }) => total + bytes, 0);
const kilobytes = (bytes: number) => `${(bytes / 1024).toFixed(0)} kB`;

/** What a student's page makes a tablet load, against a page of the framework with one line on it. */
export async function benchPage(folder: string): Promise<void> {
  const school = await testSchool();
  school.setNow(Date.now());
  const [student] = await benchStudents(school, { count: 1, works: 1, className: "6 Page" });
  const assignment = await school.db.read.query.assignments.findFirst();
  const bare = await startBare(folder);
  const port = await freePort(4800);
  const child = await startApp(port, { OXBOW_DATABASE_URL: `file:${school.file}` }, "ignore");
  try {
    const plain = await scriptsOf(bare.base, "/");
    const own = await scriptsOf(`http://127.0.0.1:${port}`, `/river/${assignment?.id}`, student?.cookie);
    console.log("\nScripts of a page, gzip");
    console.log(`  a bare page of the framework   ${kilobytes(sum(plain))}`);
    console.log(`  a student at work              ${kilobytes(sum(own))}`);
    console.log(`  ratio                          ${(sum(own) / sum(plain)).toFixed(2)}   (aim 1.60 or less)`);
    for (const { name, bytes } of own.sort((x, y) => y.bytes - x.bytes).slice(0, LARGEST))
      console.log(`    ${kilobytes(bytes).padStart(7)}  ${name}`);
    await benchPayload(school, port, `/river/${assignment?.id}`, student?.cookie ?? "");
  } finally {
    bare.stop();
    child.kill("SIGKILL");
    school.close();
  }
}

/** What is sent of a student's page itself must not grow with the library: the same work with twelve skills in it and with all that ship. */
async function benchPayload(school: TestSchool, port: number, path: string, cookie: string): Promise<void> {
  const bytesOf = async () => {
    const html = await fetch(`http://127.0.0.1:${port}${path}`, { headers: { cookie } }).then((reply) => reply.text());
    if (!html.includes("data-presentation")) throw new Error("The page shows no item.");
    return gzipSync(html).length;
  };
  const small = await bytesOf();
  const before = (await libraryOf(school.runtime)).skills.length;
  await installShippedContent(school.runtime);
  const after = (await libraryOf(school.runtime)).skills.length;
  const large = await bytesOf();
  console.log("\nA student's page at work, gzip");
  console.log(`  a library of ${before} skills         ${kilobytes(small)}`);
  console.log(`  a library of ${after} skills        ${kilobytes(large)}`);
  console.log(`  ratio                          ${(large / small).toFixed(2)}   (aim 1.05 or less)`);
}
