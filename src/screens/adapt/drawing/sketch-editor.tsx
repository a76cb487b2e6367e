"use client";
import { ImagePlus, Shapes } from "lucide-react";
import { newDrawing } from "@/core/drawing/drawing";
import { Button } from "@/ui/button";
import { useFile } from "@/screens/media/use-file";
import type { EditorProps } from "../editors/editor-props";
import { PictureDescription } from "../media/picture-description";
import { DrawingEditor } from "./drawing-editor";

/** What students draw on: a blank sheet, a picture, or a drawing made here. */
export function SketchEditor({ question, languages, newId, onChange }: EditorProps<"sketch">) {
  const picture = useFile({ onFile: (over) => onChange({ ...question, over, on: undefined }) });
  const blank = !question.over && !question.on;
  return (
    <div className="grid gap-2">
      <div className="flex flex-wrap items-center gap-2">
        <Button size="small" onClick={picture.choose}>
          <ImagePlus size={15} aria-hidden /> {question.over ? "Another picture to draw on" : "Draw on a picture"}
        </Button>
        {!question.on && (
          <Button
            size="small"
            onClick={() => onChange({ ...question, over: undefined, description: undefined, on: newDrawing() })}
          >
            <Shapes size={15} aria-hidden /> Draw on a drawing of mine
          </Button>
        )}
        {!blank && (
          <Button size="small" look="quiet" onClick={() => onChange({ ...question, over: undefined, on: undefined })}>
            On a blank sheet
          </Button>
        )}
        {picture.input}
      </div>
      {question.over && (
        <PictureDescription
          value={question.description}
          language={languages[0]!}
          onText={(description) => onChange({ ...question, description }, `description-${question.id}`)}
        />
      )}
      {question.on && (
        <DrawingEditor
          drawing={question.on}
          languages={languages}
          newId={newId}
          onChange={(on, kind) => onChange({ ...question, on }, kind && `drawing-${question.id}-${kind}`)}
        />
      )}
    </div>
  );
}
