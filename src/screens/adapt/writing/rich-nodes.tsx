"use client";
import { mergeAttributes, Node, NodeViewWrapper, ReactNodeViewRenderer, type NodeViewProps } from "@tiptap/react";
import { cues, Cue, type CueName } from "@/screens/step/cue";
import { Maths } from "@/screens/step/maths-later";

/** What stands in a line of rich text besides letters: what to press, and maths. Both are one piece, moved and deleted whole. */

const InlineView = ({ node, selected }: NodeViewProps) => (
  <NodeViewWrapper as="span" className={selected ? "rounded ring-2 ring-green" : undefined}>
    {node.type.name === "cue" ? (
      <Cue cue={node.attrs.cue as CueName} />
    ) : (
      <Maths tex={String(node.attrs.tex)} spoken={String(node.attrs.spoken)} />
    )}
  </NodeViewWrapper>
);

function inlineNode(name: "cue" | "maths", attributes: Record<string, { default: string }>) {
  return Node.create({
    name,
    group: "inline",
    inline: true,
    atom: true,
    selectable: true,
    addAttributes: () => attributes,
    parseHTML: () => [{ tag: `span[data-${name}]` }],
    renderHTML: ({ HTMLAttributes }) => ["span", mergeAttributes(HTMLAttributes, { [`data-${name}`]: "" })],
    addNodeView: () => ReactNodeViewRenderer(InlineView),
  });
}

export const CueNode = inlineNode("cue", { cue: { default: Object.keys(cues)[0]! } });
export const MathsNode = inlineNode("maths", { tex: { default: "" }, spoken: { default: "" } });
