import type { Metadata } from "next";
import { CardEntry } from "@/features/access/view/CardEntry";

export const metadata: Metadata = { title: "Your card", referrer: "no-referrer" };

export default function CardPage() {
  return <CardEntry />;
}
