"use client";
import { Selection } from "@tiptap/pm/state";
import { EditorContent, useEditor, useEditorState } from "@tiptap/react";
import StarterKit from "@tiptap/starter-kit";
import { clsx } from "clsx";
import { useEffect, useLayoutEffect, useMemo, useRef, useState } from "react";
import { RichText } from "@/core/content/schema/rich-text";
import { mayLinkTo } from "@/core/content/vocabulary";
import { tellProblem } from "@/ui/toast";
import { richFrame, type Beginning, type RichEditorProps } from "./rich-editor-props";
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
 * Writes in rich text, see rich-editor.tsx. What checks a text comes along with what writes it: a key is kept at once.
 * `value` changing from outside (undo) is taken over.
 */
export function RichWriting({
  label,
  value,
  placeholder,
  onChange,
  className,
  withCues = false,
  beginning,
}: RichEditorProps & { beginning: Beginning }) {
  // What was written here and has not come back as `value` yet: keys may be quicker than the page is drawn.
  const sent = useRef<RichText[]>([]);
  const shown = useRef(value);
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
    // Made in the browser only, and ready at once: anyone who has the focus goes on writing.
    immediatelyRender: true,
    editorProps,
    onUpdate: ({ editor: now }) => {
      const parsed = RichText.safeParse(now.getJSON());
      if (!parsed.success) return tellProblem("This part could not be pasted here. What was there is unchanged.");
      sent.current.push(parsed.data);
      changed.current(parsed.data);
    },
  });
  // Asked of the editor as it changes: read while drawing, the compiler would remember the first answer.
  const empty = useEditorState({ editor, selector: ({ editor: now }) => now.isEmpty });
  const begin = useRef<Beginning | null>(beginning);
  useLayoutEffect(() => {
    const from = begin.current;
    begin.current = null;
    if (!from?.focused) return;
    const { at, keys } = from;
    setUsed(true);
    const { doc, tr } = editor.state;
    const pressed = at && editor.view.posAtCoords(at);
    editor.view.dispatch(tr.setSelection(pressed ? Selection.near(doc.resolve(pressed.pos)) : Selection.atEnd(doc)));
    editor.view.focus();
    for (const key of keys) {
      if (key.length === 1) editor.view.dispatch(editor.state.tr.insertText(key));
      else editor.commands.keyboardShortcut(key);
    }
  }, [editor]);
  useEffect(() => {
    if (value === shown.current) return;
    shown.current = value;
    const echo = value ? sent.current.indexOf(value) : -1;
    sent.current = echo < 0 ? [] : sent.current.slice(echo + 1);
    // Set anew, the caret would jump to the end.
    if (echo >= 0) return;
    editor.commands.setContent(value ?? "", { emitUpdate: false });
  }, [editor, value]);
  return (
    <div onFocus={() => setUsed(true)} className={clsx(richFrame, className)}>
      {used && <RichTools editor={editor} withCues={withCues} />}
      {placeholder && empty && (
        <span aria-hidden className="pointer-events-none absolute left-1 text-ink-soft">
          {placeholder}
        </span>
      )}
      <EditorContent editor={editor} className="rich" />
    </div>
  );
}
