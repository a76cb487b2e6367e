"use client";
import { Home } from "lucide-react";
import Link from "next/link";
import { useState, type ReactNode } from "react";
import { useTranslations } from "use-intl";
import { useWhen } from "../language/use-when";
import { nativeLanguageName } from "../media/native-language-name";
import { ComfortButton, ComfortPanel } from "./comfort";

/** Above a piece of work: the way home, what it is, its language, how it looks, and reading aloud (`children`). */
export function WorkHeader({
  title,
  due,
  zone,
  now,
  read,
  reads,
  setReads,
  children,
}: {
  title: string;
  due: Date;
  zone: string;
  now: Date;
  /** The languages it can be read in, and the one it is. */
  read: readonly string[];
  reads: string;
  setReads: (language: string) => void;
  children: ReactNode;
}) {
  const t = useTranslations("work");
  const common = useTranslations("common");
  const { when } = useWhen(zone, now);
  const [comfort, setComfort] = useState(false);
  return (
    <>
      <header className="flex items-center gap-2 sm:gap-3">
        <Link
          href="/student"
          aria-label={common("myWork")}
          className="grid h-12 w-12 shrink-0 place-items-center rounded-card border-2 border-line bg-card"
        >
          <Home size={20} aria-hidden />
        </Link>
        <div className="min-w-0 flex-1">
          <h1 className="truncate font-bold" title={title}>
            {title}
          </h1>
          <p className="truncate text-[0.82em] text-ink-soft">{t("until", { when: when(due) })}</p>
        </div>
        {read.length > 1 && (
          <select
            aria-label={common("chooseLanguage")}
            value={reads}
            onChange={(event) => setReads(event.target.value)}
            className="min-h-12 max-w-28 rounded-card border-2 border-line bg-card px-2"
          >
            {read.map((one) => (
              <option key={one} value={one}>
                {nativeLanguageName(one)}
              </option>
            ))}
          </select>
        )}
        <ComfortButton open={comfort} onOpen={setComfort} />
        {children}
      </header>
      {comfort && <ComfortPanel onDone={() => setComfort(false)} />}
    </>
  );
}
