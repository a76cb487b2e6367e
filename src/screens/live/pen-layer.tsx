"use client";
import { useEffect, useRef, useState, type PointerEvent, type RefObject } from "react";
import type { Stroke } from "@/core/live/lesson";
import type { Point } from "./use-lesson";

/** A box that can be drawn on, in pixels from the corner of the layer. */
interface Box {
  left: number;
  top: number;
  width: number;
}
const WHOLE = "";

/** Where each block of a step lies: strokes are kept in thousandths of a block's width, so that they lie right on any screen. */
function useBoxes(around: RefObject<HTMLElement | null>): Map<string, Box> {
  const [boxes, setBoxes] = useState(new Map<string, Box>());
  useEffect(() => {
    const element = around.current;
    if (!element) return;
    const measure = () => {
      const own = element.getBoundingClientRect();
      const found = new Map<string, Box>([[WHOLE, { left: 0, top: 0, width: own.width }]]);
      for (const block of element.querySelectorAll<HTMLElement>("[data-block]")) {
        const box = block.getBoundingClientRect();
        found.set(block.dataset.block!, { left: box.left - own.left, top: box.top - own.top, width: box.width });
      }
      setBoxes(found);
    };
    const sizes = new ResizeObserver(measure);
    sizes.observe(element);
    for (const block of element.querySelectorAll("[data-block]")) sizes.observe(block);
    return () => sizes.disconnect();
  }, [around]);
  return boxes;
}

const pathOf = (points: readonly number[], box: Box) =>
  points.reduce((path, value, at) => {
    const pixel = (value / 1000) * box.width + (at % 2 === 0 ? box.left : box.top);
    return `${path}${at % 2 === 0 ? (at === 0 ? "M" : "L") : " "}${pixel.toFixed(1)}`;
  }, "");

const FARTHEST = 790;

/** The teacher's lines over a step, and where she points. With `onStroke` it can be drawn on; else presses go through it. */
export function PenLayer({
  around,
  strokes,
  point,
  onStroke,
  onPoint,
}: {
  /** What it lies over; its blocks carry data-block. */
  around: RefObject<HTMLElement | null>;
  strokes: readonly Stroke[];
  point?: Point | null;
  onStroke?: ((stroke: Stroke) => void) | undefined;
  onPoint?: ((on: string | null, x: number, y: number) => void) | undefined;
}) {
  const boxes = useBoxes(around);
  const [drawing, setDrawing] = useState<Stroke | null>(null);
  const layer = useRef<SVGSVGElement>(null);
  const boxAt = (event: PointerEvent): [string | null, Box] => {
    const own = layer.current!.getBoundingClientRect();
    const blocks = [...(around.current?.querySelectorAll<HTMLElement>("[data-block]") ?? [])];
    const under = blocks.find((block) => {
      const box = block.getBoundingClientRect();
      return (
        event.clientX >= box.left &&
        event.clientX <= box.right &&
        event.clientY >= box.top &&
        event.clientY <= box.bottom
      );
    });
    const name = under?.dataset.block ?? WHOLE;
    return [under ? name : null, boxes.get(name) ?? { left: 0, top: 0, width: own.width }];
  };
  const thousandths = (event: PointerEvent, box: Box): [number, number] => {
    const own = layer.current!.getBoundingClientRect();
    const part = (value: number) => Math.max(-500, Math.min(4000, Math.round((value / Math.max(1, box.width)) * 1000)));
    return [part(event.clientX - own.left - box.left), part(event.clientY - own.top - box.top)];
  };
  const begin = (event: PointerEvent) => {
    if (!onStroke) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    const [on, box] = boxAt(event);
    const [x, y] = thousandths(event, box);
    setDrawing({ id: crypto.randomUUID(), on, points: [x, y, x, y] });
  };
  const move = (event: PointerEvent) => {
    if (drawing) {
      const box = boxes.get(drawing.on ?? WHOLE);
      if (box && drawing.points.length < FARTHEST)
        setDrawing({ ...drawing, points: [...drawing.points, ...thousandths(event, box)] });
    } else if (onPoint) {
      const [on, box] = boxAt(event);
      onPoint(on, ...thousandths(event, box));
    }
  };
  const end = () => {
    if (drawing) onStroke?.(drawing);
    setDrawing(null);
  };
  const all = drawing ? [...strokes, drawing] : strokes;
  const pointed = point && boxes.get(point.on ?? WHOLE);
  return (
    <svg
      ref={layer}
      aria-hidden
      className={`absolute inset-0 h-full w-full overflow-visible ${onStroke ? "cursor-crosshair touch-none" : "pointer-events-none"}`}
      onPointerDown={begin}
      onPointerMove={move}
      onPointerUp={end}
      onPointerCancel={end}
    >
      {all.map((stroke) => {
        const box = boxes.get(stroke.on ?? WHOLE) ?? boxes.get(WHOLE);
        return (
          box && (
            <path
              key={stroke.id}
              d={pathOf(stroke.points, box)}
              className="fill-none stroke-slate"
              strokeWidth={4}
              strokeLinecap="round"
              strokeLinejoin="round"
            />
          )
        );
      })}
      {point && pointed && (
        <circle
          cx={pointed.left + (point.x / 1000) * pointed.width}
          cy={pointed.top + (point.y / 1000) * pointed.width}
          r={14}
          className="fill-clay/30 stroke-clay"
          strokeWidth={3}
        />
      )}
    </svg>
  );
}
