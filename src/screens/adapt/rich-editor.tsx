"use client";
import { EditorContent, useEditor } from "@tiptap/react";
import StarterKit from "@tiptap/starter-kit";
import { clsx } from "clsx";
import { useEffect, useRef } from "react";
import { mayLinkTo, RichText } from "@/core/resource/rich-text";
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

/** Rich text edited where it stands. `value` changing from outside (undo) is taken over. */
export function RichEditor({
  label,
  value,
  placeholder,
  onChange,
  className,
  withCues = false,
}: {
  label: string;
  value: RichText | undefined;
  placeholder?: string;
  onChange: (value: RichText) => void;
  className?: string;
  /** Whether pictures of what to press can be put in. */
  withCues?: boolean;
}) {
  const last = useRef(value);
  const editor = useEditor({
    extensions,
    content: value ?? "",
    immediatelyRender: false,
    editorProps: {
      attributes: { role: "textbox", "aria-multiline": "true", "aria-label": label, class: "px-1" },
    },
    onUpdate: ({ editor: changed }) => {
      const parsed = RichText.safeParse(changed.getJSON());
      if (!parsed.success)
        return tellProblem("This part cannot be kept here, so it was not taken over. What was there is.");
      last.current = parsed.data;
      onChange(parsed.data);
    },
  });
  useEffect(() => {
    if (!editor || value === last.current) return;
    last.current = value;
    editor.commands.setContent(value ?? "", { emitUpdate: false });
  }, [editor, value]);
  return (
    <div
      className={clsx(
        "group relative rounded-[4px] ring-line hover:ring-1 focus-within:ring-2 focus-within:ring-green",
        className,
      )}
    >
      {editor && <RichTools editor={editor} withCues={withCues} />}
      {placeholder && editor?.isEmpty && (
        <span aria-hidden className="pointer-events-none absolute left-1 text-ink-soft">
          {placeholder}
        </span>
      )}
      <EditorContent editor={editor} className="rich" />
    </div>
  );
}
