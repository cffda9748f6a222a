/** A line from the chance before to the chance after it on a scale of 0 to 100 %, with the Secure mark. */
export function Change({ before, after }: { readonly before: number; readonly after: number }) {
  const [from, to] = [before * 100, after * 100];
  const words = `${Math.round(from)} % before, ${Math.round(to)} % after`;
  return (
    <span className="flex items-center gap-2.5">
      <svg viewBox="0 0 120 18" className="h-[18px] w-[120px]" role="img" aria-label={words}>
        <path d="M2 9H118" stroke="var(--hair)" strokeWidth="1.5" />
        <path d="M94.8 3V15" stroke="var(--mute)" strokeWidth="1" strokeDasharray="2 2" />
        <path
          d={`M${2 + from * 1.16} 9H${2 + to * 1.16}`}
          stroke={to >= from ? "var(--water)" : "var(--clay)"}
          strokeWidth="4"
        />
        <circle cx={2 + from * 1.16} cy="9" r="4" fill="var(--paper)" stroke="var(--ink)" strokeWidth="1.5" />
        <circle cx={2 + to * 1.16} cy="9" r="4.5" fill="var(--ink)" />
      </svg>
      <span className="whitespace-nowrap">
        {Math.round(from)} → <b>{Math.round(to)} %</b>
      </span>
    </span>
  );
}
