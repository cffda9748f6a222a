import { ButtonLink } from "@/ui/primitives/Button";

/** A page that can't be shown: why, and the way on. */
export function Refused({
  message,
  href,
  label,
}: {
  readonly message: string;
  readonly href: string;
  readonly label: string;
}) {
  return (
    <div className="mx-auto max-w-xl px-6 py-16" role="alert">
      <h1 className="mb-3 font-serif text-2xl">This can't be shown</h1>
      <p className="mb-6">{message}</p>
      <ButtonLink look="main" href={href}>
        {label}
      </ButtonLink>
    </div>
  );
}
