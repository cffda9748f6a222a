import "server-only";
import { NextResponse } from "next/server";
import { requireActor } from "@/server/access/currentActor";
import type { Context } from "./context";
import type { RefusalCode } from "./refusal";
import { theRuntime } from "./runtime";
import { told } from "./told";

const STATUS: Readonly<Record<RefusalCode | "failed", number>> = {
  "signed-out": 401,
  "not-allowed": 403,
  "not-found": 404,
  invalid: 422,
  conflict: 409,
  locked: 423,
  closed: 409,
  "too-large": 413,
  unavailable: 503,
  failed: 500,
};

export const statusOf = (code: RefusalCode | "failed"): number => STATUS[code];

/** Answers a request of our own pages with JSON; refusals keep their code and words. */
export function respond<T>(use: (context: Context) => Promise<T>): Promise<NextResponse> {
  return answered(async (context) => NextResponse.json(await use(context)));
}

/** Answers with a file to keep; refusals as JSON, like `respond`. */
export function respondWithFile(
  use: (context: Context) => Promise<{ readonly name: string; readonly type: string; readonly bytes: Uint8Array }>,
): Promise<NextResponse> {
  return answered(async (context) => {
    const { name, type, bytes } = await use(context);
    const disposition = `attachment; filename*=UTF-8''${encodeURIComponent(name)}`;
    const headers = { "content-type": type, "content-disposition": disposition, "cache-control": "no-store" };
    return new NextResponse(bytes.slice().buffer, { headers });
  });
}

/** Answers with a picture whose name is made of its bytes, so that a browser need not ask again. */
export function respondWithPicture(
  use: (context: Context) => Promise<{ readonly type: string; readonly bytes: Uint8Array }>,
): Promise<NextResponse> {
  return answered(async (context) => {
    const { type, bytes } = await use(context);
    const headers = {
      "content-type": type,
      "cache-control": "private, max-age=31536000, immutable",
      "content-security-policy": "default-src 'none'; style-src 'unsafe-inline'; sandbox",
    };
    return new NextResponse(bytes.slice().buffer, { headers });
  });
}

async function answered(use: (context: Context) => Promise<NextResponse>): Promise<NextResponse> {
  try {
    return await use({ runtime: await theRuntime(), actor: await requireActor() });
  } catch (error) {
    const { code, message } = told(error, "request failed");
    return NextResponse.json({ code, message }, { status: statusOf(code) });
  }
}
