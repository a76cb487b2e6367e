"use client";
import { useEffect, useId, useRef, useState, type RefObject } from "react";
import { pauseAfter } from "@/core/find/pause";
import { useHydrated } from "@/ui/hydrated";

/** Longer than results take to be asked for: they come first. */
const SUGGEST_PAUSE_MS = 150;

/** The word being typed: none after a space, and none inside quotes. */
function lastWord(text: string): string {
  if (/["“]/.test(text)) return "";
  const last = text.split(/[^\p{L}]/u).at(-1)!;
  return last.length >= 2 ? last : "";
}

/** Words that go on from one being typed; asked after a short pause, never in the way of typing. */
function useSuggestions(start: string): string[] {
  const [answer, setAnswer] = useState<{ start: string; words: string[] }>({ start: "", words: [] });
  useEffect(() => {
    if (!start) return;
    const abort = new AbortController();
    const timer = setTimeout(async () => {
      try {
        const response = await fetch(`/find/words?start=${encodeURIComponent(start)}`, { signal: abort.signal });
        if (response.ok) setAnswer({ start, words: ((await response.json()) as { words: string[] }).words });
      } catch {
        // Typing went on, or the page was left: nothing to say about suggestions.
      }
    }, SUGGEST_PAUSE_MS);
    return () => {
      clearTimeout(timer);
      abort.abort();
    };
  }, [start]);
  return answer.start === start ? answer.words : [];
}

/** The words of the sentence: typed in place. What she types stays hers while results come and go. */
export function WordsBox({
  words,
  onTyping,
  onChange,
  box,
}: {
  words: string;
  onTyping: () => void;
  onChange: (words: string) => void;
  box: RefObject<HTMLInputElement | null>;
}) {
  const [typed, setTyped] = useState(words);
  const [sent, setSent] = useState(words);
  // Until the page answers, a letter typed would be lost: the box does not take it.
  const ready = useHydrated();
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const typedAt = useRef(0);
  const [focused, setFocused] = useState(false);
  const [at, setAt] = useState(-1);
  const listId = useId();
  const suggestions = useSuggestions(focused ? lastWord(typed) : "").filter((word) => word !== lastWord(typed));
  // The address changed by other means (back, a correction): follow it.
  if (words !== sent) {
    setSent(words);
    setTyped(words);
  }
  useEffect(() => () => clearTimeout(timer.current), []);
  const send = (text: string) => {
    clearTimeout(timer.current);
    setSent(text.trim());
    onChange(text);
  };
  const take = (word: string) => {
    const text = `${typed.slice(0, typed.length - lastWord(typed).length)}${word} `;
    setTyped(text);
    setAt(-1);
    send(text);
  };
  return (
    <span className="relative inline-grid max-w-full grid-cols-[minmax(0,max-content)] align-baseline">
      <span aria-hidden className="invisible col-start-1 row-start-1 overflow-hidden px-0.5 whitespace-pre">
        {typed || "anything"}
      </span>
      <input
        ref={box}
        aria-label="About: words to look for"
        aria-keyshortcuts="/"
        size={1}
        type="text"
        readOnly={!ready}
        value={typed}
        placeholder="anything"
        maxLength={200}
        autoComplete="off"
        spellCheck={false}
        role="combobox"
        aria-expanded={suggestions.length > 0}
        aria-controls={suggestions.length > 0 ? listId : undefined}
        aria-autocomplete="list"
        aria-activedescendant={at >= 0 ? `${listId}-${at}` : undefined}
        onFocus={() => setFocused(true)}
        onBlur={() => setFocused(false)}
        onChange={(event) => {
          const text = event.target.value;
          setTyped(text);
          setAt(-1);
          onTyping();
          clearTimeout(timer.current);
          timer.current = setTimeout(() => send(text), pauseAfter(text, event.timeStamp - typedAt.current));
          typedAt.current = event.timeStamp;
        }}
        onKeyDown={(event) => {
          if (event.key === "ArrowDown" || event.key === "ArrowUp") {
            if (suggestions.length === 0) return;
            event.preventDefault();
            const step = event.key === "ArrowDown" ? 1 : -1;
            setAt((old) => Math.max(-1, Math.min(suggestions.length - 1, old + step)));
            return;
          }
          if (event.key === "Enter" && suggestions[at]) return take(suggestions[at]);
          if (event.key === "Enter") send(event.currentTarget.value);
          // Done with the words: single keys move in the list again.
          if (event.key === "Enter" || event.key === "Escape") event.currentTarget.blur();
        }}
        className={`col-start-1 row-start-1 w-full min-w-0 rounded-none border-b-2 bg-transparent px-0.5 leading-tight outline-offset-4 placeholder:text-ink-soft ${
          typed ? "border-green text-green" : "border-dotted border-line-strong"
        }`}
      />
      {suggestions.length > 0 && (
        <ul
          id={listId}
          role="listbox"
          aria-label="Suggestions"
          className="absolute top-full left-0 z-40 mt-1 min-w-44 rounded-card border border-line bg-card p-1 font-sans text-sm shadow-soft"
        >
          {suggestions.map((word, nth) => (
            <li
              key={word}
              id={`${listId}-${nth}`}
              role="option"
              aria-selected={nth === at}
              // Before the box loses its focus, so that the list is still there.
              onMouseDown={(event) => {
                event.preventDefault();
                take(word);
              }}
              className={`cursor-pointer rounded px-2 leading-7 ${nth === at ? "bg-green-wash" : "hover:bg-green-wash"}`}
            >
              {word}
            </li>
          ))}
        </ul>
      )}
    </span>
  );
}
