import type { ReactNode } from "react";

/** Title of a desk page with one line under it and its actions at the right. */
export function PageHead({
  title,
  sub,
  children,
}: {
  readonly title: string;
  readonly sub?: ReactNode;
  readonly children?: ReactNode;
}) {
  return (
    <div className="mb-4 flex items-end justify-between gap-x-8 max-md:flex-wrap">
      <div>
        <h1 className="font-serif text-[22px] leading-tight font-medium">{title}</h1>
        {sub ? <p className="text-mute mt-0.5 text-[15px]">{sub}</p> : null}
      </div>
      <div className="no-print flex shrink-0 flex-wrap gap-2 max-md:mt-2">{children}</div>
    </div>
  );
}
