import type { RichBlock, RichInline, RichListItem, RichText } from "./schema/rich-text";

export type { RichInline, RichText } from "./schema/rich-text";

/** `isRichText("tide")` gives `false`. */
export const isRichText = (value: unknown): value is RichText =>
  typeof value === "object" && value !== null && (value as RichText).type === "doc";

/**
 * Plain paragraphs as rich text: a blank line starts a new paragraph, `*word*` is bold.
 * `richText("*Low* water")` gives `{ type: "doc", content: [{ type: "paragraph", content: [{ type: "text", text: "Low", marks: [{ type: "bold" }] }, { type: "text", text: " water" }] }] }`.
 */
export function richText(plain: string): RichText {
  const paragraphs = plain
    .trim()
    .split(/\n\s*\n/)
    .map((text) =>
      text
        .split("\n")
        .map((line) => line.trim())
        .join(" ")
        .trim(),
    )
    .filter(Boolean);
  return {
    type: "doc",
    content: paragraphs.map((text) => ({
      type: "paragraph",
      content: text
        .split(/(\*[^*]+\*)/)
        .filter(Boolean)
        .map((part) =>
          /^\*[^*]+\*$/.test(part)
            ? { type: "text" as const, text: part.slice(1, -1), marks: [{ type: "bold" as const }] }
            : { type: "text" as const, text: part },
        ),
    })),
  };
}

const inlineText = (inline: RichInline): string =>
  inline.type === "text"
    ? inline.text
    : inline.type === "hardBreak"
      ? "\n"
      : inline.type === "maths"
        ? inline.attrs.spoken
        : "";

const blockText = (block: RichBlock | RichListItem): string =>
  block.type === "paragraph" || block.type === "heading"
    ? (block.content ?? []).map(inlineText).join("")
    : block.content.map(blockText).join("\n");

/** The words alone, a paragraph a line. `plainText(richText("High *tide*."))` gives `"High tide."`. */
export function plainText(rich: RichText | undefined): string {
  return rich ? rich.content.map(blockText).join("\n") : "";
}

/** `isBlank(richText(""))` gives `true`. */
export function isBlank(rich: RichText | undefined): boolean {
  return plainText(rich).trim() === "";
}
