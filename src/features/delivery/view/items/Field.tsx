/** A place to write an answer in. The page puts the cursor into the first of them. */
export function Field({
  label,
  value,
  set,
  locked,
  wide = false,
  after,
}: {
  readonly label: string;
  readonly value: string;
  readonly set: (value: string) => void;
  readonly locked: boolean;
  readonly wide?: boolean;
  readonly after?: string | null;
}) {
  return (
    <label className="mt-6 flex items-center gap-3">
      <span className="sr-only">{label}</span>
      <input
        data-answer
        className={`border-ink bg-field min-h-14 border-[2.5px] px-4 text-[26px] font-bold ${wide ? "w-full max-w-[480px]" : "w-52"}`}
        value={value}
        onChange={(event) => set(event.target.value)}
        disabled={locked}
        autoComplete="off"
        autoCorrect="off"
        autoCapitalize="off"
        spellCheck={false}
        maxLength={wide ? 200 : 40}
      />
      {after ? <span className="text-mute">{after}</span> : null}
    </label>
  );
}
