import type { Drawing, DrawnItem, DrawnItemOf } from "./schema";
import { drawingMost, PAGE_WIDTH, pageHeights, type PageForm } from "./vocabulary";

export type { Drawing, DrawnItem, DrawnItemOf } from "./schema";

/**
 * What can be done with a drawing: pure, each gives a new one, so undo is the one before. Drawing with the mouse
 * and with the keys goes through the same functions.
 */

export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** An empty page. `newDrawing().items` gives `[]`. */
export const newDrawing = (form: PageForm = "sheet"): Drawing => ({
  height: pageHeights[form],
  description: {},
  items: [],
});

/** What the tools put down: in the middle of the page, each a little aside of the one before. */
export const drawnTools = ["rectangle", "ellipse", "triangle", "line", "arrow", "words"] as const;
export type DrawnTool = (typeof drawnTools)[number];

/** What a tool puts down, a little aside of the one before. `newItem("arrow", newDrawing(), "en", "a").heads` gives `"end"`. */
export function newItem(tool: DrawnTool, { height, items }: Drawing, language: string, id: string): DrawnItem {
  const aside = (items.length % 6) * 24;
  const [x, y] = [PAGE_WIDTH / 2 + aside, height / 2 + aside];
  const ink = "black" as const;
  switch (tool) {
    case "line":
    case "arrow":
      return {
        ...{ id, ink, type: "line", thick: 5, dashed: false },
        from: [x - 120, y],
        to: [x + 120, y],
        heads: tool === "arrow" ? "end" : "none",
      };
    case "words":
      return { id, ink, type: "words", x: x - 60, y: y - 24, size: 48, turn: 0, text: { [language]: "" } };
    default:
      return {
        ...{ id, ink, type: "shape", form: tool, turn: 0, fill: "none", thick: 5 },
        ...{ x: x - 110, y: y - 80, width: 220, height: 160 },
      };
  }
}

/**
 * `withItem(newDrawing(), newItem("arrow", newDrawing(), "en", "a")).items.length` gives `1`.
 * @returns the drawing as it was when it has as many things as it may
 */
export const withItem = (drawing: Drawing, item: DrawnItem): Drawing =>
  drawing.items.length >= drawingMost.items ? drawing : { ...drawing, items: [...drawing.items, item] };

/**
 * The drawing with a thing of the same id in its place.
 * `replaceItem(drawing, { ...drawing.items[0], ink: "blue" }).items[0].ink` gives `"blue"`.
 */
export const replaceItem = (drawing: Drawing, item: DrawnItem): Drawing => ({
  ...drawing,
  items: drawing.items.map((one) => (one.id === item.id ? item : one)),
});

/** `removeItem(newDrawing(), "a").items` gives `[]`. */
export const removeItem = (drawing: Drawing, id: string): Drawing => ({
  ...drawing,
  items: drawing.items.filter((one) => one.id !== id),
});

/** One place up or down in what lies over what. `raiseItem(drawing, "a", 1).items.map(({ id }) => id)` gives `["b", "a"]`. */
export function raiseItem(drawing: Drawing, id: string, by: -1 | 1): Drawing {
  const at = drawing.items.findIndex((one) => one.id === id);
  const to = at + by;
  if (at < 0 || to < 0 || to >= drawing.items.length) return drawing;
  const items = [...drawing.items];
  [items[at], items[to]] = [items[to]!, items[at]!];
  return { ...drawing, items };
}

/** The same thing again under an id of its own, a little aside. `copyOf(newItem("arrow", newDrawing(), "en", "a"), "b").id` gives `"b"`. */
export const copyOf = (item: DrawnItem, id: string): DrawnItem => ({ ...movedBy(item, 30, 30), id });

const shifted = (points: readonly number[], dx: number, dy: number): number[] =>
  points.map((one, at) => one + (at % 2 === 0 ? dx : dy));

function movedBy(item: DrawnItem, dx: number, dy: number): DrawnItem {
  switch (item.type) {
    case "line":
      return {
        ...item,
        from: [item.from[0] + dx, item.from[1] + dy],
        to: [item.to[0] + dx, item.to[1] + dy],
      };
    case "pen":
      return { ...item, points: shifted(item.points, dx, dy) };
    default:
      return { ...item, x: item.x + dx, y: item.y + dy };
  }
}

