import { searchTestItems, swapsFor } from "@/features/work/reads/testPicks";
import { proposeTest } from "@/features/work/reads/testProposal";
import { jsonBody } from "@/server/runtime/body";
import { Refusal } from "@/server/runtime/refusal";
import { respond } from "@/server/runtime/respond";

const ASKS = { propose: proposeTest, search: searchTestItems, swaps: swapsFor } as const;

/** What is asked while a test is built: a proposal, items to add, items to swap one for. Nothing is kept. */
export async function POST(request: Request, { params }: { params: Promise<{ ask: string }> }) {
  const { ask } = await params;
  return respond(async (context) => {
    if (!Object.hasOwn(ASKS, ask)) throw new Refusal("not-found", "There is nothing here.");
    return ASKS[ask as keyof typeof ASKS](context, await jsonBody(request));
  });
}
