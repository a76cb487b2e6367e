"use client";
import { useEffect, useRef, useState, type KeyboardEvent, type RefObject } from "react";
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
/** Pixels an arrow key moves the pen; with Shift, for fine lines. */
const KEY_STEP = 12;
const FINE_KEY_STEP = 2;
const arrows: Record<string, readonly [number, number]> = {
  ...{ ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] },
};

/** A place on the screen, as pointers and the pen of the arrow keys have it. */
interface Place {
  clientX: number;
  clientY: number;
}

/**
 * The teacher's lines over a step, and where she points. With `onStroke` it can be drawn on, by pointer and by keyboard; else presses go
 * through it.
 */
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
  /** The pen of the arrow keys, in pixels from the corner of the layer; null: the keys are not on the layer. */
  const [keyPen, setKeyPen] = useState<{ x: number; y: number } | null>(null);
  const layer = useRef<SVGSVGElement>(null);
  const pen = useRef<SVGCircleElement>(null);
  const drawn = onStroke !== undefined;
  // The pen was just taken: the arrow keys move it, until a pointer is over the layer.
  useEffect(() => {
    if (drawn) layer.current?.focus({ preventScroll: true });
  }, [drawn]);
  useEffect(() => {
    if (keyPen) pen.current?.scrollIntoView?.({ block: "nearest" });
  }, [keyPen]);
  const boxAt = (event: Place): [string | null, Box] => {
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
  const thousandths = (event: Place, box: Box): [number, number] => {
    const own = layer.current!.getBoundingClientRect();
    const part = (value: number) => Math.max(-500, Math.min(4000, Math.round((value / Math.max(1, box.width)) * 1000)));
    return [part(event.clientX - own.left - box.left), part(event.clientY - own.top - box.top)];
  };
  const begin = (event: Place) => {
    if (!onStroke) return;
    const [on, box] = boxAt(event);
    const [x, y] = thousandths(event, box);
    setDrawing({ id: crypto.randomUUID(), on, points: [x, y, x, y] });
  };
  const move = (event: Place) => {
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
  const onKey = (event: KeyboardEvent) => {
    const by = arrows[event.key];
    if (!keyPen || !layer.current || (!by && event.key !== " " && event.key !== "Escape")) return;
    event.preventDefault();
    event.stopPropagation();
    const own = layer.current.getBoundingClientRect();
    const place = ({ x, y }: { x: number; y: number }) => ({ clientX: own.left + x, clientY: own.top + y });
    if (by) {
      const step = event.shiftKey ? FINE_KEY_STEP : KEY_STEP;
      const within = (value: number, most: number) => Math.max(0, Math.min(most, value));
      const to = { x: within(keyPen.x + by[0] * step, own.width), y: within(keyPen.y + by[1] * step, own.height) };
      setKeyPen(to);
      move(place(to));
    } else if (event.key === "Escape") {
      if (drawing) setDrawing(null);
      else layer.current.blur();
    } else if (drawing) end();
    else begin(place(keyPen));
  };
  const all = drawing ? [...strokes, drawing] : strokes;
  const pointed = point && boxes.get(point.on ?? WHOLE);
  return (
    <svg
      ref={layer}
      {...(drawn
        ? {
            ...{ role: "application", tabIndex: 0 },
            "aria-label": "Pen: the arrow keys move it, Space puts it down and lifts it, Escape leaves the line out",
            onFocus: () => {
              const own = layer.current!.getBoundingClientRect();
              setKeyPen({ x: own.width / 2, y: Math.min(own.height / 2, 160) });
            },
            onBlur() {
              end();
              setKeyPen(null);
            },
            onKeyDown: onKey,
            // Arrow keys stay with the screen for those who draw with a pointer.
            onMouseDown: (event) => event.preventDefault(),
          }
        : { "aria-hidden": true })}
      className={`absolute inset-0 h-full w-full overflow-visible ${drawn ? "cursor-crosshair touch-none" : "pointer-events-none"}`}
      onPointerDown={(event) => {
        if (!drawn) return;
        layer.current!.blur();
        event.currentTarget.setPointerCapture(event.pointerId);
        begin(event);
      }}
      onPointerMove={(event) => {
        if (keyPen && drawing) return;
        // A page that is laid out anew under a pointer at rest says that it moved, too.
        if (keyPen && (event.movementX !== 0 || event.movementY !== 0)) layer.current!.blur();
        move(event);
      }}
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
      {keyPen && (
        <circle
          ref={pen}
          cx={keyPen.x}
          cy={keyPen.y}
          r={drawing ? 5 : 9}
          className="fill-none stroke-slate"
          strokeWidth={2}
        />
      )}
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
