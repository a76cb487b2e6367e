"use client";
import { useCallback, useEffect, useLayoutEffect, useRef, useState } from "react";
import { flushSync } from "react-dom";
import type { Question, ResponseValue } from "@/core/question/question";
import { caretAfter } from "@/core/together/caret";
import type { PageEvent } from "../live/use-lesson";
import type { PageSession } from "./page-session";

/** A page that is shared with others, as the step's view needs it. */
export interface SharedWork {
  values: Record<string, ResponseValue | undefined>;
  /** What is answered on it, with options named as on this page. */
  questions: readonly Question[];
  open: boolean;
  /** Who wrote a moment ago; null: nobody, or it was this screen. */
  writing: number | null;
  write: (question: Question, value: ResponseValue) => void;
  undo: () => void;
  redo: () => void;
}

/** How long somebody counts as writing. */
const WRITING_MS = 2_500;

type Field = HTMLTextAreaElement | HTMLInputElement;
const isField = (element: Element | null): element is Field =>
  element instanceof HTMLTextAreaElement || (element instanceof HTMLInputElement && element.type === "text");

/**
 * The page of a step that this student shares now, or did in the last lesson. `key` says which: it changes when the group does;
 * null: none is asked for.
 */
export function useSharedPage(of: {
  assignment: number;
  student: number;
  /** Its id. */
  step: string | undefined;
  key: string | null;
  onPage: (heard: (event: PageEvent) => void) => () => void;
}): SharedWork | null {
  const { assignment, student, step, key, onPage } = of;
  const session = useRef<PageSession | null>(null);
  const [shown, setShown] = useState<Pick<SharedWork, "values" | "open" | "questions"> | null>(null);
  const [writing, setWriting] = useState<number | null>(null);
  /** Where the caret stood before others' words came. */
  const caret = useRef<{ field: Field; value: string; start: number; end: number } | null>(null);

  useEffect(() => {
    if (step === undefined || key === null) return;
    let ended = false;
    let fading: ReturnType<typeof setTimeout> | undefined;
    const waiting: PageEvent[] = [];
    const heard = (event: PageEvent) => {
      if (event.step !== null && event.step !== step) return;
      if (!session.current) return void waiting.push(event);
      const field = document.activeElement;
      if (isField(field))
        caret.current = {
          ...{ field, value: field.value },
          ...{ start: field.selectionStart ?? 0, end: field.selectionEnd ?? 0 },
        };
      session.current.heard(event);
      // What was heard is on the screen by now; a letter typed next moves the caret by itself.
      caret.current = null;
      if (event.by === null || event.by === student) return;
      clearTimeout(fading);
      setWriting(event.by);
      fading = setTimeout(() => setWriting(null), WRITING_MS);
    };
    const stop = onPage(heard);
    void import("./page-session").then((loaded) => {
      if (ended) return;
      const begun = new loaded.PageSession({
        ...{ assignment, student },
        step,
        changed: (here) => {
          const { questions, open } = begun;
          if (ended) return;
          const show = () => setShown(questions && { questions, open, values: begun.values() });
          // Others' words are in the field before the next letter is typed into it, or that letter would take them out again.
          if (here) show();
          else flushSync(show);
        },
      });
      session.current = begun;
      waiting.forEach(heard);
    });
    return () => {
      ended = true;
      stop();
      clearTimeout(fading);
      session.current?.stop();
      session.current = null;
      setShown(null);
      setWriting(null);
    };
  }, [assignment, student, step, key, onPage]);

  useLayoutEffect(() => {
    const before = caret.current;
    caret.current = null;
    if (!before || document.activeElement !== before.field || before.field.value === before.value) return;
    const at = (place: number) => caretAfter(before.value, before.field.value, place);
    before.field.setSelectionRange(at(before.start), at(before.end));
  }, [shown]);

  const write = useCallback((question: Question, value: ResponseValue) => session.current?.write(question, value), []);
  const undo = useCallback(() => session.current?.undo(), []);
  const redo = useCallback(() => session.current?.redo(), []);
  return shown && { ...shown, writing, write, undo, redo };
}
