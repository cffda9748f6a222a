import "@fontsource-variable/atkinson-hyperlegible-next";
import "@fontsource-variable/literata";
import "@fontsource/andika/400.css";
import "@fontsource/andika/700.css";
import "./globals.css";
import type { Metadata, Viewport } from "next";
import { headers } from "next/headers";
import { NuqsAdapter } from "nuqs/adapters/next/app";
import type { ReactNode } from "react";
import { Notices } from "@/ui/primitives/Notices";

export const metadata: Metadata = {
  title: { default: "Oxbow", template: "%s · Oxbow" },
  description: "Roster classes, assign adaptive practice, read the evidence, regroup and reteach.",
};

export const viewport: Viewport = { width: "device-width", initialScale: 1 };

/** Sets theme and projector mode before the first paint: a dark screen would flash white, and names would be on the wall. */
const THEME_SCRIPT = `try{var t=localStorage.getItem("oxbow.theme");if(t==="dark"||(!t&&matchMedia("(prefers-color-scheme: dark)").matches))document.documentElement.dataset.theme="dark";if(sessionStorage.getItem("oxbow.projector")==="on")document.documentElement.dataset.projector="on"}catch(e){}`;

export default async function RootLayout({ children }: { children: ReactNode }) {
  // Asking for it also keeps every page from being built beforehand, when there is no nonce yet.
  const nonce = (await headers()).get("x-oxbow-nonce") ?? undefined;
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        <script nonce={nonce} suppressHydrationWarning dangerouslySetInnerHTML={{ __html: THEME_SCRIPT }} />
      </head>
      <body>
        <NuqsAdapter>{children}</NuqsAdapter>
        <Notices />
      </body>
    </html>
  );
}
