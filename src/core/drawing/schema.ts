import { z } from "zod";
import { inks } from "../content/vocabulary";
import { TextByLanguage } from "../content/schema/language";
import { MediaReference } from "../content/schema/media-reference";
import { drawingMost, fills, PAGE_WIDTH, shapeForms } from "./vocabulary";

/**
 * A drawing a teacher made, as data: a page of things in the order they were put down, the last on top. Places and
 * sizes are in units of the page, which is always 1000 wide; y goes down. Never markup: it is drawn by our own renderer
 * from these numbers, and words are only ever text.
 */
const PlaceOnPage = z
  .number()
  .min(-4 * PAGE_WIDTH)
  .max(5 * PAGE_WIDTH);
const Size = z
  .number()
  .min(4)
  .max(2 * PAGE_WIDTH);
const Degrees = z.number().min(-360).max(360);
const Point = z.tuple([PlaceOnPage, PlaceOnPage]);

const drawn = {
  id: z.string().regex(/^[A-Za-z0-9_-]{1,40}$/, "An id is 1 to 40 letters, digits, - or _"),
  ink: z.enum(inks),
};
const Thickness = z.number().min(1).max(30);

const Shape = z.object({
  ...drawn,
  type: z.literal("shape"),
  form: z.enum(shapeForms),
  /** The upper left corner before it is turned around its middle. */
  x: PlaceOnPage,
  y: PlaceOnPage,
  width: Size,
  height: Size,
  turn: Degrees.default(0),
  fill: z.enum(fills),
  thick: Thickness,
});

/** A straight line; with heads it is an arrow. */
const Line = z.object({
  ...drawn,
  type: z.literal("line"),
  from: Point,
  to: Point,
  heads: z.enum(["none", "end", "both"]),
  dashed: z.boolean().default(false),
  thick: Thickness,
});

const Words = z.object({
  ...drawn,
  type: z.literal("words"),
  /** Where the first line begins, at its upper edge. */
  x: PlaceOnPage,
  y: PlaceOnPage,
  /** Height of a letter's line. */
  size: z.number().min(12).max(200),
  turn: Degrees.default(0),
  text: TextByLanguage,
});

const Pen = z.object({
  ...drawn,
  type: z.literal("pen"),
  /** x and y in turn. */
  points: z.array(PlaceOnPage).min(4).max(drawingMost.penNumbers),
  thick: Thickness,
});

const DrawnItem = z.discriminatedUnion("type", [Shape, Line, Words, Pen]);
export type DrawnItem = z.infer<typeof DrawnItem>;
export type DrawnItemOf<Type extends DrawnItem["type"]> = Extract<DrawnItem, { type: Type }>;

export const Drawing = z.object({
  /** Of the page, in the same units as its width of 1000. */
  height: z
    .number()
    .min(200)
    .max(2 * PAGE_WIDTH),
  /** What lies under it, filling the page. */
  over: MediaReference.optional(),
  /** Description, for anyone who cannot see it. */
  description: TextByLanguage,
  items: z
    .array(DrawnItem)
    .max(drawingMost.items, `${drawingMost.items} things are the most a drawing can have.`)
    .default([]),
});
export type Drawing = z.infer<typeof Drawing>;
