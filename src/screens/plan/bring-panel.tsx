"use client";
import { X } from "lucide-react";
import { useEffect, useState } from "react";
import { formatGradeSpan } from "@/core/content/grade";
import type { Bringable } from "@/server/plan/bring";
import { Button } from "@/ui/button";
import { TextInput } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { Grip } from "../shell/grip";

const PAUSE_MS = 200;

/** Searches from within the plan; what is found is carried to a lesson, or given from its line. */
export function BringPanel({
  words,
  onWords,
  onGive,
  onClose,
}: {
  words: string;
  onWords: (words: string) => void;
  onGive: (thing: { id: number; title: string }) => void;
  onClose: () => void;
}) {
  const [found, setFound] = useState<{ words: string; things: Bringable[] } | null>(null);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    const abort = new AbortController();
    const timer = setTimeout(
      async () => {
        try {
          const response = await fetch(`/plan/bring?words=${encodeURIComponent(words)}`, { signal: abort.signal });
          if (!response.ok) throw new Error(response.statusText);
          setFound({ words, ...((await response.json()) as { things: Bringable[] }) });
          setFailed(false);
        } catch {
          // Typing went on: the next answer is the one that counts.
          if (!abort.signal.aborted) setFailed(true);
        }
      },
      words ? PAUSE_MS : 0,
    );
    return () => {
      clearTimeout(timer);
      abort.abort();
    };
  }, [words]);
  return (
    <aside aria-label="Bring to a lesson" className="flex min-h-0 flex-col border-t border-l border-line">
      <div className="grid gap-3 p-4 pb-3">
        <div className="flex items-start gap-2">
          <h2 className="min-w-0 flex-1 font-serif text-[19px] leading-tight">Bring to a lesson</h2>
          <IconButton name="Close" small onClick={onClose}>
            <X size={15} aria-hidden />
          </IconButton>
        </div>
        <TextInput
          type="search"
          autoFocus
          aria-label="What to look for"
          placeholder="words, or nothing: my satchel"
          maxLength={200}
          value={words}
          onChange={(event) => onWords(event.target.value)}
        />
        <p className="text-[13px] text-ink-soft" role="status">
          {failed
            ? "The search is not working at the moment."
            : found === null
              ? "One moment …"
              : found.things.length === 0
                ? found.words
                  ? `Nothing found for “${found.words}”.`
                  : "Your satchel is empty."
                : found.words
                  ? "Carry one to a lesson."
                  : "From my satchel. Carry one to a lesson."}
        </p>
      </div>
      <ul aria-label="To bring" aria-busy={found?.words !== words} className="min-h-0 flex-1 overflow-auto">
        {found?.things.map((thing) => (
          <li key={thing.id} className="flex items-center gap-2 border-t border-line bg-card py-1.5 pr-3 pl-2">
            <Grip id={thing.id} title={thing.title} />
            <span className="min-w-0 flex-1">
              <span className="line-clamp-2 leading-tight font-semibold">{thing.title}</span>
              <span className="block truncate text-[12px] text-ink-soft">
                {thing.minutes} min · {formatGradeSpan(thing.grades)} · {thing.author}
              </span>
            </span>
            <Button size="small" aria-label={`Assign “${thing.title}”`} onClick={() => onGive(thing)}>
              Assign …
            </Button>
          </li>
        ))}
      </ul>
    </aside>
  );
}
