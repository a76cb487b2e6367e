import katex from "katex";
import type { RichBlock, RichInline, RichListItem, RichText } from "@/core/content/schema/rich-text";
import { element, inQuotes, type Element, type Markup } from "../markup";

/** A formula as MathML; as it is read aloud where it cannot be set. */
export function mathMarkup(tex: string, spoken: string, block = false): Markup {
  try {
    const written = katex.renderToString(tex, { output: "mathml", displayMode: block, throwOnError: true });
    // Only the formula itself: what stands around it is for a stylesheet that is not there.
    const formula = written.replace(/^<span class="katex">/, "").replace(/<\/span>$/, "");
    return { written: spoken ? formula.replace("<math ", `<math alttext="${inQuotes(spoken)}" `) : formula };
  } catch {
    return spoken || tex;
  }
}

const names = { bold: "strong", italic: "em", underline: "span" } as const;

function inline(part: RichInline): Markup | null {
  switch (part.type) {
    case "hardBreak":
      return element("br");
    case "cue":
      return null;
    case "maths":
      return mathMarkup(part.attrs.tex, part.attrs.spoken);
    case "text":
      return (part.marks ?? []).reduce<Markup>(
        (inside, mark) =>
          mark.type === "link"
            ? element("a", { href: mark.attrs.href }, inside)
            : element(names[mark.type], mark.type === "underline" ? { class: "underlined" } : {}, inside),
        part.text,
      );
  }
}

const inlines = (content: readonly RichInline[] | undefined) => (content ?? []).map(inline);
const item = ({ content }: RichListItem): Element => element("li", {}, ...content.map(blockMarkup));

function blockMarkup(block: RichBlock): Element {
  switch (block.type) {
    case "paragraph":
      return element("p", {}, ...inlines(block.content));
    case "heading":
      return element(`h${block.attrs.level}`, {}, ...inlines(block.content));
    case "bulletList":
      return element("ul", {}, ...block.content.map(item));
    case "orderedList":
      return element("ol", { start: block.attrs?.start }, ...block.content.map(item));
    case "blockquote":
      return element("blockquote", {}, ...block.content.map(blockMarkup));
  }
}

/** Rich text as XHTML: only what QTI and EPUB have too. */
export const richMarkup = (rich: RichText | undefined): Element[] => (rich?.content ?? []).map(blockMarkup);
