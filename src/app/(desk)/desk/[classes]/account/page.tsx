import type { Metadata } from "next";
import { accountView } from "@/features/access/reads";
import { AccountPage } from "@/features/access/view/AccountPage";
import { presentSession } from "@/server/access/presentSession";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Your account" };

export default async function Page() {
  const session = await presentSession();
  const found = await attempt((context) => accountView(context, session));
  return found.ok ? (
    <AccountPage view={found.data} />
  ) : (
    <Refused message={found.message} href="/" label="Back to the start" />
  );
}
