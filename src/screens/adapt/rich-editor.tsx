"use client";
import { EditorContent, useEditor, type Editor } from "@tiptap/react";
import StarterKit from "@tiptap/starter-kit";
import { clsx } from "clsx";
import { Bold, Italic, List, ListOrdered } from "lucide-react";
import { useEffect, useRef } from "react";
import { RichText } from "@/core/resource/rich-text";
import { IconButton } from "@/ui/icon-button";

/** Only what the document model knows; what is pasted is reduced to it. */
const extensions = [
  StarterKit.configure({
    code: false,
    codeBlock: false,
    strike: false,
    horizontalRule: false,
    heading: { levels: [2, 3, 4] },
  }),
];

function Tools({ editor }: { editor: Editor }) {
  const tool = (name: string, mark: string, run: () => void, icon: React.ReactNode) => (
    <IconButton
      name={name}
      small
      aria-pressed={editor.isActive(mark)}
      onMouseDown={(event) => event.preventDefault()}
      onClick={run}
    >
      {icon}
    </IconButton>
  );
  return (
    <div
      className="absolute -top-8 right-0 z-10 hidden rounded-card border border-line bg-card shadow-soft group-focus-within:flex"
      role="toolbar"
      aria-label="Text"
    >
      {tool("Bold", "bold", () => editor.chain().focus().toggleBold().run(), <Bold size={15} aria-hidden />)}
      {tool("Italic", "italic", () => editor.chain().focus().toggleItalic().run(), <Italic size={15} aria-hidden />)}
      {tool(
        "List",
        "bulletList",
        () => editor.chain().focus().toggleBulletList().run(),
        <List size={15} aria-hidden />,
      )}
      {tool(
        "Numbered list",
        "orderedList",
        () => editor.chain().focus().toggleOrderedList().run(),
        <ListOrdered size={15} aria-hidden />,
      )}
    </div>
  );
}

/** Rich text edited where it stands. `value` changing from outside (undo) is taken over. */
export function RichEditor({
  label,
  value,
  placeholder,
  onChange,
  className,
}: {
  label: string;
  value: RichText | undefined;
  placeholder?: string;
  onChange: (value: RichText) => void;
  className?: string;
}) {
  const last = useRef(value);
  const editor = useEditor({
    extensions,
    content: value ?? "",
    immediatelyRender: false,
    editorProps: { attributes: { role: "textbox", "aria-multiline": "true", "aria-label": label, class: "px-1" } },
    onUpdate: ({ editor: changed }) => {
      const parsed = RichText.safeParse(changed.getJSON());
      if (!parsed.success) return;
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
      {editor && <Tools editor={editor} />}
      {placeholder && editor?.isEmpty && (
        <span aria-hidden className="pointer-events-none absolute left-1 text-ink-soft">
          {placeholder}
        </span>
      )}
      <EditorContent editor={editor} className="rich" />
    </div>
  );
}
