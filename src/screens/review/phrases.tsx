"use client";
import { clsx } from "clsx";
import { Check, X } from "lucide-react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { keepPhrases } from "@/screens/acts/review";
import { Key } from "@/ui/key";
import { tell, tellProblem } from "@/ui/toast";

const MOST_PHRASES = 9;

/** What the teacher often says; a press puts it in or takes it out. */
export function Phrases({
  phrases,
  comment,
  keyed = true,
  onPhrase,
}: {
  phrases: readonly string[];
  comment: string;
  /** Whether each has a key, by its number. */
  keyed?: boolean;
  onPhrase: (nth: number) => void;
}) {
  const router = useRouter();
  const [changing, setChanging] = useState(false);
  const keep = async (next: string[], undo?: string[]) => {
    const outcome = await keepPhrases({ phrases: next });
    if (!outcome.ok) return tellProblem(outcome.problem);
    if (undo) tell("Changed your phrases.", () => void keep(undo));
    router.refresh();
  };
  const own = comment.trim();
  return (
    <div>
      <ul className="flex flex-wrap gap-1.5">
        {phrases.map((text, nth) => {
          const on = comment.includes(text);
          return (
            <li key={text} className="max-w-full">
              <button
                type="button"
                aria-pressed={changing ? undefined : on}
                aria-label={changing ? `Remove “${text}”` : undefined}
                onClick={() =>
                  changing
                    ? void keep(
                        phrases.filter((one) => one !== text),
                        [...phrases],
                      )
                    : onPhrase(nth)
                }
                className={clsx(
                  "inline-flex max-w-full items-center gap-1.5 rounded-card border px-2 py-1 text-left text-[13px]",
                  on && !changing ? "border-2 border-ink font-semibold" : "border-line bg-card hover:bg-shade",
                )}
              >
                {changing ? (
                  <X size={13} aria-hidden />
                ) : on ? (
                  <Check size={13} aria-hidden />
                ) : (
                  keyed && <Key>{String(nth + 1)}</Key>
                )}
                <span className="truncate">{text}</span>
              </button>
            </li>
          );
        })}
      </ul>
      <p className="mt-1.5 flex justify-between text-[13px] text-green">
        <button type="button" className="underline" onClick={() => setChanging(!changing)}>
          {changing ? "Done" : "Remove phrases"}
        </button>
        {own && !phrases.includes(own) && phrases.length < MOST_PHRASES && own.length <= 200 && (
          <button type="button" className="underline" onClick={() => void keep([...phrases, own], [...phrases])}>
            Keep this as a phrase
          </button>
        )}
      </p>
    </div>
  );
}

/** What is said with a phrase put in, or taken out where it is there already. */
export const withPhrase = (said: string, text: string): string =>
  said.includes(text)
    ? said.replace(text, "").replace(/ {2,}/g, " ").trim()
    : `${said.trimEnd()}${said.trim() ? " " : ""}${text}`;
