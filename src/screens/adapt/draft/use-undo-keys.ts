"use client";
import { useEffect } from "react";

/** Ctrl+Z and Ctrl+Shift+Z, but where a text is written that has its own, finer undo. */
export function useUndoKeys(undo: (() => void) | null, redo: (() => void) | null): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== "z") return;
      if ((event.target as HTMLElement).isContentEditable) return;
      event.preventDefault();
      (event.shiftKey ? redo : undo)?.();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [undo, redo]);
}
