"use client";

/** A number to raise and to lower with two large buttons. */
export function Stepper({
  label,
  value,
  low,
  high,
  set,
}: {
  readonly label: string;
  readonly value: number;
  readonly low: number;
  readonly high: number;
  readonly set: (value: number) => void;
}) {
  return (
    <span className="inline-flex items-center gap-1 text-[16px]">
      <ModelButton label={`one fewer: ${label}`} disabled={value <= low} press={() => set(value - 1)}>
        −
      </ModelButton>
      <span className="min-w-24 text-center">
        <b>{value}</b> {label}
      </span>
      <ModelButton label={`one more: ${label}`} disabled={value >= high} press={() => set(value + 1)}>
        +
      </ModelButton>
    </span>
  );
}

export const ModelButton = ({
  label,
  press,
  disabled = false,
  children,
}: {
  readonly label?: string;
  readonly press: () => void;
  readonly disabled?: boolean;
  readonly children: React.ReactNode;
}) => (
  <button
    type="button"
    aria-label={label}
    disabled={disabled}
    onClick={press}
    className="border-ink min-h-11 min-w-11 border-[1.5px] px-2.5 font-semibold disabled:opacity-35"
  >
    {children}
  </button>
);
