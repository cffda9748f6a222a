import { noteLook } from "@/features/evidence/entry";
import type { Search } from "@/features/evidence/frame/frameParams";
import { type ReportFrame, readFrame } from "@/features/evidence/reads/frame";
import { someClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import type { Context } from "@/server/runtime/context";

export interface ReportProps {
  readonly params: Promise<{ classes: string }>;
  readonly searchParams: Promise<Search>;
}

/** What every report of some classes begins with: who looks is noted, the frame is read, then what the report shows. */
export async function openReport<View>(
  { params, searchParams }: ReportProps,
  read: (context: Context, frame: ReportFrame, search: Search) => Promise<View>,
  usual: Parameters<typeof readFrame>[3] = "four-weeks",
) {
  const [{ classes: key }, search] = await Promise.all([params, searchParams]);
  const { chosen } = await someClasses(key);
  const ids = chosen.map(({ id }) => id);
  const found = await attempt(async (context) => {
    await noteLook(context, ids);
    const frame = await readFrame(context, ids, search, usual);
    return { frame: frame.view, view: await read(context, frame, search) };
  });
  return { key, ids, found };
}