/** Common practice for letters a little wider than they are narrow; only for finding where words lie. */
const LETTER_WIDTH = 0.55;
export const LINE_HEIGHT = 1.3;

/**
 * Where a thing lies before it is turned.
 * `boxOf(newItem("arrow", newDrawing(), "en", "a"))` gives `{ x: 380, y: 375, width: 240, height: 0 }`.
 */
export function boxOf(item: DrawnItem): Box {
  switch (item.type) {
    case "shape":
      return { x: item.x, y: item.y, width: item.width, height: item.height };
    case "line":
      return around([...item.from, ...item.to]);
    case "pen":
      return around(item.points);
    case "words": {
      const lines = Object.values(item.text).flatMap((text) => text.split("\n"));
      const longest = Math.max(1, ...lines.map((line) => line.length));
      const many = Math.max(1, ...Object.values(item.text).map((text) => text.split("\n").length));
      return {
        x: item.x,
        y: item.y,
        width: longest * item.size * LETTER_WIDTH,
        height: many * item.size * LINE_HEIGHT,
      };
    }
  }
}

function around(points: readonly number[]): Box {
  const xs = points.filter((_, at) => at % 2 === 0);
  const ys = points.filter((_, at) => at % 2 === 1);
  const [x, y] = [Math.min(...xs), Math.min(...ys)];
  return { x, y, width: Math.max(...xs) - x, height: Math.max(...ys) - y };
}

/** Of a thing, this much must stay on the page to be found again. */
const STAYS = 20;

/**
 * Moved, but never so far that it is off the page and lost.
 * `moveItem(newItem("arrow", newDrawing(), "en", "a"), 10, 0, newDrawing()).from` gives `[390, 375]`.
 */
export function moveItem(item: DrawnItem, dx: number, dy: number, { height }: Pick<Drawing, "height">): DrawnItem {
  const box = boxOf(item);
  const within = (by: number, at: number, size: number, page: number) =>
    Math.max(STAYS - Math.min(size, 2 * PAGE_WIDTH) - at, Math.min(page - STAYS - at, by));
  return movedBy(
    item,
    Math.round(within(dx, box.x, box.width, PAGE_WIDTH)),
    Math.round(within(dy, box.y, box.height, height)),
  );
}

const between = (least: number, value: number, most: number) => Math.max(least, Math.min(most, value));

/** A line may lead off the page, but not without end. */
const onOrNear = (at: number) => between(-PAGE_WIDTH / 2, at, 2 * PAGE_WIDTH);

/**
 * Larger or smaller from its upper left corner. Words change their size as a whole; a line its end.
 * `stretchItem(drawing.items[1], 10, 0).width - drawing.items[1].width` gives `10`.
 * @param dx, dy what is added to its width and its height, in units of the page
 */
export function stretchItem(item: DrawnItem, dx: number, dy: number): DrawnItem {
  switch (item.type) {
    case "shape":
      return {
        ...item,
        width: between(4, item.width + dx, 2 * PAGE_WIDTH),
        height: between(4, item.height + dy, 2 * PAGE_WIDTH),
      };
    case "words":
      return { ...item, size: between(12, item.size + (dy || dx), 200) };
    case "line":
      return { ...item, to: [onOrNear(item.to[0] + dx), onOrNear(item.to[1] + dy)] };
    case "pen": {
      const box = boxOf(item);
      const across = box.width < 1 ? 1 : between(4, box.width + dx, 2 * PAGE_WIDTH) / box.width;
      const down = box.height < 1 ? 1 : between(4, box.height + dy, 2 * PAGE_WIDTH) / box.height;
      const points = item.points.map((one, at) =>
        Math.round(at % 2 === 0 ? box.x + (one - box.x) * across : box.y + (one - box.y) * down),
      );
      return { ...item, points };
    }
  }
}

/** What can be turned around its middle; a line is turned by its ends. `turns(newItem("arrow", newDrawing(), "en", "a"))` gives `false`. */
export const turns = (item: DrawnItem): item is DrawnItemOf<"shape"> | DrawnItemOf<"words"> =>
  item.type === "shape" || item.type === "words";

