import { takeFacts } from "@/features/facts/entry";
import { factHistory } from "@/features/facts/reads/classFacts";
import { jsonBody } from "@/server/runtime/body";
import { respond } from "@/server/runtime/respond";

/** Answers to number facts; see `keepFacts`. */
export async function POST(request: Request) {
  return respond(async (context) => takeFacts(context, await jsonBody(request)));
}

/** What happened with one fact of a student. */
export async function GET(request: Request) {
  const { searchParams } = new URL(request.url);
  return respond((context) => factHistory(context, searchParams.get("student") ?? "", searchParams.get("fact") ?? ""));
}
