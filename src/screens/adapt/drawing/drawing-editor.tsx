"use client";
import { Circle, Copy, ImagePlus, Minus, MoveUpRight, Pencil, Square, Trash2, Triangle, Type } from "lucide-react";
import dynamic from "next/dynamic";
import { useEffect, useRef, useState, type KeyboardEvent, type ReactNode } from "react";
import {
  copyOf,
  moveItem,
  newItem,
  raiseItem,
  removeItem,
  replaceItem,
  formatItem,
  stretchItem,
  withItem,
  type Drawing,
  type DrawnItem,
  type DrawnTool,
} from "@/core/drawing/drawing";
import { drawingMost, PAGE_WIDTH, pageHeights, type PageForm } from "@/core/drawing/vocabulary";
import type { NewId } from "@/core/resource/edit";
import { Button } from "@/ui/button";
import { Boundary } from "@/ui/later";
import { Segmented } from "@/ui/segmented";
import { mediaAddress } from "@/screens/step/media";
import { useFile } from "@/screens/media/use-file";
import { PictureDescription } from "../media/picture-description";
import { ItemFields } from "./item-fields";

// The canvas comes only when somebody draws, and only in a browser.
const DrawingStage = dynamic(() => import("./drawing-stage").then((part) => part.DrawingStage), {
  ssr: false,
  loading: () => <p className="p-4 text-ink-soft">One moment …</p>,
});

const tools: Record<DrawnTool, [name: string, icon: ReactNode]> = {
  rectangle: ["Rectangle", <Square key="" size={15} aria-hidden />],
  ellipse: ["Oval", <Circle key="" size={15} aria-hidden />],
  triangle: ["Triangle", <Triangle key="" size={15} aria-hidden />],
  line: ["Line", <Minus key="" size={15} aria-hidden />],
  arrow: ["Arrow", <MoveUpRight key="" size={15} aria-hidden />],
  words: ["Words", <Type key="" size={15} aria-hidden />],
};

const forms: { value: PageForm; text: string }[] = [
  { value: "wide", text: "Wide" },
  { value: "sheet", text: "Sheet" },
  { value: "square", text: "Square" },
  { value: "tall", text: "Tall" },
];

const shapeOf = (address: string): Promise<number> =>
  new Promise((resolve) => {
    const picture = new Image();
    picture.onload = () => resolve(picture.naturalHeight / Math.max(1, picture.naturalWidth));
    picture.onerror = () => resolve(0.75);
    picture.src = address;
  });

const steps: Record<string, [number, number]> = {
  ArrowRight: [10, 0],
  ArrowLeft: [-10, 0],
  ArrowUp: [0, -10],
  ArrowDown: [0, 10],
};

