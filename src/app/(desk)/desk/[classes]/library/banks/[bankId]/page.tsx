import type { Metadata } from "next";
import { bankPage } from "@/features/library/reads/banks";
import { BankPage } from "@/features/library/view/BankPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Bank" };

export default async function Page({ params }: { params: Promise<{ classes: string; bankId: string }> }) {
  const { classes: key, bankId } = await params;
  await ownClasses(key);
  const found = await attempt((context) => bankPage(context, bankId));
  return found.ok ? (
    <BankPage view={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/library/banks`} label="To the banks" />
  );
}
