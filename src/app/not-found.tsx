import { Refused } from "@/ui/layout/Refused";

export default function NotFound() {
  return (
    <Refused
      message="There is no page at this address. It may have been mistyped, or what it showed was taken away."
      href="/"
      label="Back to the start"
    />
  );
}
