"use client";
import { Home } from "lucide-react";
import type { ReactNode } from "react";
import { useTranslations } from "use-intl";
import { useWhen } from "../language/use-when";
import { nativeLanguageName } from "../media/native-language-name";
import { ChildHeader } from "./child-header";

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
  return (
    <ChildHeader
      back={{ href: "/student", name: common("myWork"), icon: <Home size={20} aria-hidden /> }}
      title={title}
      line={t("until", { when: when(due) })}
      language={
        read.length > 1 && (
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
        )
      }
    >
      {children}
    </ChildHeader>
  );
}
