import type { Metadata } from "next";
import { skillPage } from "@/features/library/reads/skills";
import { NotesSheet } from "@/features/library/view/NotesSheet";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Notes to complete" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ classes: string; skillId: string }>;
  searchParams: Promise<{ answers?: string }>;
}) {
  const { classes: key, skillId } = await params;
  const { answers } = await searchParams;
  await ownClasses(key);
  const found = await attempt((context) => skillPage(context, skillId, 0));
  return found.ok ? (
    <NotesSheet skill={found.data} base={`/desk/${key}`} answers={answers === "1"} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/library`} label="To the library" />
  );
}
