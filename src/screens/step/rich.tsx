import type { ReactNode } from "react";
import { Cue } from "./cue";
import { Worded } from "./glossary";
import { Maths } from "./maths-later";
import type { RichBlock, RichInline, RichListItem, RichText } from "@/core/content/schema/rich-text";

function inline(node: RichInline, key: number): ReactNode {
  switch (node.type) {
    case "hardBreak":
      return <br key={key} />;
    case "cue":
      return <Cue key={key} cue={node.attrs.cue} />;
    case "maths":
      return <Maths key={key} tex={node.attrs.tex} spoken={node.attrs.spoken} />;
    case "text":
      return (node.marks ?? []).reduce<ReactNode>(
        (inner, mark) => {
          if (mark.type === "bold") return <strong key={key}>{inner}</strong>;
          if (mark.type === "italic") return <em key={key}>{inner}</em>;
          if (mark.type === "underline") return <u key={key}>{inner}</u>;
          return (
            <a key={key} href={mark.attrs.href} rel="noreferrer" target="_blank">
              {inner}
            </a>
          );
        },
        <span key={key}>
          <Worded text={node.text} />
        </span>,
      );
  }
}

function block(node: RichBlock | RichListItem, key: number): ReactNode {
  switch (node.type) {
    case "paragraph":
      return <p key={key}>{node.content?.map(inline)}</p>;
    case "heading":
      return (
        <p key={key} className="font-semibold">
          {node.content?.map(inline)}
        </p>
      );
    case "bulletList":
      return <ul key={key}>{node.content.map(block)}</ul>;
    case "orderedList":
      return (
        <ol key={key} start={node.attrs?.start}>
          {node.content.map(block)}
        </ol>
      );
    case "blockquote":
      return <blockquote key={key}>{node.content.map(block)}</blockquote>;
    case "listItem":
      return <li key={key}>{node.content.map(block)}</li>;
  }
}

/** Rich text as it is read. Only what the document model knows can appear: there is no HTML in it. */
export function Rich({ text, className = "" }: { text: RichText | undefined; className?: string }) {
  if (!text) return null;
  return <div className={`rich ${className}`}>{text.content.map(block)}</div>;
}
