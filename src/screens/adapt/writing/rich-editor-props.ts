import type { RichText } from "@/core/content/rich-text";

export interface RichEditorProps {
  label: string;
  value: RichText | undefined;
  placeholder?: string;
  onChange: (value: RichText) => void;
  className?: string;
  /** Whether pictures of what to press can be put in. */
  withCues?: boolean;
  /** Whether writing goes on here at once: it was just asked for. */
  focused?: boolean;
}

/** How writing begins: whether the text has the focus, where it was pressed, and which keys were pressed meanwhile. */
export interface Beginning {
  focused: boolean;
  at: { left: number; top: number } | null;
  keys: readonly string[];
}

/** The same around a text that is read and one that is written in: nothing moves when the one becomes the other. */
export const richFrame =
  "group relative rounded-[4px] ring-line hover:ring-1 focus-within:ring-2 focus-within:ring-green";
