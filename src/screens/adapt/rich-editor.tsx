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

/**
 * What is pasted, without anything that could run or load while it is read. The document keeps only what it knows anyway;
 * but on the way there a browser would look at pictures and handlers.
 */
function inert(html: string): string {
  const read = new DOMParser().parseFromString(html, "text/html");
  for (const element of read.querySelectorAll("script, style, img, iframe, object, embed, link, meta"))
    element.remove();
  for (const element of read.querySelectorAll("*"))
    for (const { name } of [...element.attributes])
      if (!["href", "data-pm-slice", "start", "data-cue", "data-maths", "cue", "tex", "spoken"].includes(name))
        element.removeAttribute(name);
  return read.body.innerHTML;
}

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
      transformPastedHTML: inert,
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
