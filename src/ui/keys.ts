"use client";
import { createContext, useContext, useEffect, useRef, type RefObject } from "react";
import { pressKept } from "./keys-ahead";

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.isContentEditable || /^(input|textarea|select)$/i.test(target.tagName));

/** Holds false while what stands inside is on its way out: its keys rest. */
export const KeysAwake = createContext<RefObject<boolean>>({ current: true });

/**
 * Single keys for a screen. They rest while somebody types, while a menu or dialog is open, and with Ctrl, Alt or Meta.
 * A handler that returns false leaves the key to the browser.
 */
export function useKeys(handlers: Record<string, () => void | false>): void {
  const awake = useContext(KeysAwake);
  const current = useRef(handlers);
  useEffect(() => {
    current.current = handlers;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!awake.current) return;
      if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return;
      if (document.querySelector('[role="dialog"], [role="menu"], [role="listbox"]')) return;
      // A key held down moves on through a list, and does nothing else twice.
      if (event.repeat && !/^(?:j|k|arrow)/i.test(event.key)) return;
      const handler = current.current[event.key];
      if (handler && handler() !== false) event.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [awake]);
}

/**
 * Keys for something that has not arrived yet: pressed meanwhile, they are pressed for it when it is there. What is returned
 * forgets them, for anyone who turns to something else: a key is never pressed for what it was not meant for.
 */
export function useKeysLater(late: boolean, keys: readonly string[], onKept?: (key: string) => void): () => void {
  const pressed = useRef<string[]>([]);
  const keep = (key: string) => {
    pressed.current.push(key);
    onKept?.(key);
  };
  useKeys(late ? Object.fromEntries(keys.map((key) => [key, () => keep(key)])) : {});
  useEffect(() => {
    if (late) return;
    for (const key of pressed.current.splice(0)) pressKept(key);
  }, [late]);
  return () => {
    pressed.current = [];
  };
}
