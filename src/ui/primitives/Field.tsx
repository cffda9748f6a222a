import type { InputHTMLAttributes, ReactNode } from "react";

/** Look of an input on the desk. */
export const FIELD = "bg-field border-ink border-[1.5px] px-2 py-1";

/** An input with its label above it and, where there is one, a word of help under it. */
export function Field({
  label,
  help,
  className = "",
  ...input
}: { readonly label: string; readonly help?: ReactNode } & InputHTMLAttributes<HTMLInputElement>) {
  return (
    <label className={`block text-[15px] ${className}`}>
      <span className="mb-0.5 block">{label}</span>
      <input className={`${FIELD} w-full`} {...input} />
      {help ? <span className="text-mute mt-0.5 block text-[14px]">{help}</span> : null}
    </label>
  );
}

/** What went wrong, in place; announced when it appears. */
export function Problem({ text }: { readonly text: string | null }) {
  return (
    <p role="alert" className={text ? "border-clay my-3 border-l-4 pl-3" : ""}>
      {text}
    </p>
  );
}