/** A drawing made here: shapes, lines, arrows, words and a pen, on a blank page or over a picture. */
export function DrawingEditor({
  drawing,
  languages,
  newId,
  onChange,
}: {
  drawing: Drawing;
  languages: readonly string[];
  newId: NewId;
  /** `kind` joins changes of one thing into one step of undo. */
  onChange: (drawing: Drawing, kind?: string) => void;
}) {
  const [chosen, setChosen] = useState<string | null>(null);
  const [penInHand, setPenInHand] = useState(false);
  const [pen, setPen] = useState({ ink: "black" as DrawnItem["ink"], thick: 5 });
  const language = languages[0]!;
  const item = drawing.items.find((one) => one.id === chosen);
  const full = drawing.items.length >= drawingMost.items;
  // What she draws while a picture arrives and is measured stays.
  const latest = useRef({ drawing, onChange });
  useEffect(() => {
    latest.current = { drawing, onChange };
  });
  const picture = useFile({
    name: "Picture to draw over",
    onFile: async (over) => {
      const share = await shapeOf(mediaAddress(over));
      const now = latest.current;
      const height = Math.round(Math.max(200, Math.min(2000, share * PAGE_WIDTH)));
      now.onChange({ ...now.drawing, over, height });
    },
  });
  const add = (made: DrawnItem) => {
    onChange(withItem(drawing, made));
    setChosen(made.id);
    setPenInHand(false);
  };
  const put = (changed: DrawnItem, kind = "change") => onChange(replaceItem(drawing, changed), `${kind}-${changed.id}`);
  const remove = (id: string) => {
    const at = drawing.items.findIndex((one) => one.id === id);
    onChange(removeItem(drawing, id));
    setChosen(drawing.items[at + 1]?.id ?? drawing.items[at - 1]?.id ?? null);
  };
  const onKey = (event: KeyboardEvent) => {
    const by = steps[event.key];
    if (event.key === "Enter" || event.key === " ") {
      const at = drawing.items.findIndex((one) => one.id === chosen);
      setChosen(drawing.items[(at + 1) % Math.max(1, drawing.items.length)]?.id ?? null);
    } else if (event.key === "Escape" && chosen) setChosen(null);
    else if (item && by)
      put(event.shiftKey ? stretchItem(item, ...by) : moveItem(item, ...by, drawing), event.shiftKey ? "size" : "move");
    else if (item && (event.key === "Delete" || event.key === "Backspace")) remove(item.id);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const form = (Object.keys(pageHeights) as PageForm[]).find((one) => pageHeights[one] === drawing.height);
  return (
    <div className="grid gap-3">
      <div className="flex flex-wrap gap-1.5">
        {(Object.keys(tools) as DrawnTool[]).map((tool) => (
          <Button
            key={tool}
            size="small"
            disabled={full}
            onClick={() => add(newItem(tool, drawing, language, newId()))}
          >
            {tools[tool][1]} {tools[tool][0]}
          </Button>
        ))}
        <Button
          size="small"
          aria-pressed={penInHand}
          disabled={full}
          className={penInHand ? "bg-ink text-paper hover:bg-ink" : undefined}
          onClick={() => {
            setPenInHand(!penInHand);
            setChosen(null);
          }}
        >
          <Pencil size={15} aria-hidden /> Pen
        </Button>
      </div>
      {full && <p className="text-[13px] text-ink-soft">{drawingMost.items} things are the most a drawing can have.</p>}
      <div
        role="application"
        aria-label={`Page to draw on. ${item ? `Chosen: ${formatItem(item, drawing, language)}.` : "Nothing chosen."}`}
        aria-roledescription="page: Enter chooses the next thing, arrows move it, Shift and arrows stretch it, Delete removes it"
        tabIndex={0}
        onKeyDown={onKey}
        className="rounded-card"
      >
        <Boundary>
          <DrawingStage
            drawing={drawing}
            languages={languages}
            chosen={chosen}
            pen={penInHand ? pen : null}
            onChoose={setChosen}
            onItem={(changed) => put(changed, "hand")}
            onPen={(points) => {
              if (!full) onChange(withItem(drawing, { ...pen, id: newId(), type: "pen", points }));
            }}
          />
        </Boundary>
      </div>
      {(item || penInHand) && (
        <ItemFields
          item={item ?? { ...pen, id: "pen", type: "pen", points: [] }}
          language={language}
          onItem={(changed, kind) => {
            if (changed.type !== "words") setPen({ ink: changed.ink, thick: changed.thick });
            if (item) put(changed, kind);
          }}
        />
      )}
      {item && (
        <div className="flex flex-wrap gap-1.5">
          <Button size="small" disabled={full} onClick={() => add(copyOf(item, newId()))}>
            <Copy size={15} aria-hidden /> Copy
          </Button>
          <Button size="small" onClick={() => onChange(raiseItem(drawing, item.id, 1))}>
            Forward
          </Button>
          <Button size="small" onClick={() => onChange(raiseItem(drawing, item.id, -1))}>
            Back
          </Button>
          <Button size="small" onClick={() => remove(item.id)}>
            <Trash2 size={15} aria-hidden /> Remove it
          </Button>
        </div>
      )}
      {drawing.items.length > 0 && (
        <details>
          <summary className="cursor-pointer text-[13px] text-ink-soft">
            {drawing.items.length === 1 ? "1 thing" : `${drawing.items.length} things`} on the page
          </summary>
          <ol aria-label="On the page" className="mt-1 grid max-h-48 overflow-auto">
            {drawing.items.map((one) => (
              <li key={one.id}>
                <button
                  type="button"
                  aria-pressed={one.id === chosen}
                  className={`w-full rounded-[4px] px-2 py-1 text-left text-[13px] ${one.id === chosen ? "bg-shade font-semibold" : "hover:bg-shade"}`}
                  onClick={() => {
                    setPenInHand(false);
                    setChosen(one.id);
                  }}
                >
                  {formatItem(one, drawing, language)}
                </button>
              </li>
            ))}
          </ol>
        </details>
      )}
      <div className="flex flex-wrap items-center gap-2">
        {!drawing.over && (
          <Segmented
            label="Page"
            value={form ?? "sheet"}
            options={forms}
            onChange={(next) => onChange({ ...drawing, height: pageHeights[next] })}
          />
        )}
        {picture.input}
        <Button size="small" onClick={picture.choose} disabled={picture.sending}>
          <ImagePlus size={15} aria-hidden /> {drawing.over ? "Another picture under it" : "Over a picture"}
        </Button>
        {drawing.over && (
          <Button size="small" look="quiet" onClick={() => onChange({ ...drawing, over: undefined })}>
            No picture
          </Button>
        )}
      </div>
      <PictureDescription
        value={drawing.description}
        language={language}
        onText={(description) => onChange({ ...drawing, description }, "description")}
      />
    </div>
  );
}
