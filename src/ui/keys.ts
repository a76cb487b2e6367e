"use client";
import { useEffect, useRef } from "react";

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.isContentEditable || /^(input|textarea|select)$/i.test(target.tagName));

/**
 * Single keys for a screen. They rest while somebody types, while a menu or dialog is open, and with Ctrl, Alt or Meta.
 * A handler that returns false leaves the key to the browser.
 */
export function useKeys(handlers: Record<string, () => void | false>): void {
  const current = useRef(handlers);
  useEffect(() => {
    current.current = handlers;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return;
      if (document.querySelector('[role="dialog"], [role="menu"], [role="listbox"]')) return;
      const handler = current.current[event.key];
      if (handler && handler() !== false) event.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}
