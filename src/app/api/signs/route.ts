import { signsView } from "@/features/delivery/reads/signs";
import { respond } from "@/server/runtime/respond";

/** What a student's page at work asks for from time to time; see `signsView`. */
export async function GET(request: Request) {
  return respond((context) => signsView(context, new URL(request.url).searchParams.get("sitting") ?? ""));
}
