/** A text to be read, in paragraphs that are numbered where there are several. */
export function PassageText({
  title,
  paragraphs,
  className = "",
}: {
  readonly title: string;
  readonly paragraphs: readonly string[];
  readonly className?: string;
}) {
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a text longer than its box is read with the arrow keys
    <section aria-label={title} tabIndex={0} className={`font-serif leading-relaxed ${className}`}>
      <h2 className="mb-1 font-medium">{title}</h2>
      {paragraphs.map((paragraph, place) => (
        <p key={place} className="relative mb-2">
          {paragraphs.length > 1 ? (
            <span className="text-mute float-left w-7 text-[14px] leading-[1.9] tabular-nums">{place + 1}</span>
          ) : null}
          <span className="block overflow-hidden">{paragraph}</span>
        </p>
      ))}
    </section>
  );
}
