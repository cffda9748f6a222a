import { createClient } from "@libsql/client";
import { NextResponse } from "next/server";

/** The least a route can do that keeps something: one row. What answering is measured against. */
const client = createClient({ url: process.env.BENCH_DATABASE_URL ?? "" });

export async function POST(request: Request) {
  const body: unknown = await request.json();
  await client.execute({ sql: "insert into bare (body) values (?)", args: [JSON.stringify(body)] });
  return NextResponse.json({ ok: true });
}
