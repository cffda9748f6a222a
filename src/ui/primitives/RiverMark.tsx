/** Our mark: a river that all but closes its loop. */
export function RiverMark({ className = "h-[22px] w-[30px]" }: { readonly className?: string }) {
  return (
    <svg viewBox="0 0 60 44" className={className} aria-hidden="true">
      <path
        d="M2 34C14 34 14 10 26 10S34 36 44 36s12-18 2-22"
        fill="none"
        stroke="var(--deep)"
        strokeWidth="6"
        strokeLinecap="round"
      />
    </svg>
  );
}
