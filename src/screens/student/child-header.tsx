"use client";
import { Link } from "@/ui/link";
import { useState, type ReactNode } from "react";
import { ComfortButton, ComfortPanel } from "./comfort";

/** Above what a child does or reads: the way back, what it is, how it looks; `children` stand at the end. */
export function ChildHeader({
  back,
  title,
  line,
  language,
  children,
}: {
  back: { href: string; name: string; icon: ReactNode };
  title: string;
  /** Under the title. */
  line: string;
  /** The choice of a language, where there is one. */
  language?: ReactNode;
  children: ReactNode;
}) {
  const [comfort, setComfort] = useState(false);
  return (
    <>
      <header className="flex items-center gap-2 sm:gap-3">
        <Link
          href={back.href}
          aria-label={back.name}
          className="grid h-12 w-12 shrink-0 place-items-center rounded-card border-2 border-line bg-card"
        >
          {back.icon}
        </Link>
        <div className="min-w-0 flex-1">
          <h1 className="truncate font-bold" title={title}>
            {title}
          </h1>
          <p className="truncate text-[0.82em] text-ink-soft">{line}</p>
        </div>
        {language}
        <ComfortButton open={comfort} onOpen={setComfort} />
        {children}
      </header>
      {comfort && <ComfortPanel onDone={() => setComfort(false)} />}
    </>
  );
}
