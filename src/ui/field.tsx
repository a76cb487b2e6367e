import { clsx } from "clsx";
import { useId, type ComponentProps, type ReactNode } from "react";

/** A file is chosen with a button of ours. */
export const fileClasses =
  "max-w-72 text-[13px] text-ink-soft file:mr-2 file:h-9 file:rounded-card file:border file:border-line file:bg-card file:px-3 file:font-semibold file:text-ink hover:file:bg-shade";

export const inputClasses =
  "w-full rounded-card border border-line-strong bg-card px-2.5 min-h-9 text-ink placeholder:text-ink-soft aria-[invalid=true]:border-clay";

/** A label, its control, and what is wrong with it, tied together for those who hear the page. */
export function Field({
  label,
  problem,
  help,
  className,
  children,
}: {
  label: string;
  problem?: string | undefined;
  help?: ReactNode;
  className?: string;
  children: (props: { id: string; "aria-describedby"?: string; "aria-invalid"?: boolean }) => ReactNode;
}) {
  const id = useId();
  const described = problem || help ? `${id}-more` : undefined;
  return (
    <div className={className}>
      <label htmlFor={id} className="mb-1 block text-[13px] text-ink-soft">
        {label}
      </label>
      {children({ id, ...(described && { "aria-describedby": described }), ...(problem && { "aria-invalid": true }) })}
      {described && (
        <p id={described} className={clsx("mt-1 text-[13px]", problem ? "font-semibold text-clay" : "text-ink-soft")}>
          {problem ?? help}
        </p>
      )}
    </div>
  );
}

export function TextInput({ className, ...rest }: ComponentProps<"input">) {
  return <input className={clsx(inputClasses, className)} {...rest} />;
}
