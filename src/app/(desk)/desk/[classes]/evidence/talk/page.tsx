import type { Metadata } from "next";
import type { Search } from "@/features/evidence/frame/frameParams";
import { talkView } from "@/features/evidence/reads/talk";
import { someClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";
import { TalkWithFaces } from "./TalkWithFaces";

export const metadata: Metadata = { title: "Talk now" };

export default async function Page(props: {
  readonly params: Promise<{ classes: string }>;
  readonly searchParams: Promise<Search>;
}) {
  const [{ classes: key }, search] = await Promise.all([props.params, props.searchParams]);
  const { chosen } = await someClasses(key);
  const found = await attempt((context) =>
    talkView(
      context,
      chosen.map(({ id }) => id),
      search,
    ),
  );
  return found.ok ? (
    <TalkWithFaces view={found.data} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/evidence/pieces`} label="To the pieces of work" />
  );
}
