import "server-only";
import { Refusal } from "./refusal";

/** Messages of our own pages are small; whoever sends more does not mean us. */
export const MESSAGE_BYTES = 8_000;

/** A request's body as JSON, read no further than the cap; null when it is none. */
export async function jsonBody(request: Request, mostBytes = MESSAGE_BYTES): Promise<unknown> {
  return readCapped(request, mostBytes, "This message is too large, so it was not read.", (body) =>
    body.json().catch(() => null),
  );
}

/**
 * Reads a body, told its length or not, and stops at the cap: a refusal in the given words then. What is read goes through
 * `read`, whose own failures are its own.
 */
export async function readCapped<T>(
  request: Request,
  mostBytes: number,
  words: string,
  read: (body: Response) => Promise<T>,
): Promise<T> {
  const tooLarge = new Refusal("too-large", words);
  if (Number(request.headers.get("content-length") ?? 0) > mostBytes) throw tooLarge;
  let bytes = 0;
  const counting = new TransformStream<Uint8Array, Uint8Array>({
    transform: (chunk, controller) => {
      bytes += chunk.byteLength;
      if (bytes > mostBytes) controller.error(tooLarge);
      else controller.enqueue(chunk);
    },
  });
  const type = request.headers.get("content-type");
  const body = new Response(
    request.body?.pipeThrough(counting, { preventCancel: true }) ?? null,
    type ? { headers: { "content-type": type } } : {},
  );
  try {
    const value = await read(body);
    if (bytes > mostBytes) throw tooLarge;
    return value;
  } catch (error) {
    if (bytes <= mostBytes) throw error;
    // The rest is thrown away as it comes: left lying, it would hold up the next request on the same connection. The server's
    // own limit of time ends whoever never stops.
    request.body?.pipeTo(new WritableStream()).catch(() => {});
    throw tooLarge;
  }
}
