"use client";
import { Pencil } from "lucide-react";
import type { Block, BlockOf } from "@/core/resource/block";
import { type NewId } from "@/core/resource/edit";
import { newQuestion } from "@/core/question/new-question";
import { Button } from "@/ui/button";
import { DrawingEditor } from "./drawing-editor";

/** A drawing to look at; one press makes it a sheet every student has a copy of, to draw on. */
export function DrawingBlockEditor({
  block,
  languages,
  newId,
  onChange,
}: {
  block: BlockOf<"drawing">;
  languages: readonly string[];
  newId: NewId;
  onChange: (block: Block, kind?: string) => void;
}) {
  const letDraw = () => {
    const question = newQuestion("sketch", languages[0]!, newId);
    if (question.type === "sketch")
      onChange({ id: block.id, type: "question", question: { ...question, on: block.drawing } });
  };
  return (
    <div className="grid gap-3">
      <DrawingEditor
        drawing={block.drawing}
        languages={languages}
        newId={newId}
        onChange={(drawing, kind) => onChange({ ...block, drawing }, kind && `drawing-${block.id}-${kind}`)}
      />
      <div>
        <Button size="small" onClick={letDraw}>
          <Pencil size={15} aria-hidden /> Let students draw on their own copy
        </Button>
      </div>
    </div>
  );
}
