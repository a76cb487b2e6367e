"use client";
import { EditorContent, useEditor } from "@tiptap/react";
import StarterKit from "@tiptap/starter-kit";
import { clsx } from "clsx";
import { useEffect, useMemo, useRef, useState } from "react";
import type { RichText } from "@/core/resource/rich-text";
import { mayLinkTo } from "@/core/resource/vocabulary";
import { tellProblem } from "@/ui/toast";
import { CueNode, MathsNode } from "./rich-nodes";
import { RichTools } from "./rich-tools";

/** Only what the document model knows; what is pasted is reduced to it. */
const extensions = [
  StarterKit.configure({
    code: false,
    codeBlock: false,
    strike: false,
    horizontalRule: false,
    heading: { levels: [2, 3, 4] },
    link: { openOnClick: false, isAllowedUri: mayLinkTo, HTMLAttributes: { rel: "noreferrer", target: null } },
  }),
  CueNode,
  MathsNode,
];

/** Read when somebody writes: to be looked at, a page needs none of what checks it. */
const schema = () => import("@/core/resource/schema/rich-text");

/** Rich text edited where it stands. `value` changing from outside (undo) is taken over. */
export function RichEditor({
  label,
  value,
  placeholder,
  onChange,
  className,
  withCues = false,
  focused = false,
}: {
  label: string;
  value: RichText | undefined;
  placeholder?: string;
  onChange: (value: RichText) => void;
  className?: string;
  /** Whether pictures of what to press can be put in. */
  withCues?: boolean;
  /** Whether writing goes on here at once: it was just asked for. */
  focused?: boolean;
}) {
  const last = useRef(value);
  // A page has many of these and writes in one: tools are made where somebody has begun to write.
  const [used, setUsed] = useState(false);
  const changed = useRef(onChange);
  useEffect(() => {
    changed.current = onChange;
  });
  // The same objects at every rendering: otherwise every editor of the page is set up anew with every key.
  const [content] = useState(() => value ?? "");
  const editorProps = useMemo(
    () => ({ attributes: { role: "textbox", "aria-multiline": "true", "aria-label": label, class: "px-1" } }),
    [label],
  );
  const editor = useEditor({
    extensions,
    content,
    autofocus: focused && "end",
    immediatelyRender: false,
    editorProps,
    onUpdate: ({ editor: now }) => {
      const json: unknown = now.getJSON();
      schema().then(
        ({ RichText }) => {
          const parsed = RichText.safeParse(json);
          if (!parsed.success)
            return tellProblem("This part cannot be kept here, so it was not taken over. What was there is.");
          last.current = parsed.data;
          changed.current(parsed.data);
        },
        // The whole text is taken over with the next key that can be.
        () => tellProblem("No network just now: what you write here is not kept yet. Write on when it is back."),
      );
    },
  });
  useEffect(() => {
    if (!editor || value === last.current) return;
    last.current = value;
    editor.commands.setContent(value ?? "", { emitUpdate: false });
  }, [editor, value]);
  return (
    <div
      onFocus={() => {
        setUsed(true);
        schema().catch(() => undefined);
      }}
      className={clsx(
        "group relative rounded-[4px] ring-line hover:ring-1 focus-within:ring-2 focus-within:ring-green",
        className,
      )}
    >
      {editor && used && <RichTools editor={editor} withCues={withCues} />}
      {placeholder && editor?.isEmpty && (
        <span aria-hidden className="pointer-events-none absolute left-1 text-ink-soft">
          {placeholder}
        </span>
      )}
      <EditorContent editor={editor} className="rich" />
    </div>
  );
}
