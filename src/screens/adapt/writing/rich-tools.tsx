"use client";
import type { Editor } from "@tiptap/react";
import { useEditorState } from "@tiptap/react";
import { Bold, Heading2, Italic, Link as LinkIcon, List, ListOrdered, Mic, Sigma, Underline } from "lucide-react";
import dynamic from "next/dynamic";
import { Boundary } from "@/ui/later";
import { useState, type ReactNode } from "react";
import { mayLinkTo } from "@/core/content/vocabulary";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { Field, TextInput } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { Menu, MenuItem } from "@/ui/menu";
import { cues, type CueName } from "@/screens/step/cue";

const MathsField = dynamic(() => import("../editors/maths-field").then((part) => part.MathsField), {
  ssr: false,
  loading: () => <p className="text-ink-soft">One moment …</p>,
});

function LinkDialog({ editor, open, onOpen }: { editor: Editor; open: boolean; onOpen: (open: boolean) => void }) {
  const [address, setAddress] = useState<string | null>(null);
  const there = String(editor.getAttributes("link").href ?? "");
  const value = address ?? there;
  const good = mayLinkTo(value);
  const close = () => {
    setAddress(null);
    onOpen(false);
  };
  const put = () => {
    const chain = editor.chain().focus().extendMarkRange("link");
    if (editor.state.selection.empty && !there) {
      chain.insertContent({ type: "text", text: value, marks: [{ type: "link", attrs: { href: value } }] }).run();
    } else chain.setLink({ href: value }).run();
    close();
  };
  return (
    <Dialog open={open} onOpenChange={(next) => (next ? onOpen(true) : close())} title="Add a link">
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          event.stopPropagation();
          if (good) put();
        }}
      >
        <Field label="Address" problem={value && !good ? "A link starts with https://, http:// or mailto:" : undefined}>
          {(control) => (
            <TextInput
              {...control}
              value={value}
              placeholder="https://"
              onChange={(event) => setAddress(event.target.value)}
            />
          )}
        </Field>
        <div className="flex justify-end gap-2">
          {there && (
            <Button
              onClick={() => {
                editor.chain().focus().extendMarkRange("link").unsetLink().run();
                close();
              }}
            >
              No link
            </Button>
          )}
          <Button type="submit" look="main" disabled={!good}>
            Put it in
          </Button>
        </div>
      </form>
    </Dialog>
  );
}

function MathsDialog({ editor, open, onOpen }: { editor: Editor; open: boolean; onOpen: (open: boolean) => void }) {
  const [maths, setMaths] = useState({ tex: "", spoken: "" });
  return (
    <Dialog open={open} onOpenChange={onOpen} title="Maths in the line">
      <div className="grid gap-4">
        <Boundary>
          <MathsField value="" onTex={(tex, spoken) => setMaths({ tex, spoken })} />
        </Boundary>
        <div className="flex justify-end">
          <Button
            look="main"
            disabled={!maths.tex.trim()}
            onClick={() => {
              editor.chain().focus().insertContent({ type: "maths", attrs: maths }).run();
              onOpen(false);
            }}
          >
            Put it in
          </Button>
        </div>
      </div>
    </Dialog>
  );
}

/** What can be done to the text, shown while somebody writes in it. */
export function RichTools({ editor, withCues }: { editor: Editor; withCues: boolean }) {
  const [asking, setAsking] = useState<"link" | "maths" | null>(null);
  const on = useEditorState({
    editor,
    selector: ({ editor: now }) => ({
      bold: now.isActive("bold"),
      italic: now.isActive("italic"),
      underline: now.isActive("underline"),
      heading: now.isActive("heading"),
      bulletList: now.isActive("bulletList"),
      orderedList: now.isActive("orderedList"),
      link: now.isActive("link"),
    }),
  });
  const tool = (name: string, pressed: boolean, run: () => void, icon: ReactNode) => (
    <IconButton name={name} small aria-pressed={pressed} onMouseDown={(event) => event.preventDefault()} onClick={run}>
      {icon}
    </IconButton>
  );
  const chain = () => editor.chain().focus();
  return (
    <>
      <div
        className="absolute -top-8 left-0 z-10 hidden rounded-card border border-line bg-card shadow-soft group-focus-within:flex has-[[aria-expanded=true]]:flex"
        role="toolbar"
        aria-label="Text"
      >
        {tool("Bold", on.bold, () => chain().toggleBold().run(), <Bold size={15} aria-hidden />)}
        {tool("Italic", on.italic, () => chain().toggleItalic().run(), <Italic size={15} aria-hidden />)}
        {tool("Underline", on.underline, () => chain().toggleUnderline().run(), <Underline size={15} aria-hidden />)}
        {tool(
          "Heading",
          on.heading,
          () => chain().toggleHeading({ level: 2 }).run(),
          <Heading2 size={15} aria-hidden />,
        )}
        {tool("List", on.bulletList, () => chain().toggleBulletList().run(), <List size={15} aria-hidden />)}
        {tool(
          "Numbered list",
          on.orderedList,
          () => chain().toggleOrderedList().run(),
          <ListOrdered size={15} aria-hidden />,
        )}
        {tool("Link", on.link, () => setAsking("link"), <LinkIcon size={15} aria-hidden />)}
        {tool("Maths in the line", false, () => setAsking("maths"), <Sigma size={15} aria-hidden />)}
        {withCues && (
          <Menu trigger={tool("What to press", false, () => undefined, <Mic size={15} aria-hidden />)}>
            {(Object.keys(cues) as CueName[]).map((cue) => {
              const { icon: Icon, word } = cues[cue];
              return (
                <MenuItem key={cue} onSelect={() => chain().insertContent({ type: "cue", attrs: { cue } }).run()}>
                  <Icon size={16} aria-hidden /> {word}
                </MenuItem>
              );
            })}
          </Menu>
        )}
      </div>
      <LinkDialog editor={editor} open={asking === "link"} onOpen={(open) => setAsking(open ? "link" : null)} />
      <MathsDialog editor={editor} open={asking === "maths"} onOpen={(open) => setAsking(open ? "maths" : null)} />
    </>
  );
}
