"use client";

/**
 * Keys typed between a single key that opens something to type into and the moment it is there. Without this, the letters of
 * the first word would be single keys themselves.
 *
 *     holdKeys();            // "a" was pressed: a field is on its way
 *     const { text } = takeKeys(); // the field has come: what was typed belongs to it
 */
interface Held {
  text: string;
  /** Enter was pressed at the end. */
  enter: boolean;
  stop: () => void;
}

let held: Held | null = null;
let pressing = false;

/** Presses a single key that was kept for something that has arrived now. */
export function pressKept(key: string): void {
  pressing = true;
  window.dispatchEvent(new KeyboardEvent("keydown", { key, cancelable: true }));
  pressing = false;
}

/** After this nothing will come any more, and keys are keys again. */
const MOST_MS = 8000;

const intoField = ({ target }: KeyboardEvent) =>
  target instanceof HTMLElement && (target.isContentEditable || /^(input|textarea|select)$/i.test(target.tagName));

export function holdKeys(): void {
  if (held) return;
  const onKey = (event: KeyboardEvent) => {
    // A key that was kept and is pressed for her now is no letter of hers.
    if (pressing || !held || event.ctrlKey || event.metaKey || event.altKey || intoField(event)) return;
    if (event.key === "Escape") return dropKeys();
    if (held.enter) return;
    if (event.key === "Enter") held.enter = true;
    else if (event.key === "Backspace") held.text = held.text.slice(0, -1);
    else if (event.key.length === 1) held.text += event.key;
    else return;
    event.preventDefault();
    event.stopImmediatePropagation();
  };
  const timer = setTimeout(dropKeys, MOST_MS);
  window.addEventListener("keydown", onKey, { capture: true });
  held = {
    text: "",
    enter: false,
    stop: () => {
      clearTimeout(timer);
      window.removeEventListener("keydown", onKey, { capture: true });
    },
  };
}

/** What was typed since, once. */
export function takeKeys(): { text: string; enter: boolean } {
  const { text, enter } = held ?? { text: "", enter: false };
  dropKeys();
  return { text, enter };
}

/** Nothing comes to type into after all. */
export function dropKeys(): void {
  held?.stop();
  held = null;
}
