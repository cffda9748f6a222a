import type { Metadata } from "next";
import { signOutAction } from "@/features/access/actions";
import { studentHome } from "@/features/delivery/reads/studentHome";
import { StudentHomePage } from "@/features/delivery/view/StudentHomePage";
import { factsOnStart } from "@/features/facts/reads/ownFacts";
import { FactsOnStart } from "@/features/facts/view/student/FactsOnStart";
import { ownInterests } from "@/features/roster/reads/studentRecord";
import { Interests } from "@/features/roster/view/Interests";
import { requireStudentPage } from "@/server/access/pages";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "My river" };

export default async function Page() {
  const { personId } = await requireStudentPage();
  const found = await attempt(async (context) => ({
    home: await studentHome(context),
    chosen: await ownInterests(context),
    facts: await factsOnStart(context),
  }));
  return found.ok ? (
    <StudentHomePage
      home={found.data.home}
      personId={personId}
      signOut={signOutAction}
      daily={found.data.facts ? <FactsOnStart facts={found.data.facts} /> : null}
      interests={<Interests chosen={found.data.chosen} />}
    />
  ) : (
    <Refused message={found.message} href="/" label="Back to the start" />
  );
}
