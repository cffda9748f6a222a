import type { Metadata } from "next";
import { classReview } from "@/features/review/reads/classReview";
import { ReviewPage } from "@/features/review/view/teacher/ReviewPage";
import { someClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Spaced review" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ classes: string }>;
  searchParams: Promise<{ class?: string }>;
}) {
  const [{ classes: key }, { class: wanted }] = await Promise.all([params, searchParams]);
  const { chosen } = await someClasses(key);
  const shown = chosen.find(({ id }) => id === wanted) ?? chosen[0];
  if (!shown)
    return (
      <Refused
        message="Review is looked at class by class. Choose a class above."
        href={`/desk/${key}`}
        label="Back to Today"
      />
    );
  const found = await attempt((context) => classReview(context, shown.id));
  return found.ok ? (
    <ReviewPage
      key={found.data.classId}
      view={found.data}
      others={chosen.map(({ id, name }) => ({ id, name }))}
      base={`/desk/${key}`}
    />
  ) : (
    <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />
  );
}
