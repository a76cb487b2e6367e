/** A key to press, as printed on it. */
export function Key({ children }: { children: string }) {
  return (
    <kbd
      className="rounded border border-line border-b-2 bg-card px-1 font-sans text-[11px] font-normal text-ink-soft"
      aria-hidden
    >
      {children}
    </kbd>
  );
}
