import type { ReactNode } from "react";

/** Nothing here: says so, and what to do next. */
export function Empty({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <div className="mx-auto max-w-md px-6 py-12 text-center">
      <h2 className="font-serif text-xl">{title}</h2>
      {children && <div className="mt-2 flex flex-col items-center gap-3 text-ink-soft">{children}</div>}
    </div>
  );
}
