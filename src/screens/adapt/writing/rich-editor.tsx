"use client";
import { clsx } from "clsx";
import { useCallback, useEffect, useRef, useState, type ComponentType } from "react";
import { useHydrated } from "@/ui/hydrated";
import { tellProblem } from "@/ui/toast";
import { Rich } from "@/screens/step/rich";
import { richFrame, type Beginning, type RichEditorProps } from "./rich-editor-props";

type Writing = ComponentType<RichEditorProps & { beginning: Beginning }>;

let known: Writing | null = null;
const learn = async (): Promise<Writing> => (known ??= (await import("./rich-writing")).RichWriting);

/** The page lies open first; what is needed to write is read when nothing else happens. */
const IDLE_AFTER_MS = 1500;
let planned = false;
function learnWhenIdle() {
  if (planned) return;
  planned = true;
  const idly = window.requestIdleCallback ?? setTimeout;
  setTimeout(() => idly(() => void learn().catch(() => undefined)), IDLE_AFTER_MS);
}

const isEmpty = (value: RichEditorProps["value"]) =>
  !value || value.content.every((block) => block.type === "paragraph" && !block.content?.length);

/**
 * Rich text edited where it stands. A page has many and writes in one: each is shown as it is read until a pointer is over
 * it or it has the focus. Keys pressed before it can be written in are pressed again when it can.
 */
export function RichEditor(props: RichEditorProps) {
  const { label, value, placeholder, className, focused = false } = props;
  const [writing, setWriting] = useState<{ In: Writing; beginning: Beginning } | null>(null);
  const shell = useRef<HTMLDivElement>(null);
  // A key pressed before the page answers would be lost: until then it is said that nothing is taken.
  const ready = useHydrated();
  const keys = useRef<string[]>([]);
  const at = useRef<Beginning["at"]>(null);
  const wake = useCallback((force: boolean) => {
    const begin = (In: Writing) => {
      const focused = force || shell.current === document.activeElement;
      const beginning = { focused, at: at.current, keys: keys.current };
      // Pressed before what the pointer began has been drawn: it begins with the press.
      setWriting((old) => (old && !focused ? old : { In, beginning }));
    };
    if (known) return begin(known);
    learn().then(begin, () => {
      if (shell.current === document.activeElement)
        tellProblem("You are offline, so you cannot edit this yet. Try again when you are back online.");
    });
  }, []);
  useEffect(() => {
    learnWhenIdle();
    // Pressed before the page was alive: it has the focus already.
    if (focused || shell.current === document.activeElement) wake(focused);
  }, [focused, wake]);
  if (writing) return <writing.In {...props} beginning={writing.beginning} />;
  return (
    <div className={clsx(richFrame, className)} onPointerEnter={() => wake(false)}>
      <div
        ref={shell}
        role="textbox"
        aria-multiline
        aria-readonly={!ready || undefined}
        aria-label={label}
        tabIndex={0}
        onMouseDown={(event) => {
          at.current = { left: event.clientX, top: event.clientY };
        }}
        onFocus={() => wake(false)}
        onKeyDown={(event) => {
          if (event.ctrlKey || event.metaKey || event.altKey) return;
          if (event.key.length > 1 && event.key !== "Enter" && event.key !== "Backspace") return;
          event.preventDefault();
          keys.current.push(event.key);
        }}
        className="min-h-[1lh] px-1"
      >
        {placeholder && isEmpty(value) && (
          <span aria-hidden className="pointer-events-none absolute left-1 text-ink-soft">
            {placeholder}
          </span>
        )}
        <Rich text={value} />
      </div>
    </div>
  );
}
