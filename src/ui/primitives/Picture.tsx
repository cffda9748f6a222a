import { Bell, CupSoda, Drum, Fish, Key, Leaf, type LucideIcon, Moon, Sailboat, Snail, Umbrella } from "lucide-react";
import type { PICTURES } from "@/core/model/pictures";

type Name = (typeof PICTURES)[number];

/** A kite and a ladder of our own: the icon package has none that a child would name so. */
function Kite() {
  return <path d="M12 2 19 9 12 17 5 9ZM12 2V17M5 9H19M12 17c-3 2 3 3 0 5" />;
}
function Ladder() {
  return <path d="M7 2V22M17 2V22M7 6H17M7 11H17M7 16H17" />;
}

const ICONS: Readonly<Partial<Record<Name, LucideIcon>>> = {
  boat: Sailboat,
  key: Key,
  leaf: Leaf,
  bell: Bell,
  fish: Fish,
  cup: CupSoda,
  moon: Moon,
  drum: Drum,
  snail: Snail,
  umbrella: Umbrella,
};

/** One picture of a picture PIN, as a drawing in the text's colour. */
export function Picture({ name, size = 40 }: { readonly name: Name; readonly size?: number }) {
  const Icon = ICONS[name];
  if (Icon) return <Icon size={size} strokeWidth={1.75} aria-hidden />;
  return (
    <svg
      viewBox="0 0 24 24"
      width={size}
      height={size}
      fill="none"
      stroke="currentColor"
      strokeWidth={1.75}
      strokeLinecap="round"
      strokeLinejoin="round"
      aria-hidden="true"
    >
      {name === "kite" ? <Kite /> : <Ladder />}
    </svg>
  );
}
