/** How far a long piece of work is: a bar from nothing to `share` 1, with words beside it. */
export function Progress({ share, words }: { readonly share: number; readonly words: string }) {
  const percent = Math.round(share * 100);
  return (
    <span
      className="text-mute flex items-center gap-3"
      role="progressbar"
      aria-valuenow={percent}
      aria-valuemin={0}
      aria-valuemax={100}
      aria-valuetext={words}
    >
      <span className="bg-silt block h-1.5 w-40 shrink-0">
        <i className="bg-water block h-full" style={{ width: `${percent}%` }} />
      </span>
      {words}
    </span>
  );
}