/**
 * A line of the pen without the points that add nothing: as good to look at, and a tenth of the data.
 * `penPoints([0, 0, 1, 1, 10, 10])` gives `[0, 0, 10, 10]`.
 */
export function penPoints(raw: readonly number[]): number[] {
  const rounded = raw.map(Math.round);
  const kept: number[] = rounded.slice(0, 2);
  for (let at = 2; at + 1 < rounded.length; at += 2) {
    const [x, y] = [rounded[at]!, rounded[at + 1]!];
    const far = Math.hypot(x - kept.at(-2)!, y - kept.at(-1)!) >= 3;
    const last = at + 3 >= rounded.length;
    if (far || last) kept.push(x, y);
  }
  // A point alone is a dot: a line of no length with round ends.
  if (kept.length === 2) kept.push(kept[0]!, kept[1]!);
  return kept.slice(0, drawingMost.penNumbers);
}

/**
 * The two or three corners of an arrow's head, and where its line has to end so that the line does not stick out of it.
 * Length and width of a head are four and three times the line's thickness, as usual in technical drawing.
 * `arrowHead([0, 0], [10, 0], 2).neck` gives `[2, 0]`.
 */
export function arrowHead(
  [fromX, fromY]: readonly [number, number],
  [x, y]: readonly [number, number],
  thick: number,
): { corners: [number, number][]; neck: [number, number] } {
  const far = Math.hypot(x - fromX, y - fromY) || 1;
  const [alongX, alongY] = [(x - fromX) / far, (y - fromY) / far];
  const [length, half] = [thick * 4, thick * 1.5];
  const neck: [number, number] = [x - alongX * length, y - alongY * length];
  return {
    corners: [
      [x, y],
      [neck[0] - alongY * half, neck[1] + alongX * half],
      [neck[0] + alongY * half, neck[1] - alongX * half],
    ],
    neck,
  };
}

/**
 * What a thing is and where, for those who work by ear or with the keys: "red arrow, upper left".
 * `formatItem(newItem("arrow", newDrawing(), "en", "a"), newDrawing(), "en")` gives `"black arrow, middle"`.
 */
export function formatItem(item: DrawnItem, { height }: Pick<Drawing, "height">, language: string): string {
  const box = boxOf(item);
  const across = ["left", "middle", "right"][third(box.x + box.width / 2, PAGE_WIDTH)]!;
  const down = ["upper", "middle", "lower"][third(box.y + box.height / 2, height)]!;
  const where = down === "middle" ? (across === "middle" ? "middle" : across) : `${down} ${across}`;
  return `${item.ink} ${nameOf(item, language)}, ${where}`;
}

const third = (at: number, of: number) => between(0, Math.floor((at / of) * 3), 2);

function nameOf(item: DrawnItem, language: string): string {
  switch (item.type) {
    case "shape":
      return item.form;
    case "line":
      return item.heads === "none" ? "line" : "arrow";
    case "pen":
      return "pen line";
    case "words": {
      const text = (item.text[language] ?? Object.values(item.text)[0] ?? "").trim();
      return text ? `words “${text.length > 30 ? `${text.slice(0, 29)}…` : text}”` : "words, nothing written yet";
    }
  }
}

/**
 * What words say in the first language they are written in, empty when in none.
 * `wordsOf({ text: { es: "marea" } }, ["en"])` gives `"marea"`.
 */
export const wordsOf = ({ text }: DrawnItemOf<"words">, languages: readonly string[]): string =>
  [...languages.map((one) => text[one]), ...Object.values(text)].find((one) => one?.trim()) ?? "";

/** Every word there is to read in it, in a language. `drawingWords(newDrawing(), ["en"])` gives `""`. */
export const drawingWords = (drawing: Drawing, languages: readonly string[]): string =>
  drawing.items
    .flatMap((item) => {
      if (item.type !== "words") return [];
      const written = wordsOf(item, languages);
      return written ? [written.replaceAll("\n", " ")] : [];
    })
    .join(" · ");
