"use client";
import type Konva from "konva";
import { useEffect, useRef, useState } from "react";
import { Circle, Layer, Line, Rect, Stage, Text, Transformer } from "react-konva";
import {
  LINE_HEIGHT,
  moveItem,
  penPoints,
  stretchItem,
  turns,
  wordsOf,
  type Drawing,
  type DrawnItem,
  type DrawnItemOf,
} from "@/core/drawing/drawing";
import { PAGE_WIDTH } from "@/core/drawing/vocabulary";
import { DrawnParts } from "@/screens/step/drawn";

const GREEN = "#235444";
/** In units of the page: wide enough for a finger. */
const TOUCH = 28;
type Point = [number, number];

/**
 * The page of a drawing to work on with mouse, pen or finger. What is seen is the same drawing students see; over it lies
 * a canvas that holds the same things unseen, so that they can be picked up, stretched and turned.
 */
export function DrawingStage({
  drawing,
  languages,
  chosen,
  pen,
  onChoose,
  onItem,
  onPen,
}: {
  drawing: Drawing;
  languages: readonly string[];
  chosen: string | null;
  /** The pen to draw with, or null when things are chosen. */
  pen: Pick<DrawnItemOf<"pen">, "ink" | "thick"> | null;
  onChoose: (id: string | null) => void;
  onItem: (item: DrawnItem) => void;
  onPen: (points: number[]) => void;
}) {
  const box = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  const [stroke, setStroke] = useState<number[] | null>(null);
  const handles = useRef<Konva.Transformer>(null);
  const nodes = useRef(new Map<string, Konva.Node>());
  /** A thing as it was when somebody took hold of it. */
  const before = useRef<DrawnItem | null>(null);
  const scale = width / PAGE_WIDTH;
  const item = drawing.items.find((one) => one.id === chosen);

  useEffect(() => {
    const watch = new ResizeObserver(([entry]) => setWidth(entry!.contentRect.width));
    watch.observe(box.current!);
    return () => watch.disconnect();
  }, []);
  useEffect(() => {
    const node = item && item.type !== "line" ? nodes.current.get(item.id) : undefined;
    handles.current?.nodes(node ? [node] : []);
  }, [item, width]);

  const place = (stage: Konva.Stage): Point => {
    const { x, y } = stage.getPointerPosition()!;
    return [x / scale, y / scale];
  };
  const drag = (one: DrawnItem) => ({
    draggable: !pen,
    ref: (node: Konva.Node | null) => {
      if (node) nodes.current.set(one.id, node);
      else nodes.current.delete(one.id);
    },
    onPointerDown: () => !pen && onChoose(one.id),
    onDragStart: () => {
      before.current = one;
    },
  });
  const transformed = (node: Konva.Node, one: DrawnItem): DrawnItem => {
    const [across, down] = [node.scaleX(), node.scaleY()];
    node.scale({ x: 1, y: 1 });
    const turn = Math.round(node.rotation());
    if (one.type === "shape") {
      const next = stretchItem(one, one.width * (across - 1), one.height * (down - 1)) as DrawnItemOf<"shape">;
      return { ...next, turn, x: node.x() - next.width / 2, y: node.y() - next.height / 2 };
    }
    if (one.type !== "words") return one;
    const next = stretchItem(one, 0, one.size * (down - 1)) as DrawnItemOf<"words">;
    return { ...next, turn, x: node.x(), y: node.y() };
  };
  const unseen = { opacity: 0, perfectDrawEnabled: false };
  return (
    <div
      ref={box}
      className="relative w-full touch-none rounded-card border border-line-strong bg-white"
      style={{ aspectRatio: `${PAGE_WIDTH} / ${drawing.height}`, cursor: pen ? "crosshair" : "default" }}
    >
      <svg viewBox={`0 0 ${PAGE_WIDTH} ${drawing.height}`} aria-hidden className="absolute inset-0 h-full w-full">
        <DrawnParts
          languages={languages}
          drawing={
            stroke && pen && stroke.length >= 4
              ? { ...drawing, items: [...drawing.items, { ...pen, id: "now", type: "pen", points: stroke }] }
              : drawing
          }
        />
      </svg>
      {width > 0 && (
        <Stage
          width={width}
          height={drawing.height * scale}
          scale={{ x: scale, y: scale }}
          className="absolute inset-0"
          onPointerDown={(event) => {
            if (pen) setStroke(place(event.target.getStage()!));
            else if (event.target === event.target.getStage()) onChoose(null);
          }}
          onPointerMove={(event) => {
            if (stroke) setStroke([...stroke, ...place(event.target.getStage()!)]);
          }}
          onPointerUp={() => {
            if (stroke) onPen(penPoints(stroke));
            setStroke(null);
          }}
        >
          <Layer>
            {drawing.items.map((one) => {
              if (one.type === "shape")
                return (
                  <Rect
                    key={one.id}
                    {...drag(one)}
                    {...unseen}
                    {...{ x: one.x + one.width / 2, y: one.y + one.height / 2, width: one.width, height: one.height }}
                    {...{ offsetX: one.width / 2, offsetY: one.height / 2, rotation: one.turn, fill: GREEN }}
                    onDragMove={({ target }) =>
                      onItem({ ...one, x: target.x() - one.width / 2, y: target.y() - one.height / 2 })
                    }
                    onDragEnd={() => onItem(moveItem(one, 0, 0, drawing))}
                    onTransform={({ target }) => onItem(transformed(target, one))}
                  />
                );
              if (one.type === "words")
                return (
                  <Text
                    key={one.id}
                    {...drag(one)}
                    {...unseen}
                    {...{ x: one.x, y: one.y, rotation: one.turn, fontSize: one.size, lineHeight: LINE_HEIGHT }}
                    text={wordsOf(one, languages) || "…"}
                    fontFamily="Andika"
                    onDragMove={({ target }) => onItem({ ...one, x: target.x(), y: target.y() })}
                    onDragEnd={() => onItem(moveItem(one, 0, 0, drawing))}
                    onTransform={({ target }) => onItem(transformed(target, one))}
                  />
                );
              return (
                <Line
                  key={one.id}
                  {...drag(one)}
                  {...unseen}
                  points={one.type === "pen" ? one.points : [...one.from, ...one.to]}
                  stroke={GREEN}
                  hitStrokeWidth={Math.max(TOUCH, one.thick)}
                  onDragMove={({ target }) => onItem(moveItem(before.current!, target.x(), target.y(), drawing))}
                  onDragEnd={({ target }) => {
                    target.position({ x: 0, y: 0 });
                  }}
                />
              );
            })}
            <Transformer
              ref={handles}
              resizeEnabled={item?.type !== "pen"}
              rotateEnabled={item !== undefined && turns(item)}
              enabledAnchors={item?.type === "words" ? ["bottom-right"] : undefined}
              keepRatio={item?.type === "words"}
              flipEnabled={false}
              ignoreStroke
              anchorSize={14}
              anchorCornerRadius={7}
              {...{ anchorStroke: GREEN, borderStroke: GREEN, rotateAnchorOffset: 28 }}
            />
            {item?.type === "line" &&
              (["from", "to"] as const).map((end) => (
                <Circle
                  key={end}
                  {...{ x: item[end][0], y: item[end][1], radius: TOUCH / 2 }}
                  {...{ fill: "white", stroke: GREEN, strokeWidth: 3 }}
                  draggable
                  onDragMove={({ target }) =>
                    onItem({ ...item, [end]: [Math.round(target.x()), Math.round(target.y())] })
                  }
                />
              ))}
          </Layer>
        </Stage>
      )}
    </div>
  );
}
