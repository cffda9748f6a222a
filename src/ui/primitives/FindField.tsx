/** A field that narrows a list while one types; null takes the word out of the address again. */
export function FindField({
  label,
  placeholder,
  value,
  set,
  className = "w-56",
}: {
  readonly label: string;
  readonly placeholder: string;
  readonly value: string;
  readonly set: (value: string | null) => void;
  readonly className?: string;
}) {
  return (
    <label className="no-print">
      <span className="sr-only">{label}</span>
      <input
        className={`border-hair border-b bg-transparent px-1 py-1 ${className}`}
        placeholder={placeholder}
        value={value}
        onChange={(event) => set(event.target.value || null)}
      />
    </label>
  );
}
