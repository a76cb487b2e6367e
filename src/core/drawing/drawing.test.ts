import fc from "fast-check";
import {
  arrowHead,
  boxOf,
  copyOf,
  drawingWords,
  drawnTools,
  moveItem,
  newDrawing,
  newItem,
  penPoints,
  raiseItem,
  removeItem,
  replaceItem,
  formatItem,
  stretchItem,
  withItem,
  type Drawing,
  type DrawnItemOf,
} from "./drawing";
import { Drawing as DrawingSchema } from "./schema";
import { drawingMost, PAGE_WIDTH } from "./vocabulary";

const page = newDrawing();
const withAll = drawnTools.reduce<Drawing>((now, tool) => withItem(now, newItem(tool, page, "en", tool)), page);
const arrow = newItem("arrow", page, "en", "a") as DrawnItemOf<"line">;

describe("a drawing is data", () => {
  test("whatever the tools put down is a drawing the document takes", () => {
    expect(DrawingSchema.parse(withAll).items).toHaveLength(drawnTools.length);
  });

  test("markup stays a text, and a thing that is none of the known ones is refused", () => {
    const words = { ...newItem("words", page, "en", "w"), text: { en: "<script>alert(1)</script>" } };
    expect(DrawingSchema.parse({ ...page, items: [words] }).items[0]).toMatchObject({ text: words.text });
    expect(DrawingSchema.safeParse({ ...page, items: [{ id: "x", type: "svg", markup: "<g/>" }] }).success).toBe(false);
    expect(DrawingSchema.safeParse({ ...page, over: "https://elsewhere.example/a.svg" }).success).toBe(false);
  });

  test("it ends somewhere: no more things than it may have", () => {
    const full = { ...page, items: Array.from({ length: drawingMost.items }, (_, at) => ({ ...arrow, id: `a${at}` })) };
    expect(withItem(full, arrow)).toBe(full);
    expect(DrawingSchema.safeParse({ ...full, items: [...full.items, arrow] }).success).toBe(false);
  });
});

describe("working on it", () => {
  test("a thing is changed, laid over another, copied and taken away by itself", () => {
    const raised = raiseItem(withAll, "rectangle", 1);
    expect(raised.items.slice(0, 2).map(({ id }) => id)).toEqual(["ellipse", "rectangle"]);
    expect(raiseItem(withAll, "words", 1)).toBe(withAll);
    expect(removeItem(withAll, "line").items.map(({ id }) => id)).not.toContain("line");
    const red = replaceItem(withAll, { ...withAll.items[0]!, ink: "red" });
    expect(red.items.map(({ ink }) => ink)).toEqual(["red", "black", "black", "black", "black", "black"]);
    expect(boxOf(copyOf(withAll.items[0]!, "again"))).toEqual({ ...boxOf(withAll.items[0]!), x: 420, y: 325 });
  });

  test("nothing can be moved so far that it is lost", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...withAll.items),
        fc.integer({ min: -5000, max: 5000 }),
        fc.integer({ min: -5000, max: 5000 }),
        (item, dx, dy) => {
          const box = boxOf(moveItem(item, dx, dy, page));
          expect(box.x + box.width).toBeGreaterThanOrEqual(19);
          expect(box.x).toBeLessThanOrEqual(PAGE_WIDTH - 19);
          expect(box.y + box.height).toBeGreaterThanOrEqual(19);
          expect(box.y).toBeLessThanOrEqual(page.height - 19);
        },
      ),
    );
  });

  test("stretching keeps the upper left corner; a line follows with its end; nothing shrinks to nothing", () => {
    const [rectangle] = withAll.items as [DrawnItemOf<"shape">];
    expect(stretchItem(rectangle, 30, -20)).toMatchObject({ x: 390, y: 295, width: 250, height: 140 });
    expect(stretchItem(rectangle, -900, -900)).toMatchObject({ width: 4, height: 4 });
    expect(stretchItem(arrow, 0, 40)).toMatchObject({ from: [380, 375], to: [620, 415] });
    expect(stretchItem(newItem("words", page, "en", "w"), 0, 10)).toMatchObject({ size: 58 });
    const pen = { id: "p", ink: "black", type: "pen", thick: 5, points: [100, 100, 200, 300] } as const;
    expect(stretchItem({ ...pen, points: [...pen.points] }, 100, 0)).toMatchObject({ points: [100, 100, 300, 300] });
  });

  test("however often it is stretched and moved, the document still takes it", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...withAll.items),
        fc.array(fc.tuple(fc.boolean(), fc.integer({ min: -3000, max: 3000 }), fc.integer({ min: -3000, max: 3000 })), {
          maxLength: 12,
        }),
        (item, steps) => {
          const end = steps.reduce(
            (now, [stretch, dx, dy]) => (stretch ? stretchItem(now, dx, dy) : moveItem(now, dx, dy, page)),
            item,
          );
          expect(DrawingSchema.safeParse({ ...page, items: [end] }).error).toBeUndefined();
        },
      ),
    );
  });

  test("a line of the pen keeps its shape and loses what nobody sees", () => {
    const slow = Array.from({ length: 400 }, (_, at) => [100 + at / 4, 200]).flat();
    const kept = penPoints(slow);
    expect(kept.length).toBeLessThan(80);
    expect(kept.slice(0, 2)).toEqual([100, 200]);
    expect(kept.slice(-2)).toEqual([200, 200]);
    expect(penPoints([50.4, 60.6])).toEqual([50, 61, 50, 61]);
  });

  test("the head of an arrow has its tip where the line ends, square to the line", () => {
    const { corners, neck } = arrowHead([0, 0], [100, 0], 5);
    expect(corners).toEqual([
      [100, 0],
      [80, 7.5],
      [80, -7.5],
    ]);
    expect(neck).toEqual([80, 0]);
  });
});

describe("a drawing can be followed without seeing it", () => {
  test("things are said by what they are and where they lie", () => {
    expect(formatItem({ ...arrow, ink: "red" }, page, "en")).toBe("red arrow, middle");
    expect(formatItem(moveItem(arrow, -400, -300, page), page, "en")).toBe("black arrow, upper left");
    const words = { ...newItem("words", page, "en", "w"), text: { en: "Low water at noon" } };
    expect(formatItem(moveItem(words, 350, 0, page), page, "en")).toBe("black words “Low water at noon”, right");
  });

  test("its words are read in the student's language where it has them", () => {
    const words = { ...newItem("words", page, "en", "w"), text: { en: "high\nwater", es: "pleamar" } };
    const drawing = { ...page, items: [words] };
    expect(drawingWords(drawing, ["en"])).toBe("high water");
    expect(drawingWords(drawing, ["es", "en"])).toBe("pleamar");
    expect(drawingWords(drawing, ["fr", "en"])).toBe("high water");
  });
});
