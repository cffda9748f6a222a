import Link from "next/link";
import type { ButtonHTMLAttributes, ReactNode } from "react";

type Look = "main" | "plain" | "quiet" | "onDark";

const LOOKS: Readonly<Record<Look, string>> = {
  main: "bg-ink text-paper border-ink",
  plain: "bg-paper text-ink border-ink",
  quiet: "border-transparent text-ink underline underline-offset-4 decoration-hair hover:decoration-ink",
  onDark: "border-[#6f8087] text-[#fbf8f2] hover:bg-white/10",
};
const SIZES = { desk: "px-3 py-1 text-[15px] min-h-8", big: "px-6 py-2.5 text-[20px] min-h-13" } as const;

const shape = (look: Look, size: keyof typeof SIZES) =>
  `inline-flex items-center justify-center gap-2 border-[1.5px] font-semibold whitespace-nowrap ${LOOKS[look]} ${SIZES[size]}`;

interface Common {
  readonly look?: Look;
  readonly size?: keyof typeof SIZES;
  readonly children: ReactNode;
}

export function Button({
  look = "plain",
  size = "desk",
  children,
  className = "",
  ...rest
}: Common & ButtonHTMLAttributes<HTMLButtonElement>) {
  return (
    <button type="button" className={`${shape(look, size)} ${className}`} {...rest}>
      {children}
    </button>
  );
}

export function ButtonLink({
  look = "plain",
  size = "desk",
  children,
  href,
  className = "",
}: Common & { href: string; className?: string }) {
  return (
    <Link href={href} className={`${shape(look, size)} ${className}`}>
      {children}
    </Link>
  );
}

/** A link to a file to keep: nothing of it is fetched beforehand. */
export function FileLink({ look = "plain", size = "desk", children, href }: Common & { readonly href: string }) {
  return (
    <a href={href} download className={shape(look, size)}>
      {children}
    </a>
  );
}
