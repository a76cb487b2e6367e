import { z } from "zod";
import { mayLinkTo } from "../vocabulary";

/**
 * Rich text as ProseMirror JSON with a closed list of nodes. HTML is never stored, so there is nothing to smuggle a
 * script in with: a node, mark or link that is not on the list fails validation.
 */

const Href = z.string().refine(mayLinkTo, "A link starts with https://, http:// or mailto:");

const Mark = z.discriminatedUnion("type", [
  z.object({ type: z.literal("bold") }),
  z.object({ type: z.literal("italic") }),
  z.object({ type: z.literal("underline") }),
  z.object({ type: z.literal("link"), attrs: z.object({ href: Href }) }),
]);

/** What a child presses for a kind of answer; shown as a small picture with its word. */
export const ResponseCue = z.enum(["type", "choose", "drag", "draw", "record", "photograph", "listen"]);

const Inline = z.discriminatedUnion("type", [
  z.object({ type: z.literal("text"), text: z.string().min(1).max(20_000), marks: z.array(Mark).max(4).optional() }),
  z.object({ type: z.literal("hardBreak") }),
  z.object({ type: z.literal("cue"), attrs: z.object({ cue: ResponseCue }) }),
  z.object({ type: z.literal("maths"), attrs: z.object({ tex: z.string().max(2000), spoken: z.string().max(2000) }) }),
]);

const Paragraph = z.object({ type: z.literal("paragraph"), content: z.array(Inline).optional() });
const Heading = z.object({
  type: z.literal("heading"),
  attrs: z.object({ level: z.number().int().min(2).max(4) }),
  content: z.array(Inline).optional(),
});

export type RichBlock =
  | z.infer<typeof Paragraph>
  | z.infer<typeof Heading>
  | { type: "bulletList"; content: RichListItem[] }
  | { type: "orderedList"; attrs?: { start?: number | undefined } | undefined; content: RichListItem[] }
  | { type: "blockquote"; content: RichBlock[] };
export interface RichListItem {
  type: "listItem";
  content: RichBlock[];
}

const Block: z.ZodType<RichBlock> = z.lazy(() =>
  z.discriminatedUnion("type", [
    Paragraph,
    Heading,
    z.object({ type: z.literal("bulletList"), content: z.array(ListItem).min(1) }),
    z.object({
      type: z.literal("orderedList"),
      attrs: z.object({ start: z.number().int().optional() }).optional(),
      content: z.array(ListItem).min(1),
    }),
    z.object({ type: z.literal("blockquote"), content: z.array(Block).min(1) }),
  ]),
);
const ListItem: z.ZodType<RichListItem> = z.lazy(() =>
  z.object({ type: z.literal("listItem"), content: z.array(Block).min(1) }),
);

export const RichText = z.object({ type: z.literal("doc"), content: z.array(Block).max(2000) });
export type RichText = z.infer<typeof RichText>;
export type RichInline = z.infer<typeof Inline>;
