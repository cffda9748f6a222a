import "server-only";
import { NextResponse } from "next/server";
import { requireActor } from "@/server/access/currentActor";
import type { Context } from "./context";
import { Refusal } from "./refusal";
import { statusOf } from "./respond";
import { theRuntime } from "./runtime";
import { told } from "./told";

const LOOK_MILLISECONDS = 2_000;
/** A line now and then, so that nothing on the way takes the connection for dead. */
const BEAT_MILLISECONDS = 20_000;
/** Then the browser comes again, and who asks is looked at anew. */
const LONGEST_MILLISECONDS = 5 * 60_000;

/**
 * Answers with server-sent events (the HTML standard, section 9.2): what `read` gives now, and again whenever it gives something else. Each process looks by
 * itself at what is stored, so that it does not matter which one took an answer.
 */
export async function respondWithEvents<T>(
  request: Request,
  read: (context: Context) => Promise<T>,
): Promise<Response> {
  try {
    const context = { runtime: await theRuntime(), actor: await requireActor() };
    const first = JSON.stringify(await read(context));
    return new Response(
      stream(request.signal, first, async () => JSON.stringify(await read(context))),
      {
        headers: {
          "content-type": "text/event-stream; charset=utf-8",
          // Neither kept nor packed on the way: each event has to arrive by itself.
          "cache-control": "no-store, no-transform",
          "x-accel-buffering": "no",
        },
      },
    );
  } catch (error) {
    const { code, message } = told(error, "events failed");
    return NextResponse.json({ code, message }, { status: statusOf(code) });
  }
}

function stream(signal: AbortSignal, first: string, read: () => Promise<string>): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  let isOver = false;
  return new ReadableStream({
    async start(controller) {
      const send = (text: string) => controller.enqueue(encoder.encode(text));
      const end = () => {
        if (isOver) return;
        isOver = true;
        controller.close();
      };
      signal.addEventListener("abort", end);
      send(`retry: ${LOOK_MILLISECONDS}\ndata: ${first}\n\n`);
      let last = first;
      const begun = performance.now();
      let beatAt = begun;
      while (!isOver && performance.now() - begun < LONGEST_MILLISECONDS) {
        await new Promise((resolve) => setTimeout(resolve, LOOK_MILLISECONDS));
        if (isOver) return;
        try {
          const next = await read();
          if (isOver) return;
          if (next !== last) send(`data: ${next}\n\n`);
          else if (performance.now() - beatAt > BEAT_MILLISECONDS) send(": \n\n");
          else continue;
          last = next;
          beatAt = performance.now();
        } catch (error) {
          // Nothing is to be seen any more; of what failed for a moment the browser comes again for.
          if (error instanceof Refusal) send("event: gone\ndata: {}\n\n");
          break;
        }
      }
      end();
    },
    cancel() {
      isOver = true;
    },
  });
}
