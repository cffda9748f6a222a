"use client";
import { Button } from "@/ui/primitives/Button";

export function PrintButton({ children = "Print" }: { readonly children?: string }) {
  return <Button onClick={() => window.print()}>{children}</Button>;
}
