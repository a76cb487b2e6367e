"use client";
import { ImagePlus, Type } from "lucide-react";
import type { Block } from "@/core/resource/block";
import type { Step } from "@/core/resource/document";
import { moveBlock, newQuestion, putBlock, removeBlock, type NewId } from "@/core/resource/edit";
import { inLanguage } from "@/core/resource/language";
import { richText } from "@/core/resource/rich-text";
import type { QuestionType } from "@/core/resource/question";
import { Button } from "@/ui/button";
import { Menu, MenuItem } from "@/ui/menu";
import { tell } from "@/ui/toast";
import { BlockEditor, questionNames } from "./block-editor";
import { RichEditor } from "./rich-editor";
import { usePictureFile } from "./use-picture-file";

/** One step in the middle of the page: everything students see of it, edited where it stands. */
export function StepEditor({
  step,
  languages,
  newId,
  onChange,
  onRestore,
}: {
  step: Step;
  languages: readonly string[];
  newId: NewId;
  onChange: (step: Step, kind?: string) => void;
  /** Puts a removed block back where it was, whatever has changed since. */
  onRestore: (block: Block, at: number) => void;
}) {
  const language = languages[0]!;
  const add = (block: Block) => onChange(putBlock(step, block));
  const addQuestion = (type: QuestionType) =>
    add({ id: newId(), type: "question", question: newQuestion(type, language, newId) });
  const picture = usePictureFile(
    (media) => add({ id: newId(), type: "picture", media, description: {}, decorative: false }),
    "Picture file",
  );
  const instructions = step.instructions[language];
  return (
    <div className="mx-auto grid max-w-3xl gap-4">
      <input
        type="text"
        aria-label="Title of the step"
        value={inLanguage(step.title, languages) ?? ""}
        placeholder="Title of the step"
        maxLength={200}
        onChange={(event) =>
          onChange({ ...step, title: { ...step.title, [language]: event.target.value } }, `title-${step.id}`)
        }
        className="w-full rounded-[4px] bg-transparent px-1 font-child text-[20px] font-bold hover:ring-1 hover:ring-line"
      />
      <RichEditor
        label="Instructions"
        className="font-child text-[16px]"
        value={inLanguage(step.instructions, languages)?.text}
        placeholder="What shall students do?"
        onChange={(text) =>
          onChange(
            { ...step, instructions: { ...step.instructions, [language]: { ...instructions, text } } },
            `instructions-${step.id}`,
          )
        }
      />
      {step.blocks.map((block, at) => (
        <BlockEditor
          key={block.id}
          block={block}
          languages={languages}
          newId={newId}
          first={at === 0}
          last={at === step.blocks.length - 1}
          onChange={(changed, kind) => onChange(putBlock(step, changed), kind)}
          onMove={(by) => onChange(moveBlock(step, block.id, by))}
          onRemove={() => {
            onChange(removeBlock(step, block.id));
            tell("Removed.", () => onRestore(block, at));
          }}
        />
      ))}
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => add({ id: newId(), type: "text", text: { [language]: richText("") } })}>
          <Type size={16} aria-hidden /> Text
        </Button>
        <Button onClick={picture.choose}>
          <ImagePlus size={16} aria-hidden /> Picture
        </Button>
        {picture.input}
        <Menu align="start" trigger={<Button>Question …</Button>}>
          {(Object.keys(questionNames) as QuestionType[]).map((type) => (
            <MenuItem key={type} onSelect={() => addQuestion(type)}>
              {questionNames[type]}
            </MenuItem>
          ))}
        </Menu>
      </div>
    </div>
  );
}
